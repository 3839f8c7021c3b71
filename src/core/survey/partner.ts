import { intervalOf, signatureOf, transposeName, type Key } from '../pitch';

/** How an instrument is written: so much above what sounds. Source: common practice of transposing instruments, from memory.
 * Checked by: partner.test.ts (what a B♭ clarinet reads for C major is D major). */
export const PARTNERS = {
  concert: { steps: 0, semitones: 0 },
  'b-flat': { steps: 1, semitones: 2 },
  'e-flat': { steps: 5, semitones: 9 },
  f: { steps: 4, semitones: 7 },
  a: { steps: 2, semitones: 3 },
} as const;
export type Partner = keyof typeof PARTNERS;
export const PARTNER_NAMES = Object.keys(PARTNERS) as readonly Partner[];

/** The key in which a partner's part is written. It may need more signs than print has. */
export function partnersKey(key: Key, partner: Partner): Key {
  const { steps, semitones } = PARTNERS[partner];
  const tonic = transposeName(key.tonic, intervalOf(steps, semitones));
  return tonic.ok ? { tonic: tonic.value, mode: key.mode } : key;
}

/** Lowest and highest sounding key, as MIDI numbers. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/** By how many half steps a range goes beyond a comfortable one; both 0 where it fits. */
export interface RangeFit {
  readonly below: number;
  readonly above: number;
}

export function fitRange(range: Range, comfortable: Range): RangeFit {
  return { below: Math.max(0, comfortable.low - range.low), above: Math.max(0, range.high - comfortable.high) };
}

/** Whether a part in this key can be printed: at most seven signs. */
export function isReadable(key: Key): boolean {
  return Math.abs(signatureOf(key)) <= 7;
}
