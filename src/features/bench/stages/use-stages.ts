'use client';

import { useMemo, useState } from 'react';
import type { StageView, StagesView } from '@/core/views';
import type { Desk } from '@/data';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { useSame } from '@/features/shared/parts/use-same';
import { stagesKeptOf, stageSourceOf, stageSources } from '@/features/shared/pieces/stage-source';
import { coreWorker } from '@/workers/client';
import type { BenchOptions, PieceSource, StageSource } from '@/contract/piece-asked';
import type { BenchFor } from '../bench-for';

/** The stages of the piece on the Bench, and the one that is shown. */
export interface StagesAnswers {
  /** Null while nobody wants to see them, and until they are known. */
  readonly view: StagesView | null;
  /** The stage that is shown; null for the whole piece, and for a stage that there is not in this key. */
  readonly chosen: StageView | null;
  readonly isMissing: boolean;
}

/** Whether the rail is seen: once it was opened, and wherever a stage is shown. */
export function railIsSeen({ rail }: Pick<Desk, 'rail'>, shown: string | null): boolean {
  return rail === 'open' || shown !== null;
}

/** Asks for the stages once the rail was opened or one of them is shown. */
function useStages(
  { piece, settings, pupil, desk }: BenchFor,
  { source, options, id }: { readonly source: PieceSource; readonly options: BenchOptions; readonly id: string | null },
): StagesAnswers {
  const kept = useSame(stagesKeptOf(piece, pupil, settings));
  const isSeen = railIsSeen(desk, id);
  // The panel beside the paper goes on showing them when the rail is folded away.
  const [isWanted, want] = useState(isSeen);
  if (isSeen && !isWanted) want(true);
  const ask = useMemo(
    () => (isWanted ? () => coreWorker().stages(source, options, kept) : null),
    [isWanted, source, options, kept],
  );
  const { value } = useAnswer(piece.id, ask);
  return useMemo(() => {
    const all = value ? [...value.stages, ...value.others, ...value.left] : [];
    const chosen = all.find((stage) => stage.id === id) ?? null;
    return { view: value, chosen, isMissing: value !== null && id !== null && chosen === null };
  }, [value, id]);
}

/** What is asked about: the whole piece, or the stage that the address names. */
interface Staged {
  readonly whole: PieceSource;
  readonly inStage: PieceSource;
  /** What is shown: the stage, or the whole piece where what is left out is to be seen. */
  readonly source: PieceSource;
  readonly sourceOf: (stage: StageSource | null) => PieceSource;
  readonly stages: StagesAnswers;
  readonly faint: readonly string[];
}

const NONE: readonly string[] = [];

export function useStaged(whom: BenchFor, options: BenchOptions, id: string | null): Staged {
  const { piece, pupil, desk } = whom;
  const { musicXml, ownKey } = piece;
  const part = piece.part ?? null;
  const whole = useMemo(() => ({ musicXml, ownKey, part }), [musicXml, ownKey, part]);
  const sourceOf = useMemo(() => stageSources(whole), [whole]);
  const stage = useSame(stageSourceOf(piece, pupil, id));
  const inStage = sourceOf(stage);
  const stages = useStages(whom, { source: whole, options, id });
  const leftOut = desk.leftOut === 'faint' && stage !== null ? (stages.chosen?.leftOut ?? null) : null;
  const source = leftOut === null ? inStage : whole;
  return { whole, inStage, source, sourceOf, stages, faint: leftOut ?? NONE };
}

/** The entry of the rail for a stage: a landing on long notes goes with the landing itself. */
export function railEntry(view: StagesView, id: string | null): StageView | undefined {
  return view.stages.find((stage) => stage.id === (id ?? 'whole') || (id !== null && stage.pair === id));
}
