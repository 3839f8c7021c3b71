import { drawnKeys, HAND_SHAPE, handShape, isBlackKey, keyCentreMm } from '@/core/keyboard';
import type { Finger, Hand } from '@/core/score';
import type { SheetKey } from '@/core/sheets';
import { box, line, type PageMark } from './page';
import { words, type Setting } from './piece';

/** The hand glyph, so high. Unit: points. */
export function glyphMarks(hand: Hand, onBlack: readonly Finger[], height: number): readonly PageMark[] {
  const scale = height / HAND_SHAPE.height;
  // Small ones have finer lines, so that an open stroke stays open.
  const ink = height < 15 ? 0.35 : 0.6;
  const strokes = handShape(hand, onBlack).map((stroke) =>
    box([stroke.x * scale, stroke.y * scale, stroke.width * scale, stroke.height * scale], {
      round: (stroke.width * scale) / 2,
      fill: stroke.isOnBlack ? 'black' : 'none',
      stroke: ink,
    }),
  );
  const base = HAND_SHAPE.base * scale;
  return [...strokes, line([0, base, HAND_SHAPE.width * scale, base], ink)];
}

export function glyphWidth(height: number): number {
  return (height * HAND_SHAPE.width) / HAND_SHAPE.height;
}

/** How far the keys of a picture go beyond the fingers, at each side. */
const KEYS_BESIDE = 2;
/** So much of the front of the keys is drawn. Unit: mm. */
const KEYS_FROM_MM = 48;

/** Keys with fingers on them, no wider and no higher than the room. Marks from the upper left corner; `width` is what they take. */
export function keyboardMarks(
  setting: Setting,
  keys: readonly SheetKey[],
  room: readonly [width: number, height: number],
): { readonly marks: readonly PageMark[]; readonly width: number } {
  const midis = keys.map(({ midi }) => midi);
  const drawn = drawnKeys(whiteAt(Math.min(...midis) - KEYS_BESIDE, -1), whiteAt(Math.max(...midis) + KEYS_BESIDE, 1));
  const left = Math.min(...drawn.map(({ leftMm }) => leftMm));
  const right = Math.max(...drawn.map(({ leftMm, widthMm }) => leftMm + widthMm));
  const deep = Math.max(...drawn.map(({ lengthMm }) => lengthMm)) - KEYS_FROM_MM;
  const scale = Math.min(room[0] / (right - left), room[1] / deep);
  const shapes = drawn.map(({ isBlack, leftMm, widthMm, lengthMm }) =>
    box([(leftMm - left) * scale, 0, widthMm * scale, (lengthMm - KEYS_FROM_MM) * scale], {
      fill: isBlack ? 'black' : 'white',
      stroke: 0.5,
    }),
  );
  const size = Math.min(15 * scale + 3, 11);
  const tips = keys.map(({ midi, finger }) => {
    const isBlack = isBlackKey(midi);
    const at = [(keyCentreMm(midi) - left) * scale, (isBlack ? 33 : deep - 14) * scale] as const;
    return words(setting, String(finger), [at[0], at[1] + size * 0.35], {
      size,
      weight: 'bold',
      anchor: 'middle',
      ink: isBlack ? 'white' : 'black',
    });
  });
  return { marks: [...shapes, ...tips], width: (right - left) * scale };
}

function whiteAt(midi: number, way: -1 | 1): number {
  return isBlackKey(midi) ? midi + way : midi;
}
