import { MAJOR_PROFILE, MINOR_PROFILE } from './key-profile.table';

/** A key by its sound alone: the semitone of its tonic, 0..11, and its mode, with how well it fits, -1..1. */
export interface SoundingKey {
  readonly tonic: number;
  readonly mode: 'major' | 'minor';
  readonly fit: number;
}

/** Ranks the twenty-four keys by how the weights of the twelve semitones agree with each key's profile, best first.
 * `weights` has one entry a semitone from C; its unit does not matter. Method: correlation, Krumhansl 1990, from memory. */
export function rankKeys(weights: readonly number[]): readonly SoundingKey[] {
  return Array.from({ length: 12 }, (_, tonic) => tonic)
    .flatMap((tonic): readonly SoundingKey[] => [
      { tonic, mode: 'major', fit: profileFit(weights, tonic, 'major') },
      { tonic, mode: 'minor', fit: profileFit(weights, tonic, 'minor') },
    ])
    .sort((a, b) => b.fit - a.fit);
}

/** How well the weights of the twelve semitones fit one key, -1..1. */
export function profileFit(weights: readonly number[], tonic: number, mode: 'major' | 'minor'): number {
  const turned = weights.map((_, i) => weights[(i + tonic) % 12] as number);
  return correlation(turned, mode === 'major' ? MAJOR_PROFILE : MINOR_PROFILE);
}

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [meanA, meanB] = [mean(a), mean(b)];
  const dot = (f: (i: number) => number): number => a.reduce((sum, _, i) => sum + f(i), 0);
  const da = (i: number): number => (a[i] as number) - meanA;
  const db = (i: number): number => (b[i] as number) - meanB;
  const size = Math.sqrt(dot((i) => da(i) ** 2) * dot((i) => db(i) ** 2));
  return size === 0 ? 0 : dot((i) => da(i) * db(i)) / size;
}
