import type { Language } from '../explain';
import { proposeSteps, type PracticeStep } from '../homework';
import { keyText, parseKey } from '../pitch';
import { subjectOf } from '../stages';
import type { PractisedPiece } from './practice-view';

/** A practice step in words. */
export interface StepView {
  readonly step: PracticeStep;
  readonly title: string;
  /** What is to be done; the teacher's own words where there are some. */
  readonly told: string;
}

/** The steps of a piece in a key. */
export interface StepsView {
  /** The title, the key in words and as `D-major`. */
  readonly title: string;
  readonly key: string;
  readonly keyText: string;
  readonly steps: readonly StepView[];
  /** What steps can be made of: the bars by their printed numbers. */
  readonly bars: readonly string[];
}

/** What the teacher made of the steps of a piece, null where nothing, and what the teacher's own stages are called. */
export interface StepsKept {
  readonly kept: readonly PracticeStep[] | null;
  readonly ownStages: readonly { readonly id: string; readonly title: string }[];
}

/** The steps of a piece where it was moved to: the teacher's, or those that are proposed. */
export function stepsView(says: Language, { piece, after }: PractisedPiece, { kept, ownStages }: StepsKept): StepsView {
  const bars = piece.part.measures.map(({ number }) => number);
  const titleOf = (id: string): string | undefined => ownStages.find((own) => own.id === id)?.title;
  const steps = kept ?? proposeSteps(subjectOf(piece, after));
  return {
    title: piece.score.title,
    key: says.key(after.key),
    keyText: keyText(after.key),
    bars,
    steps: steps.map((step): StepView => {
      const key = (step.key === null ? null : parseKey(step.key, after.key.mode)) ?? after.key;
      const facts = {
        step,
        key: says.key(key),
        bars: step.bars === null ? [] : bars.slice(step.bars.from, step.bars.to + 1),
        stage: step.stage === null ? null : (titleOf(step.stage) ?? says.stageIdTitle(step.stage)),
      };
      return { step, title: says.stepTitle(facts), told: step.words || says.stepTold(facts) };
    }),
  };
}
