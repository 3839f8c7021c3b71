import type { AskedMusic, StruckKey } from '../asked';
import type { Hand } from '../score';
import type { Alignment } from './alignment';
import type { Judgement } from './judgement';
import { spreadOf } from './statistics';

/** How evenly each hand was heard, and how much louder the right is than the left. Unit: MIDI velocities. */
export function evennessOf(music: AskedMusic, keys: readonly StruckKey[], { fates }: Alignment): Judgement['evenness'] {
  const of = (hand: Hand): readonly number[] =>
    fates.flatMap(({ note }, i) =>
      note !== null && music.notes[note]?.hand === hand ? [(keys[i] as StruckKey).velocity] : [],
    );
  const [right, left] = [of('right'), of('left')];
  return {
    loudness: { right: right.length < 2 ? null : spreadOf(right), left: left.length < 2 ? null : spreadOf(left) },
    balance: right.length === 0 || left.length === 0 ? null : meanOf(right) - meanOf(left),
  };
}

function meanOf(numbers: readonly number[]): number {
  return numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
}
