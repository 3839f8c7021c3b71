/** How well each semitone above the tonic fits a key, as listeners judged it (probe tones, 1 to 7).
 * Source: C. L. Krumhansl & E. J. Kessler, Psychological Review 89, 1982; figures from memory.
 * Checked by: key-profile.test.ts (the tonic is highest, then the triad, and scale tones are above all others). */
export const MAJOR_PROFILE = [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88] as const;
export const MINOR_PROFILE = [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17] as const;
