export { HAND_SHAPE, handShape } from './hand-shape';
export { drawnKeys, isBlackKey, isOnKeyboard, keyCentreMm } from './keyboard';
export type { DrawnKey } from './keyboard';
export {
  HIGHEST_KEY,
  KEYBOARD_SIZES,
  LOWEST_KEY,
  OCTAVE_MM,
  WHITE_KEY_LENGTH_MM,
  WHITE_KEY_MM,
} from './key-geometry.table';
export type { KeyboardSize } from './key-geometry.table';
export { GREATEST_SPAN_MM, LEAST_SPAN_MM, ROUGH_SPANS, USUAL_SPAN_MM } from './hand-reach.table';
