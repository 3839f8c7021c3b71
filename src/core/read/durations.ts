import { lcm } from '../time';

/** A decimal of MusicXML as a fraction of whole numbers; null where it is none or not above zero. */
export interface Fraction {
  readonly over: number;
  readonly under: number;
}

/** Reads `6`, `0.5`. Errors: null. */
export function parseFraction(text: string): Fraction | null {
  const match = /^\+?(\d{1,9})(?:\.(\d{1,6}))?$/.exec(text.trim());
  if (!match) return null;
  const decimals = (match[2] ?? '').replace(/0+$/, '');
  const under = 10 ** decimals.length;
  const over = Number(match[1]) * under + Number(decimals === '' ? 0 : decimals);
  return over > 0 ? { over, under } : null;
}

/** The ticks in a quarter note that make every duration a whole number, from all divisions and all fractions of
 * durations in the file. Null where they have no common measure below a hundred million. */
export function commonTicks(divisions: readonly Fraction[], durationUnders: readonly number[]): number | null {
  const under = durationUnders.reduce(lcm, 1);
  // A division of a/b per quarter means that one unit is b/a of a quarter: a ticks are needed, times the finest fraction.
  const ticks = divisions.map((value) => value.over).reduce(lcm, 1) * under;
  return ticks <= 1e8 ? ticks : null;
}

/** A duration in ticks: `value` units, of which `divisions` make a quarter. */
export function ticksOf(value: Fraction, divisions: Fraction, ticksPerQuarter: number): number {
  return (ticksPerQuarter * value.over * divisions.under) / (value.under * divisions.over);
}
