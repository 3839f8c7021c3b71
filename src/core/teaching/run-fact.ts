import type { StepWay } from '../homework';
import type { PlayFaultKind } from '../practice';
import type { Hand } from '../score';

/** What is known of one run when many are looked at together: everything but what was played. */
export interface RunFact {
  readonly id: string;
  readonly atMs: number;
  readonly tookMs: number;
  readonly piece: string;
  readonly title: string;
  /** As `D-major`. */
  readonly key: string;
  readonly music: 'piece' | 'warm-up';
  readonly stage: string | null;
  /** All bars of it, or some. */
  readonly reach: 'whole' | 'bars';
  readonly hand: Hand | 'both';
  readonly way: StepWay;
  /** In per cent of what is written. */
  readonly tempo: number;
  readonly outcome: 'clean' | 'unclean' | 'ticked';
  readonly step: string | null;
  readonly faults: readonly RunFault[];
}

/** What went wrong: bar as printed, the hand null where both are concerned or it is not known. */
export interface RunFault {
  readonly kind: PlayFaultKind;
  readonly bar: string;
  readonly hand: Hand | null;
}

/** A run from the first to the last note of a piece, in time. */
export function isPlayThrough({ music, stage, reach, way, hand }: RunFact): boolean {
  return (
    music === 'piece' && stage === null && reach === 'whole' && hand === 'both' && (way === 'along' || way === 'free')
  );
}

/** The runs in the order in which they were played. */
export function inTime(runs: readonly RunFact[]): readonly RunFact[] {
  return runs.toSorted((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
}
