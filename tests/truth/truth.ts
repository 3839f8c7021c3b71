import type { Player } from '@/core/fingering';
import type { Hand } from '@/core/score';

/** Fingers that a teacher would write, written down before the planner was asked. Nothing here is taken from the program, and nothing is changed because
 * the program thinks otherwise: what it thinks otherwise is counted. */
export interface Truth {
  /** What it is, as a teacher would call it. */
  readonly what: string;
  readonly hand: Hand;
  /** The notes in C major or A minor as `handLine` reads them, with fingers where the piece has them printed. */
  readonly line: string;
  /** The tonics in which it is asked for. */
  readonly tonics: readonly string[];
  /** One word a moment, low notes first; `a/b` where either is written. */
  readonly fingers: string;
  /** Tonics in which a teacher writes something else. */
  readonly but?: Readonly<Record<string, string>>;
  readonly player?: Partial<Player>;
  readonly source: Source;
}

/** Where it is known from. All are written down from memory. */
export type Source = 'common practice' | 'handbook' | 'Hanon 1873, no. 39' | 'Hanon 1873, no. 41';

export const TWELVE = ['C', 'G', 'D', 'A', 'E', 'B', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F'];

/** The same fingers there and back, the top note once. */
export function thereAndBack(up: string): string {
  const words = up.split(' ');
  return [...words, ...words.slice(0, -1).toReversed()].join(' ');
}
