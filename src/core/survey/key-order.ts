import { hasMinorThird, nameText, pitchClass, sameKey, signatureOf, signaturesAround, type Key } from '../pitch';

/** In which order keys are taught. `shape`: by the black and white shape of the tonic triad. */
export const KEY_ORDERS = ['ease', 'fifths', 'shape'] as const;
export type KeyOrder = (typeof KEY_ORDERS)[number];

/** Tonics in the order of their triads' shapes, as semitones above C. Source: handbook, where teachers disagree
 * (major C F G / D A E / D♭ A♭ E♭ / G♭ / B♭ / B; minor A D E / C F G / C♯ F♯ G♯ / E♭ / B♭ / B), common practice.
 * Checked by: survey.test.ts (each list holds all twelve keys once). */
const SHAPE_ORDER = {
  major: [0, 5, 7, 2, 9, 4, 1, 8, 3, 6, 10, 11],
  minor: [9, 2, 4, 0, 5, 7, 1, 6, 8, 3, 10, 11],
} as const;

/** The place of a key in an order; `effort` counts for `ease`. Lower comes first. Of keys of equal effort the one with
 * fewer signs comes first (D♭ before C♯), then the one nearer to the piece's own on the circle of fifths; before all of them the piece's own. */
export function placeInOrder(order: KeyOrder, key: Key, own: Key, effort: number): readonly [number, number] {
  const widening = signaturesAround(signatureOf(own)).indexOf(signatureOf(key));
  switch (order) {
    case 'ease':
      return [effort, sameKey(key, own) ? -1 : 15 * Math.abs(signatureOf(key)) + widening];
    case 'fifths':
      return [widening, 0];
    case 'shape': {
      const shapes: readonly number[] = SHAPE_ORDER[hasMinorThird(key.mode) ? 'minor' : 'major'];
      // Of two spellings of one triad the one with fewer signs, and of F♯ and G♭ the flat one, as the list has it.
      return [shapes.indexOf(pitchClass(key.tonic)), Math.abs(signatureOf(key)) + (signatureOf(key) > 0 ? 0.5 : 0)];
    }
  }
}

/** What a key needs in order to be put into an order. */
export interface Rankable {
  readonly key: Key;
  readonly effort: number;
  readonly isLeftOut: boolean;
}

/** Puts keys into an order, best first; those that are left out for now come after the others in every order. */
export function inOrder<T extends Rankable>(keys: readonly T[], order: KeyOrder, own: Key): readonly T[] {
  return keys.toSorted((a, b) => {
    const [left, right] = [placeInOrder(order, a.key, own, a.effort), placeInOrder(order, b.key, own, b.effort)];
    return Number(a.isLeftOut) - Number(b.isLeftOut) || left[0] - right[0] || left[1] - right[1];
  });
}

/** Puts keys into the teacher's own order, which names tonics; keys that it does not name follow by ease. Keys that are left out come last all the same. */
export function inOwnOrder<T extends Rankable>(keys: readonly T[], tonics: readonly string[], own: Key): readonly T[] {
  const place = ({ key }: T): number => {
    const at = tonics.indexOf(nameText(key.tonic));
    return at < 0 ? tonics.length : at;
  };
  return inOrder(keys, 'ease', own).toSorted(
    (a, b) => Number(a.isLeftOut) - Number(b.isLeftOut) || place(a) - place(b),
  );
}
