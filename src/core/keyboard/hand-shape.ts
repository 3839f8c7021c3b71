/** Heights of the five strokes of the hand glyph, thumb first, in glyph units. Our own drawing of a hand's outline. */
const LENGTHS = [25, 36, 41, 37, 26] as const;
const STROKE = 7;
const GAP = 10;
const LIFT = 6;
const BASE = 50;

/** The box of the glyph, and where its base line is. Unit: of the glyph. */
export const HAND_SHAPE = { width: 54, height: 56, base: BASE + 4 } as const;

/** A stroke of the glyph: an upright bar with round ends. Unit: of the glyph. */
export interface FingerStrokeShape {
  readonly finger: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isOnBlack: boolean;
}

/** The five fingers of a hand from left to right, raised and dark where one is on a black key. */
export function handShape(hand: 'right' | 'left', onBlack: readonly number[]): readonly FingerStrokeShape[] {
  const fingers = hand === 'right' ? [1, 2, 3, 4, 5] : [5, 4, 3, 2, 1];
  return fingers.map((finger, i) => {
    const height = LENGTHS[finger - 1] as number;
    const isOnBlack = onBlack.includes(finger);
    return { finger, x: 3 + i * GAP, y: BASE - height - (isOnBlack ? LIFT : 0), width: STROKE, height, isOnBlack };
  });
}
