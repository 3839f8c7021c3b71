import type { Finger, Hand } from '../score';

/** How a hand lies in one key of a piece. */
export interface FitHand {
  readonly hand: Hand;
  /** How often it moves; 0 where it stays put. */
  readonly moves: number;
  /** Names of its positions, each once, in order of their first use: `D`, `B♭`. */
  readonly positions: readonly string[];
  readonly onBlack: readonly Finger[];
  /** By how many letters it opens beyond five at the widest. */
  readonly opens: number;
}

/** A piece in one key, as far as the shelf is asked about it. */
export interface FitKey {
  /** As `D-major`. */
  readonly key: string;
  readonly hands: readonly FitHand[];
  /** How many limits of the pupil's level and reach the best fingers break. */
  readonly limits: number;
}

/** A piece in all fifteen keys of its mode; `own` is the key in which it stands. */
export interface PieceFit {
  readonly piece: string;
  readonly title: string;
  readonly own: string;
  readonly keys: readonly FitKey[];
}

/** What is asked of the shelf, in plain words one line each. */
export type FitFilter =
  | { readonly kind: 'stays-put' }
  | { readonly kind: 'no-black' }
  | { readonly kind: 'finger-on-black'; readonly finger: Finger }
  | { readonly kind: 'opens' }
  | { readonly kind: 'in-position'; readonly name: string }
  | { readonly kind: 'playable' };

/** In which keys: the piece's own where none is named; else tonics (`D`, `Bb`), of which every one must do, or one is enough. */
export interface FitQuestion {
  readonly tonics: readonly string[];
  readonly enough: 'every' | 'one';
  readonly filters: readonly FitFilter[];
}

/** A piece that fits, and the keys in which it does. */
export interface Fitting {
  readonly piece: string;
  readonly title: string;
  readonly keys: readonly FitKey[];
}

/** Whether a piece in a key is what a filter asks for. */
export function isFit({ hands, limits }: FitKey, filter: FitFilter): boolean {
  switch (filter.kind) {
    case 'stays-put':
      return hands.every(({ moves }) => moves === 0);
    case 'no-black':
      return hands.every(({ onBlack }) => onBlack.length === 0);
    case 'finger-on-black':
      return hands.some(({ onBlack }) => onBlack.includes(filter.finger));
    case 'opens':
      return hands.some(({ opens }) => opens >= 1);
    case 'in-position':
      return hands.some(({ positions }) => positions.includes(filter.name));
    case 'playable':
      return limits === 0;
  }
}

/** Asks all pieces at once. A piece without hands (nothing is fingered in it) never fits. */
export function askShelf(pieces: readonly PieceFit[], { tonics, enough, filters }: FitQuestion): readonly Fitting[] {
  return pieces.flatMap(({ piece, title, own, keys }) => {
    const asked =
      tonics.length === 0
        ? keys.filter(({ key }) => key === own)
        : keys.filter(({ key }) => tonics.includes(key.split('-')[0] as string));
    const found = asked.filter((key) => key.hands.length > 0 && filters.every((filter) => isFit(key, filter)));
    const isFound = tonics.length === 0 || enough === 'one' ? found.length > 0 : found.length === tonics.length;
    return isFound ? [{ piece, title, keys: found }] : [];
  });
}

/** How many pieces would be left with each of these filters added. */
export function countEach(
  pieces: readonly PieceFit[],
  question: FitQuestion,
  added: readonly FitFilter[],
): readonly number[] {
  return added.map((filter) => askShelf(pieces, { ...question, filters: [...question.filters, filter] }).length);
}
