import type { Fault, Result } from '../base';
import {
  fifthsOf,
  fromCoordinates,
  nameAtFifths,
  outOfRange,
  toCoordinates,
  type Coordinates,
  type Pitch,
  type PitchName,
} from './pitch';

/** A spelled interval as a vector: `fifths` on the line of fifths and `octaves` left over.
 * A perfect fifth up is (1, 0), an octave (0, 1), a major second (2, -1). */
export type Interval = Coordinates;

export const UNISON: Interval = { fifths: 0, octaves: 0 };

/** The widest interval that is moved by: four octaves. Unit: semitones. */
const WIDEST_SEMITONES = 48;

/** Signed number of letters an interval spans: a second up is 1, a fourth down -3. */
export function intervalSteps(interval: Interval): number {
  return 4 * interval.fifths + 7 * interval.octaves;
}

/** Signed number of semitones. */
export function intervalSemitones(interval: Interval): number {
  return 7 * interval.fifths + 12 * interval.octaves;
}

export function addIntervals(a: Interval, b: Interval): Interval {
  return { fifths: a.fifths + b.fifths, octaves: a.octaves + b.octaves };
}

export function negateInterval(interval: Interval): Interval {
  // Adding zero turns -0, which is not equal to 0 in tests and stored records, into 0.
  return { fifths: -interval.fifths + 0, octaves: -interval.octaves + 0 };
}

export function intervalBetween(from: Pitch, to: Pitch): Interval {
  return addIntervals(toCoordinates(to), negateInterval(toCoordinates(from)));
}

/** Moves a pitch by an interval, keeping the spelling: B♭4 up a major second is C5.
 * Errors: `pitch.out-of-range` beyond triple signs or four octaves.
 * @example transposeBy(C4, { fifths: 2, octaves: -1 }) //=> ok D4 */
export function transposeBy(pitch: Pitch, interval: Interval): Result<Pitch, Fault> {
  if (Math.abs(intervalSemitones(interval)) > WIDEST_SEMITONES) {
    return outOfRange('semitones', intervalSemitones(interval));
  }
  return fromCoordinates(addIntervals(toCoordinates(pitch), interval));
}

/** Moves a pitch name by an interval; octaves do not matter. */
export function transposeName(name: PitchName, interval: Interval): Result<PitchName, Fault> {
  return nameAtFifths(fifthsOf(name) + interval.fifths);
}

const PERFECT_SIZES: readonly number[] = [0, 3, 4];

/** Place on the line of fifths of the major or perfect interval of each size, unison to seventh. */
const PLAIN_FIFTHS = [0, 2, 4, -1, 1, 3, 5] as const;

/** The name of an interval: `M2`, `P4`, `A1`, downward with a minus: `-P4`. Compound sizes count on: `P8`, `M9`.
 * @example intervalName({ fifths: 2, octaves: -1 }) //=> 'M2' */
export function intervalName(interval: Interval): string {
  const steps = intervalSteps(interval);
  const semitones = intervalSemitones(interval);
  const downward = steps < 0 || (steps === 0 && semitones < 0);
  const up = downward ? negateInterval(interval) : interval;
  const size = Math.abs(steps);
  const simple = size % 7;
  const distance = (up.fifths - (PLAIN_FIFTHS[simple] as number)) / 7;
  return `${downward ? '-' : ''}${quality(simple, distance)}${size + 1}`;
}

/** `distance` counts chromatic semitones away from the major or perfect interval. */
function quality(simpleSize: number, distance: number): string {
  if (PERFECT_SIZES.includes(simpleSize)) {
    return distance === 0 ? 'P' : (distance > 0 ? 'A' : 'd').repeat(Math.abs(distance));
  }
  if (distance === 0) return 'M';
  if (distance === -1) return 'm';
  return distance > 0 ? 'A'.repeat(distance) : 'd'.repeat(-distance - 1);
}

/** Builds an interval from its letters and semitones: (1, 2) is a major second.
 * Both are signed. The pair decides the spelling. */
export function intervalOf(steps: number, semitones: number): Interval {
  return { fifths: 7 * semitones - 12 * steps, octaves: 7 * steps - 4 * semitones };
}
