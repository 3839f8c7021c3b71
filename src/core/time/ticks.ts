/** A length or place in exact integer ticks. How many make a quarter note is the score's `ticksPerQuarter`,
 * chosen on reading so that every duration in the file is a whole number. */
export type Ticks = number;

/** A time signature: 3/4 is three beats of a quarter. Additive ones (3+2/8) are summed. */
export interface Meter {
  readonly beats: number;
  readonly beatType: number;
}

/** The full length of a bar. */
export function barTicks(meter: Meter, ticksPerQuarter: number): Ticks {
  return (meter.beats * 4 * ticksPerQuarter) / meter.beatType;
}

/** The length of one beat, the signature's lower number. */
export function beatTicks(meter: Meter, ticksPerQuarter: number): Ticks {
  return (4 * ticksPerQuarter) / meter.beatType;
}

/** The place of a tick as a beat, from 1. `lead` is how much of the bar is missing in front (a pick-up). */
export function beatAt(onset: Ticks, lead: Ticks, meter: Meter, ticksPerQuarter: number): number {
  return 1 + (onset + lead) / beatTicks(meter, ticksPerQuarter);
}

export function gcd(a: number, b: number): number {
  return b === 0 ? Math.abs(a) : gcd(b, a % b);
}

export function lcm(a: number, b: number): number {
  return (a / gcd(a, b)) * b;
}
