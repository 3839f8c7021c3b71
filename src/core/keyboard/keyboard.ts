import {
  BLACK_KEY_LENGTH_MM,
  BLACK_KEY_WIDTH_MM,
  KEY_CENTRES_MM,
  KEYBOARD_RANGES,
  OCTAVE_MM,
  WHITE_KEY_LENGTH_MM,
  WHITE_KEY_MM,
  type KeyboardSize,
} from './key-geometry.table';

const BLACK_CLASSES: readonly number[] = [1, 3, 6, 8, 10];

/** Whether a key of the keyboard is black. C♭ and E♯ are white: only the key counts, not the spelling. */
export function isBlackKey(midi: number): boolean {
  return BLACK_CLASSES.includes(((midi % 12) + 12) % 12);
}

/** Whether a keyboard of this size has this key. */
export function isOnKeyboard(midi: number, size: KeyboardSize = 88): boolean {
  const [lowest, highest] = KEYBOARD_RANGES[size];
  return midi >= lowest && midi <= highest;
}

/** Centre of a key along the keyboard. Unit: mm from the left edge of C-1 (MIDI 0). */
export function keyCentreMm(midi: number): number {
  return OCTAVE_MM * Math.floor(midi / 12) + (KEY_CENTRES_MM[((midi % 12) + 12) % 12] as number);
}

/** A key as a drawing needs it. Unit: mm; `leftMm` as in `keyCentreMm`. */
export interface DrawnKey {
  readonly midi: number;
  readonly isBlack: boolean;
  readonly leftMm: number;
  readonly widthMm: number;
  readonly lengthMm: number;
}

/** The keys from one to another, both included, white keys first so that black ones lie on top. */
export function drawnKeys(lowest: number, highest: number): readonly DrawnKey[] {
  return Array.from({ length: highest - lowest + 1 }, (_, i) => drawnKey(lowest + i)).sort(
    (a, b) => Number(a.isBlack) - Number(b.isBlack) || a.midi - b.midi,
  );
}

function drawnKey(midi: number): DrawnKey {
  const isBlack = isBlackKey(midi);
  const widthMm = isBlack ? BLACK_KEY_WIDTH_MM : WHITE_KEY_MM;
  return {
    midi,
    isBlack,
    widthMm,
    leftMm: keyCentreMm(midi) - widthMm / 2,
    lengthMm: isBlack ? BLACK_KEY_LENGTH_MM : WHITE_KEY_LENGTH_MM,
  };
}
