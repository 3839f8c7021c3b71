/** Width of an octave and of a white key. Unit: mm. Source: the usual modern keyboard, as given in the project's fingering model.
 * Checked by: keyboard.test.ts (seven white keys make an octave). */
export const OCTAVE_MM = 164.5;
export const WHITE_KEY_MM = OCTAVE_MM / 7;

/** Centres of the twelve keys of an octave from the left edge of C. Unit: mm, range 0..164.5.
 * White keys: evenly spaced. Black keys: by the equal-tail rule (C–E is five tails of 14.10, F–B seven of 13.43),
 * a common approximation, our choice. Checked by: keyboard.test.ts (each black key lies between its neighbours). */
export const KEY_CENTRES_MM = [
  11.75, 21.15, 35.25, 49.35, 58.75, 82.25, 90.64, 105.75, 117.5, 129.25, 144.36, 152.75,
] as const;

/** Sizes of the keys as seen from above. Unit: mm. Source: from memory, rounded; only drawings rest on them.
 * Checked by: keyboard.test.ts (a black key is shorter and narrower than a white one). */
export const WHITE_KEY_LENGTH_MM = 150;
export const BLACK_KEY_LENGTH_MM = 97;
export const BLACK_KEY_WIDTH_MM = 13.7;

/** Lowest and highest key of the 88-key keyboard, as MIDI numbers: A0 and C8. Source: common practice. */
export const LOWEST_KEY = 21;
export const HIGHEST_KEY = 108;

/** Lowest and highest key of keyboards in use, as MIDI numbers: 88 keys A0–C8, 76 keys E1–G7, 61 keys C2–C7.
 * Source: common practice. Checked by: keyboard.test.ts (each range has as many keys as it is named for). */
export const KEYBOARD_RANGES = { 88: [21, 108], 76: [28, 103], 61: [36, 96] } as const;
export const KEYBOARD_SIZES = [88, 76, 61] as const;
export type KeyboardSize = (typeof KEYBOARD_SIZES)[number];
