import { groupBy, memoOf } from '../base';
import { diatonicNumber } from '../pitch';
import { struckNotes, type Hand, type HandNote } from '../score';
import type { Ticks } from '../time';

/** What one hand strikes at one time, lowest first. */
export interface Strike {
  readonly onset: Ticks;
  readonly notes: readonly HandNote[];
}

/** What a hand strikes, in order of time; ties are added up, grace notes left out. */
export function strikesOf(notes: readonly HandNote[], hand: Hand): readonly Strike[] {
  return strikesOfHands(notes)[hand];
}

/** The same notes are asked about again and again while stages are looked for. */
const strikesOfHands = memoOf((notes: readonly HandNote[]): Readonly<Record<Hand, readonly Strike[]>> => {
  const struck = struckNotes(notes).filter(({ isGrace }) => !isGrace);
  const ofHand = (hand: Hand): readonly Strike[] =>
    [
      ...groupBy(
        struck.filter((note) => note.hand === hand),
        ({ onset }) => onset,
      ),
    ].map(([onset, own]) => ({
      onset,
      notes: own,
    }));
  return { right: ofHand('right'), left: ofHand('left') };
});

/** What both hands strike together. */
export interface Together {
  readonly right: Strike;
  readonly left: Strike;
}

/** The moments at which both hands strike. */
export function struckTogether(notes: readonly HandNote[]): readonly Together[] {
  const left = new Map(strikesOf(notes, 'left').map((strike) => [strike.onset, strike]));
  return strikesOf(notes, 'right').flatMap((right) => {
    const other = left.get(right.onset);
    return other ? [{ right, left: other }] : [];
  });
}

/** When the last of it ends. */
export function endOf({ notes }: Strike): Ticks {
  return Math.max(...notes.map(({ onset, duration }) => onset + duration));
}

/** The letter of a note, counted from C0. */
export function letterOf({ pitch }: HandNote): number {
  return diatonicNumber(pitch);
}

export function lowestOf({ notes }: Strike): HandNote {
  return notes[0] as HandNote;
}
