/** Stretches of the hand, tip of 1 to tip of 5, where no one has measured. Unit: mm, range 120..260.
 * Source: our own rough estimates, a hand's breadth below adult tables for children (Boyle, Boyle & Booker, "Pianist hand
 * spans", 2015, has adults at 190 to 230, from memory); a measured hand is always better. Checked by: keyboard.test.ts (they rise with age). */
export const ROUGH_SPANS = [
  { age: '5–6', spanMm: 135 },
  { age: '7–8', spanMm: 150 },
  { age: '9–10', spanMm: 165 },
  { age: '11–12', spanMm: 180 },
  { age: '13–15', spanMm: 195 },
  { age: 'adult', spanMm: 206 },
] as const;

/** Stretches that are taken; anything outside is a slip of the ruler. Source: the scripting interface. */
export const LEAST_SPAN_MM = 120;
export const GREATEST_SPAN_MM = 260;
export const USUAL_SPAN_MM = 206;
