export { drawnKeys, isBlackKey, isOnKeyboard, keyCentreMm } from './keyboard';
export type { DrawnKey } from './keyboard';
export { HIGHEST_KEY, LOWEST_KEY, WHITE_KEY_LENGTH_MM, WHITE_KEY_MM } from './key-geometry.table';
