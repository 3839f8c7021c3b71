import type { Ticks } from './ticks';

/** A note value of print: its type and dots. */
export interface NoteValue {
  readonly type: string;
  readonly dots: number;
  readonly ticks: Ticks;
}

/** Types of MusicXML with their lengths in quarters. Source: MusicXML 4.0, `note-type-value`. */
const TYPES = [
  ['breve', 8],
  ['whole', 4],
  ['half', 2],
  ['quarter', 1],
  ['eighth', 1 / 2],
  ['16th', 1 / 4],
  ['32nd', 1 / 8],
  ['64th', 1 / 16],
  ['128th', 1 / 32],
] as const;

const known = new Map<number, readonly NoteValue[]>();

/** All values with up to two dots that are a whole number of ticks, longest first. */
function valuesFor(ticksPerQuarter: number): readonly NoteValue[] {
  const values =
    known.get(ticksPerQuarter) ??
    TYPES.flatMap(([type, quarters]) =>
      [2, 1, 0].map((dots) => ({ type, dots, ticks: quarters * ticksPerQuarter * (2 - 0.5 ** dots) })),
    )
      .filter(({ ticks }) => Number.isInteger(ticks))
      .sort((a, b) => b.ticks - a.ticks);
  known.set(ticksPerQuarter, values);
  return values;
}

/** The one value of this length; undefined where it takes several tied together. */
export function noteValue(ticks: Ticks, ticksPerQuarter: number): NoteValue | undefined {
  return valuesFor(ticksPerQuarter).find((value) => value.ticks === ticks);
}

/** The first piece of a length: up to the next beat, or from a beat on as many whole beats as one value holds. */
function towardsBeat(left: Ticks, place: Ticks, beat: Ticks, ticksPerQuarter: number): NoteValue | undefined {
  const toBeat = beat - (place % beat);
  if (toBeat < beat) return toBeat < left ? noteValue(toBeat, ticksPerQuarter) : undefined;
  return valuesFor(ticksPerQuarter).find(({ ticks }) => ticks <= left && ticks % beat === 0);
}

/** Cuts a length into values to be tied together, at the beats where it can: `at` is its place in the bar, `beat` the
 * length of a beat. What no value can hold, less than a 128th, is left out. */
export function splitLength(ticks: Ticks, at: Ticks, beat: Ticks, ticksPerQuarter: number): readonly NoteValue[] {
  const pieces: NoteValue[] = [];
  let left = ticks;
  let place = at;
  while (left > 0) {
    const whole = noteValue(left, ticksPerQuarter);
    if (whole) return [...pieces, whole];
    const first =
      towardsBeat(left, place, beat, ticksPerQuarter) ??
      valuesFor(ticksPerQuarter).find((value) => value.ticks <= left && value.dots === 0);
    if (!first) return pieces;
    pieces.push(first);
    left -= first.ticks;
    place += first.ticks;
  }
  return pieces;
}
