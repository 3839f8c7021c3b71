import type { PossibleStroke } from './possible';

/** Half steps from a key to its overtones, as far as they are loud. */
const OVERTONES = [12, 19, 24, 28, 31, 34, 36] as const;
/** What is struck within so much is struck together; a note rings so long. Unit: ms. */
const TOGETHER_MS = 130;
const RINGS_MS = 2500;

/** What a stroke may be instead of a stroke: an overtone of what is struck with it, or of what sounds already; the common ground of keys struck with it. */
export type Kin = 'none' | 'overtone' | 'rings' | 'ground';

export function kinOf({ midi, atMs }: PossibleStroke, others: readonly PossibleStroke[]): Kin {
  const isAbove = (high: number, low: number): boolean => OVERTONES.some((steps) => high - low === steps);
  const withIt = others.filter((one) => Math.abs(one.atMs - atMs) < TOGETHER_MS);
  if (withIt.some((one) => isAbove(midi, one.midi))) return 'overtone';
  if (withIt.filter((one) => isAbove(one.midi, midi)).length >= 2) return 'ground';
  const rings = others.some((one) => atMs > one.atMs && atMs - one.atMs < RINGS_MS && isAbove(midi, one.midi));
  return rings ? 'rings' : 'none';
}
