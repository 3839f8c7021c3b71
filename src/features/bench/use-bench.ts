'use client';

import { useCallback, useMemo } from 'react';
import type { BenchView } from '@/core/views';
import { parseKey } from '@/core/pitch';
import type { PieceRecord, PupilRecord, Settings } from '@/data';
import { useDecisions, usePlayerOf } from '@/features/shared/piece-options';
import { useWords } from '@/features/shared/words/use-words';
import { useAnswer, type Answered } from '@/features/shared/use-answer';
import type { Answer, Beside, BenchPageOptions, BenchOptions, EngraveLayout, PieceSource } from '@/workers/protocol';
import { askBench, askEngraving } from '@/workers/questions';
import type { BenchAddress } from './bench-address';
import { useLadder, type LadderAnswers } from './use-ladder';

/** Everything the Bench asks the core for: the piece in the wanted key, and the ladder of all keys. */
export interface BenchAnswers extends LadderAnswers {
  readonly source: PieceSource;
  /** What goes into a piece file beside the music. */
  readonly beside: Beside;
  readonly options: BenchOptions;
  readonly view: Answered<BenchView>;
  /** Has the piece moved to another key and engraved there before anyone looks at it. */
  readonly prepare: (key: string) => Promise<void>;
}

/** The page that is wanted, and how it is engraved. */
export interface BenchPage {
  readonly page: BenchPageOptions;
  readonly layout: EngraveLayout;
}

/** For whom the piece is moved: a pupil, or any hand as Settings have it. */
export interface BenchFor {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly pupil: PupilRecord | null;
}

export function useBench(
  { piece, settings, pupil }: BenchFor,
  address: BenchAddress,
  page: BenchPage | null,
): BenchAnswers {
  const { musicXml, ownKey } = piece;
  const part = piece.part ?? null;
  const { fingering, spelling, courtesy, keyOrder } = settings;
  const keyboard = Number(settings.keyboard);
  const { key, way, minor, right, left } = address;
  const mode = key === null ? null : (parseKey(key, 'major')?.mode ?? null);
  const player = usePlayerOf(settings, pupil);
  const decisions = useDecisions(piece, pupil);
  const { wording } = useWords();
  const source = useMemo(() => ({ musicXml, ownKey, part }), [musicXml, ownKey, part]);
  const anyKey = useMemo(
    () => ({
      to: null,
      direction: way,
      ...DEGREES[minor],
      octaveRight: right,
      octaveLeft: left,
      spelling,
      courtesy,
      fingering,
      player,
      keyboard,
      respelled: NO_NOTES,
      decisions,
      wording,
    }),
    [way, minor, right, left, fingering, player, spelling, courtesy, keyboard, decisions, wording],
  );
  // The list comes anew with each reading of the record: its text tells whether it is another one.
  const respelled = respelledIn(piece, pupil, key).join();
  const options = useMemo(
    () => ({ ...anyKey, to: key, respelled: respelled === '' ? NO_NOTES : respelled.split(',') }),
    [anyKey, key, respelled],
  );
  const askView = useMemo(() => page && (() => viewAndEngraving(source, options, page)), [source, options, page]);
  const subject = `${piece.id}/${ownKey}/${part}`;
  const keys = useLadder(subject, { source, options: anyKey, order: keyOrder, mode });
  const prepare = useCallback(
    async (to: string): Promise<void> => {
      if (page) await viewAndEngraving(source, { ...anyKey, to, respelled: respelledIn(piece, pupil, to) }, page);
    },
    [source, anyKey, page, piece, pupil],
  );
  const beside = useMemo(
    () => ({
      ...piece.beside,
      ...(part === null ? {} : { part }),
      ...(piece.decided ? { decided: piece.decided } : {}),
    }),
    [piece.beside, piece.decided, part],
  );
  return { source, beside, options, view: useAnswer(subject, askView), ...keys, prepare };
}

const NO_NOTES: readonly string[] = [];

/** The notes that the teacher put under the other letter in a key for a pupil. */
function respelledIn({ respelled }: PieceRecord, pupil: PupilRecord | null, key: string | null): readonly string[] {
  return (respelled ?? []).flatMap((entry) => {
    const [entryKey, note, entryPupil] = entry.split('|');
    return entryKey === key && note !== undefined && (entryPupil ?? null) === (pupil?.id ?? null) ? [note] : [];
  });
}

/** A respelling as it is kept: the key, the note, and the pupil where there is one. */
export function respelling(key: string, note: string, pupil: PupilRecord | null): string {
  return [key, note, ...(pupil ? [pupil.id] : [])].join('|');
}

/** The sixth and seventh degrees of the forms of minor. */
const DEGREES = {
  natural: { sixth: 'natural', seventh: 'natural' },
  harmonic: { sixth: 'natural', seventh: 'raised' },
  melodic: { sixth: 'raised', seventh: 'raised' },
} as const;

/** Asks for the piece in a key, and has its page engraved while the screen is still taking the answer in. */
async function viewAndEngraving(
  source: PieceSource,
  options: BenchOptions,
  page: BenchPage,
): Promise<Answer<BenchView>> {
  const answer = await askBench(source, options, page.page);
  if (answer.ok) void askEngraving(answer.value.page, page.layout);
  return answer;
}
