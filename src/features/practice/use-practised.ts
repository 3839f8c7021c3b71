'use client';

import { useCallback, useMemo } from 'react';
import type { AskedMusic, StruckKey } from '@/core/asked';
import type { Credited } from '@/core/hearing';
import type { JudgeOptions } from '@/core/practice';
import type { Pupil } from '@/core/simulation';
import type { Hand } from '@/core/score';
import type { JudgedView, PracticeView } from '@/core/views';
import type { PieceRecord } from '@/data';
import type { ForWhom } from '@/features/shared/pupils/for-whom';
import { usePieceOptions } from '@/features/shared/pieces/piece-options';
import { stageSourceOf } from '@/features/shared/pieces/stage-source';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { HeardRun } from '@/contract/ear-questions';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import type { Answer, Trouble } from '@/contract/answer';

/** What is practised of a piece: the piece in a key and a stage, or the five fingers of that key; bars as indexes. */
export interface PractisedWhat {
  readonly music: 'piece' | 'warm-up';
  readonly key: string | null;
  readonly stage: string | null;
  readonly hand: Hand | 'both';
  readonly bars: { readonly from: number; readonly to: number } | null;
}

/** The music of what is practised, and what can be asked about playing it. */
export interface Practised {
  readonly view: PracticeView | null;
  readonly trouble: Trouble | null;
  readonly judge: (keys: readonly StruckKey[], how: JudgeOptions) => Promise<Answer<JudgedView>>;
  /** What counts as struck of what a microphone heard. */
  readonly credit: (heard: HeardRun, bpm: number | null) => Promise<Answer<Credited>>;
  readonly simulate: (pupil: Pupil) => Promise<Answer<readonly StruckKey[]>>;
  readonly askedMusic: () => Promise<Answer<AskedMusic>>;
}

/** Note columns that a line has room for. */
const COLUMNS = 30;

/** A piece for a pupil in the stage and key that are practised. */
export function usePractisedPiece(
  piece: PieceRecord,
  { settings, pupil }: ForWhom,
  { key, stage }: Pick<PractisedWhat, 'key' | 'stage'>,
): { readonly source: PieceSource; readonly options: BenchOptions } {
  const { source: whole, options: all } = usePieceOptions(piece, settings, pupil);
  const staged = useSame(stageSourceOf(piece, pupil, stage));
  const source = useMemo(() => (staged === null ? whole : { ...whole, stage: staged }), [whole, staged]);
  const options = useMemo(() => ({ ...all, to: key }), [all, key]);
  return { source, options };
}

export function usePractised(piece: PieceRecord, whom: ForWhom, what: PractisedWhat): Practised {
  const own = usePractisedPiece(piece, whom, what);
  const { music, key } = what;
  const part = useSame({ hand: what.hand, bars: what.bars });
  const drill = useWarmUp(music === 'warm-up' ? (key ?? null) : null, what.hand);
  const source = music === 'piece' ? own.source : drill.source;
  const options = useMemo(() => (music === 'piece' ? own.options : { ...own.options, to: null }), [music, own.options]);
  const ask = useMemo(
    () => source && (() => coreWorker().practice(source, options, part, COLUMNS)),
    [source, options, part],
  );
  const { value: view, trouble } = useAnswer(`${piece.id}/${JSON.stringify(what)}`, ask);
  const asking = source ?? own.source;
  const judge = useCallback(
    (keys: readonly StruckKey[], how: JudgeOptions) => coreWorker().judge(asking, options, part, keys, how),
    [asking, options, part],
  );
  const credit = useCallback(
    (heard: HeardRun, bpm: number | null) => coreWorker().credit(asking, options, part, heard, bpm),
    [asking, options, part],
  );
  const simulate = useCallback(
    (pupil: Pupil) => coreWorker().simulate(asking, options, part, pupil),
    [asking, options, part],
  );
  const askedMusic = useCallback(() => coreWorker().askedMusic(asking, options, part), [asking, options, part]);
  return useMemo(
    () => ({ view, trouble: trouble ?? drill.trouble, judge, credit, simulate, askedMusic }),
    [view, trouble, drill.trouble, judge, credit, simulate, askedMusic],
  );
}

/** The five fingers of a key, up and down, as a piece of its own; nothing where no key is asked for. */
function useWarmUp(
  key: string | null,
  hand: Hand | 'both',
): { readonly source: PieceSource | null; readonly trouble: Trouble | null } {
  const { wording } = useWords();
  const ask = useMemo(
    () =>
      key === null
        ? null
        : () =>
            coreWorker().drill(
              { kind: 'five-fingers', keys: [key], rhythm: 'quarters', hands: hand, wording },
              COLUMNS,
            ),
    [key, hand, wording],
  );
  const { value, trouble } = useAnswer(`${key}/${hand}`, ask);
  const source = useMemo(() => value && { musicXml: value.musicXml, ownKey: key, part: null }, [value, key]);
  return { source, trouble };
}
