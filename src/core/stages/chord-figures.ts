import { groupBy, memoLast } from '../base';
import type { Hand, HandNote, Measure, Part } from '../score';
import { barTicks, noteValue, type Ticks } from '../time';
import { feltBeat } from './felt-beat';
import { endOf, letterOf, lowestOf, strikesOf, type Strike } from './strikes';

/** A chord that is broken: its notes one after the other, over the time of a bar, half a bar or a beat. Times are counted from the beginning of the piece. */
export interface BrokenChord {
  readonly barIndex: number;
  readonly strikes: readonly Strike[];
  readonly onset: Ticks;
  readonly duration: Ticks;
}

/** A chord is broken from so many notes on; two notes are an interval of the tune,
 * unless they are an octave. */
const LEAST_NOTES = 3;
/** The letters from the lowest to the highest key of a chord that one hand strikes: an octave. Common practice. */
const MOST_LETTERS = 7;

/** The broken chords of a hand, each as long as one harmony lasts within its bar: the whole bar is tried first, then its halves, then its beats. A letter
 * is enough to tell a chord: the same figure is found in every key. */
export function brokenChords(
  notes: readonly HandNote[],
  part: Part,
  hand: Hand,
  ticksPerQuarter: number,
): readonly BrokenChord[] {
  return foundIn[hand](notes, part, ticksPerQuarter);
}

const found = (hand: Hand) => (notes: readonly HandNote[], part: Part, ticksPerQuarter: number) => {
  const byBar = groupBy(strikesOf(notes, hand), (strike) => lowestOf(strike).barIndex);
  return [...byBar].flatMap(([barIndex, strikes]): readonly BrokenChord[] => {
    const measure = part.measures[barIndex];
    return measure ? inBar(strikes, measure, ticksPerQuarter) : [];
  });
};

/** The same notes are asked about for several stages. */
const foundIn = { right: memoLast(found('right')), left: memoLast(found('left')) };

function inBar(strikes: readonly Strike[], measure: Measure, ticksPerQuarter: number): readonly BrokenChord[] {
  const start = lowestOf(strikes[0] as Strike).onset - lowestOf(strikes[0] as Strike).item.onset;
  const bar = barTicks(measure.meter, ticksPerQuarter);
  const beat = feltBeat(measure.meter, ticksPerQuarter);
  const lengths = [bar, ...((bar / beat) % 2 === 0 ? [bar / 2] : []), beat];
  return brokenIn(strikes, start - measure.lead, lengths, ticksPerQuarter);
}

function brokenIn(
  strikes: readonly Strike[],
  from: Ticks,
  lengths: readonly Ticks[],
  ticksPerQuarter: number,
): readonly BrokenChord[] {
  const [length, ...shorter] = lengths;
  if (length === undefined) return [];
  const parts = [...groupBy(strikes, ({ onset }) => Math.floor((onset - from) / length))];
  return parts.flatMap(([place, own]) => {
    const chord = asBrokenChord(own, ticksPerQuarter);
    return chord ? [chord] : brokenIn(own, from + place * length, shorter, ticksPerQuarter);
  });
}

function asBrokenChord(strikes: readonly Strike[], ticksPerQuarter: number): BrokenChord | null {
  const [first, last] = [strikes[0], strikes.at(-1)];
  if (!first || !last) return null;
  const follows = strikes.every(
    (strike, i) => strike.notes.length === 1 && (i === 0 || endOf(strikes[i - 1] as Strike) === strike.onset),
  );
  const letters = strikes.map((strike) => letterOf(lowestOf(strike)));
  const reach = Math.max(...letters) - Math.min(...letters);
  const duration = endOf(last) - first.onset;
  const { barIndex } = lowestOf(first);
  const isOneBar = strikes.every((strike) => lowestOf(strike).barIndex === barIndex);
  const isOctave =
    letters.length > 1 && letters.every((letter) => (letter - (letters[0] as number)) % MOST_LETTERS === 0);
  const isLong = letters.length >= LEAST_NOTES || isOctave;
  const isChord = isLong && reach > 0 && reach <= MOST_LETTERS && chordRoot(letters) !== null;
  if (!follows || !isOneBar || !isChord || !noteValue(duration, ticksPerQuarter)) return null;
  return { barIndex, strikes, onset: first.onset, duration };
}

/** The letter classes (C 0 … B 6) of a triad and of a seventh chord, from the root. */
const TRIAD = [0, 2, 4];
const SEVENTH = [0, 2, 4, 6];

/** The root of a chord by its letters, as a letter class; null where they are no chord. Letters that are next to each other make one only with a third letter: the
 * third between root and seventh. */
export function chordRoot(letters: readonly number[]): number | null {
  const classes = [...new Set(letters.map((letter) => ((letter % 7) + 7) % 7))];
  if (classes.length === 1) return classes[0] as number;
  const fits = (root: number, shape: readonly number[]): boolean =>
    classes.every((letter) => shape.includes((letter - root + 7) % 7));
  const lowest = ((Math.min(...letters) % 7) + 7) % 7;
  // Of several readings the one on the lowest note counts: C and E alone are a chord of C.
  const roots = [lowest, ...classes];
  const triad = roots.find((root) => fits(root, TRIAD));
  if (triad !== undefined) return triad;
  return classes.length >= 3 ? (roots.find((root) => fits(root, SEVENTH)) ?? null) : null;
}
