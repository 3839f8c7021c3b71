'use client';

import { useCallback, useMemo } from 'react';
import type { BenchView } from '@/core/views';
import { parseKey } from '@/core/pitch';
import type { PieceRecord, PupilRecord } from '@/data';
import { usePieceOptions } from '@/features/shared/pieces/piece-options';
import { stagesBeside, stageSourceOf } from '@/features/shared/pieces/stage-source';
import type { BenchFor } from './bench-for';
import { useStaged, type StagesAnswers } from './stages/use-stages';
import { useAnswer, type Answered } from '@/features/shared/parts/use-answer';
import type { Beside, BenchPageOptions } from '@/contract/core-questions';
import type { EngraveLayout } from '@/contract/engraving-questions';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';
import { askBench, askEngraving } from '@/workers/questions';
import { addressNow, type BenchAddress } from './bench-address';
import { useLadder, type LadderAnswers } from './keys/use-ladder';

/** Everything the Bench asks the core for: the piece in the wanted key, and the ladder of all keys. */
export interface BenchAnswers extends LadderAnswers {
  readonly source: PieceSource;
  /** The same in the stage that is chosen, whether or not the whole is shown with what is left out. */
  readonly inStage: PieceSource;
  readonly stages: StagesAnswers;
  /** The notes that the stage leaves out, where they are to be seen faintly; the whole piece is then shown. */
  readonly faint: readonly string[];
  /** Whether the stage that is asked for is the one on the screen. */
  readonly stageIsSeen: () => boolean;
  /** Has a stage made and engraved before anyone looks at it. */
  readonly prepareStage: (stage: string) => Promise<void>;
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

export function useBench(whom: BenchFor, address: BenchAddress, page: BenchPage | null): BenchAnswers {
  const { piece, settings, pupil } = whom;
  const part = piece.part ?? null;
  const { key } = address;
  const mode = key === null ? null : (parseKey(key, 'major')?.mode ?? null);
  const { anyKey, options } = useBenchOptions(whom, address);
  const { whole, sourceOf, inStage, source, stages, faint } = useStaged(whom, options, address.stage);
  const shown = useMemo(
    () => (page === null || faint.length === 0 ? page : { ...page, page: { ...page.page, faint } }),
    [page, faint],
  );
  const askView = useMemo(() => shown && (() => viewAndEngraving(source, options, shown)), [source, options, shown]);
  const subject = `${piece.id}/${piece.ownKey}/${part}`;
  const keys = useLadder(subject, { source: whole, options: anyKey, order: settings.keyOrder, mode });
  const prepare = useCallback(
    async (to: string): Promise<void> => {
      if (shown) await viewAndEngraving(source, { ...anyKey, to, respelled: respelledIn(piece, pupil, to) }, shown);
    },
    [source, anyKey, shown, piece, pupil],
  );
  const prepareStage = useCallback(
    async (id: string): Promise<void> => {
      if (page) await viewAndEngraving(sourceOf(stageSourceOf(piece, pupil, id)), options, page);
    },
    [piece, pupil, sourceOf, options, page],
  );
  const beside = useMemo(
    () => ({
      ...piece.beside,
      ...(part === null ? {} : { part }),
      ...(piece.decided ? { decided: piece.decided } : {}),
      ...stagesBeside(piece),
    }),
    [piece, part],
  );
  const view = useAnswer(subject, askView);
  const stageIsSeen = (): boolean => {
    const { stage } = addressNow();
    const asked = stage === 'whole' ? null : stage;
    // With what is left out shown faintly, the whole piece is what is seen.
    return asked === (view.value?.stage ?? null) || (stage === address.stage && faint.length > 0);
  };
  return { source, inStage, beside, options, stages, faint, view, ...keys, prepare, prepareStage, stageIsSeen };
}

/** How the piece is wanted: in all keys alike, and in the one of the address. */
function useBenchOptions(
  { piece, settings, pupil }: BenchFor,
  { key, way, minor, right, left }: BenchAddress,
): { readonly anyKey: BenchOptions; readonly options: BenchOptions } {
  const { options: usual } = usePieceOptions(piece, settings, pupil);
  const anyKey = useMemo(
    () => ({ ...usual, direction: way, ...DEGREES[minor], octaveRight: right, octaveLeft: left }),
    [usual, way, minor, right, left],
  );
  // The list comes anew with each reading of the record: its text tells whether it is another one.
  const respelled = respelledIn(piece, pupil, key).join();
  const options = useMemo(
    () => ({ ...anyKey, to: key, respelled: respelled === '' ? NO_NOTES : respelled.split(',') }),
    [anyKey, key, respelled],
  );
  return { anyKey, options };
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
