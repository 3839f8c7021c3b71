/** How a teacher calls things. Plain data: it is kept in the settings, goes into workers and through the scripting interface. */
export interface Wording {
  readonly language: LanguageName;
  readonly bar: (typeof BAR_WORDS)[number];
  readonly rhythm: (typeof RHYTHM_WORDS)[number];
  readonly names: (typeof NOTE_NAMES)[number];
  readonly fingers: (typeof FINGER_WORDS)[number];
  readonly lengths: (typeof LENGTHS)[number];
  readonly week: (typeof FIRST_DAYS)[number];
}

/** `longer` is no language: English with words a third longer, to see that the screens have space for other languages. */
export const LANGUAGE_NAMES = ['en', 'longer'] as const;
export type LanguageName = (typeof LANGUAGE_NAMES)[number];

export const BAR_WORDS = ['bar', 'measure'] as const;

/** Note values: whole, half, quarter … or semibreve, minim, crotchet … */
export const RHYTHM_WORDS = ['quarter', 'crotchet'] as const;

/** Names of notes: letters with B, letters with H for B natural and B for B flat, fixed do, or movable do, which calls the tonic of
 * a minor key do or la. Movable do names notes in a key; keys, signatures and positions keep their letters. */
export const NOTE_NAMES = ['letters', 'letters-h', 'fixed-do', 'do-minor', 'la-minor'] as const;

/** Thumb, finger 2 … finger 5 · finger 1 … finger 5 · thumb, index finger … little finger. */
export const FINGER_WORDS = ['thumb', 'numbers', 'names'] as const;

export const LENGTHS = ['mm', 'inches'] as const;

export const FIRST_DAYS = ['monday', 'sunday'] as const;

/** What counts where nothing is said. Source: handbook, section 5. */
export const USUAL_WORDING: Wording = {
  language: 'en',
  bar: 'bar',
  rhythm: 'quarter',
  names: 'letters',
  fingers: 'thumb',
  lengths: 'mm',
  week: 'monday',
};
