import type { Hand } from '../score';

/** What a practice step is. Source: handbook, section 7 (common practice); `own` is the teacher's. */
export const STEP_KINDS = [
  'warm-up',
  'tapping',
  'landing',
  'hand-alone',
  'fingers',
  'saying',
  'singing',
  'counting',
  'slow',
  'echo',
  'pulse',
  'memory',
  'own',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** How a step is played: along with a count-in, each moment waited for, freely, as an answer by ear. `tick`: nobody can hear it, the pupil ticks it. */
export const STEP_WAYS = ['along', 'wait', 'free', 'echo', 'tick'] as const;
export type StepWay = (typeof STEP_WAYS)[number];

/** When a step may be begun: once the one before it is done, or at any time. */
export const STEP_OPENINGS = ['in-order', 'any-time'] as const;
export type StepOpening = (typeof STEP_OPENINGS)[number];

/** One thing that a pupil does at home with a piece. */
export interface PracticeStep {
  readonly id: string;
  readonly kind: StepKind;
  /** What the teacher says about it; empty where the words of its kind are enough. */
  readonly words: string;
  readonly hand: Hand | 'both';
  /** As indexes; null for all. */
  readonly bars: { readonly from: number; readonly to: number } | null;
  /** The stage of the piece by its id; null for the whole. */
  readonly stage: string | null;
  /** As `D-major`; null for the key that the list of steps is for. */
  readonly key: string | null;
  /** In per cent of what is written. */
  readonly tempo: number;
  readonly way: StepWay;
  /** So often in a row it is to be clean; what is ticked is ticked once. */
  readonly times: number;
  readonly opens: StepOpening;
}

/** So often in a row a step is to be clean, where nothing else is said. Common practice. */
export const CLEAN_IN_A_ROW = 3;

/** Tempos of steps: how carefully a thing that is new is played, and how the whole is played at last. Our own choice; unit: per cent of what is written. */
export const STEP_TEMPO = { landing: 50, slow: 60, pulse: 80 } as const;
