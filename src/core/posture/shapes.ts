/** How many letters lie between neighbouring fingers: thumb to 2, 2 to 3, 3 to 4, 4 to 5. All ones is the closed hand. */
export type Gaps = readonly [number, number, number, number];

/** A way to hold the hand over letters, wherever it is. */
export interface Shape {
  readonly gaps: Gaps;
  /** Letters from the thumb to each finger, one entry a finger. */
  readonly offsets: readonly number[];
  /** By how many letters it is wider than the closed hand. */
  readonly excess: number;
}

/** The widest gaps that a hand takes between two fingers, and all together: an octave; only struck keys that lie further apart open it by one more.
 * Source: the project's posture model, section 3. */
const WIDEST_GAPS: Gaps = [4, 3, 2, 3];
const WIDEST = 7;
const WIDEST_STRUCK = 8;

function shapeOf(gaps: Gaps): Shape {
  let at = 0;
  const offsets = [0, ...gaps.map((gap) => (at += gap))];
  return { gaps, offsets, excess: at - 4 };
}

function allShapes(): readonly Shape[] {
  const range = (most: number): readonly number[] => Array.from({ length: most }, (_, i) => i + 1);
  const [a, b, c, d] = WIDEST_GAPS.map(range) as [
    readonly number[],
    readonly number[],
    readonly number[],
    readonly number[],
  ];
  return a
    .flatMap((g12) => b.flatMap((g23) => c.flatMap((g34) => d.map((g45) => shapeOf([g12, g23, g34, g45])))))
    .filter(({ excess }) => excess + 4 <= WIDEST_STRUCK)
    .toSorted((one, other) => one.excess - other.excess);
}

/** All shapes, the narrow ones first. */
export const SHAPES = allShapes();

/** The hand over half steps: three fingers next to each other on a letter, on the same letter altered and on the next letter. */
export const SQUEEZED: readonly Shape[] = [
  [0.5, 0.5, 1, 1],
  [1, 0.5, 0.5, 1],
  [1, 1, 0.5, 0.5],
].map((gaps) => shapeOf(gaps as unknown as Gaps));

/** So many of them a hand takes over single keys and chords of up to an octave. */
export const USUAL_SHAPES = SHAPES.filter(({ excess }) => excess + 4 <= WIDEST).length;

export const FINGER_COUNT = 5;
