import type { Passage, Player } from '../fingering';
import type { Stage } from './stages';

/** What the steps of a passage depend on beside its moments. */
export interface StepSetting {
  readonly passage: Passage;
  readonly player: Player;
}

/** What a step depends on in a key. */
export interface StepKeys {
  /** Whether both moments lie in a run, and whether in one of half steps, where the hand goes as it is written. */
  readonly isRun: boolean;
  readonly isFree: boolean;
  /** Whether the keys of two single notes are black; of chords nothing hangs on it. `least`: as it costs the least in any key. */
  readonly black: readonly [boolean, boolean] | 'least';
}

/** The keys of two moments. `runs` are 1 in a run, 2 in one of half steps. */
export function keysAt(
  stages: readonly [Stage, Stage],
  black: Uint8Array,
  [first, second]: readonly [number, number],
): StepKeys {
  const isLine = stages.every(({ notes }) => notes.length === 1);
  const isBlack = ({ notes }: Stage): boolean => isLine && black[notes[0] as number] === 1;
  return {
    isRun: first !== 0 && second !== 0,
    isFree: first === 2 && second === 2,
    black: [isBlack(stages[0]), isBlack(stages[1])],
  };
}

export function nameOfKeys({ isRun, isFree, black }: StepKeys): string {
  return `${isFree ? '!' : isRun ? '~' : '.'}${black === 'least' ? black : black.map(Number).join('')}`;
}
