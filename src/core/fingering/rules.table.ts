/** What makes a fingering hard, one name a rule. The cost of a fingering is the sum over the rules of amount times weight.
 * Source of the rules up to `fiveBlackNeighbour`: after Parncutt et al. 1997 and Jacobs 2001 (from memory), as measured in the
 * project's fingering model; the others are the model's own. */
export const RULES = [
  'stretch',
  'smallThumb',
  'smallUnder',
  'small',
  'largeThumb',
  'large',
  'weakFour',
  'weakFive',
  'threeFour',
  'innerPattern',
  'innerArpeggio',
  'innerFinger',
  'chordOuter',
  'fourBlack',
  'twoBlack',
  'thumbBlack',
  'thumbBlackNeighbour',
  'fiveBlackNeighbour',
  'betweenBlack',
  'chromaticBlack',
  'chromaticWhite',
  'pass',
  'passDistance',
  'passFour',
  'passSpan',
  'passSwing',
  'passLevel',
  'passThumbBlack',
  'move',
  'moveLetters',
  'legatoMove',
  'leap',
  'disguisedPass',
  'hop',
  'chordHop',
  'change',
  'changeLetters',
  'repeat',
  'open',
  'contract',
] as const;

export type Rule = (typeof RULES)[number];

/** What one unit of each rule costs. Unit: cost; spans count in semitones of 13.71 mm beyond the limit.
 * Source: the project's fingering model; those marked there as fitted were fitted again with this planner (scripts/fit-weights.mjs).
 * Checked by: tests/oracle/published-fingerings.test.ts and `npm run bench`. */
export const WEIGHTS: Readonly<Record<Rule, number>> = {
  stretch: 0.3,
  smallThumb: 0.64,
  smallUnder: 0.25,
  small: 0.91,
  largeThumb: 0.25,
  large: 0.2,
  weakFour: 0.17,
  weakFive: 0.1,
  threeFour: 0.02,
  innerPattern: 2,
  innerArpeggio: 0.89,
  innerFinger: 2.5,
  chordOuter: 3.5,
  fourBlack: 0.1,
  twoBlack: 0.4,
  thumbBlack: 2,
  thumbBlackNeighbour: 2,
  fiveBlackNeighbour: 1.5,
  betweenBlack: 0.02,
  chromaticBlack: 3.58,
  chromaticWhite: 3,
  pass: 2.5,
  passDistance: 0.02,
  passFour: 0.31,
  passSpan: 0.14,
  passSwing: 0.29,
  passLevel: 0.34,
  passThumbBlack: 3,
  move: 3,
  moveLetters: 0.3,
  legatoMove: 2.75,
  leap: 1,
  disguisedPass: 6,
  hop: 4,
  chordHop: 1.71,
  change: 1,
  changeLetters: 1,
  repeat: 0,
  open: 0.8,
  contract: 2.7,
};

/** What is not a matter of the hand but of the plan: a finger that differs from the one of like passages, a finger that differs
 * from the printed one and a run of such fingers. Unit: cost. Source: the project's fingering model, sections 3 and 6. */
export const CONSISTENCY = 2.5;
export const EDIT = 0.2;
export const EDIT_OPENS = 1.5;
export const EDIT_PRINTED_FACTOR = 2;

/** What cannot be done at the level or within the reach costs more than anything that can. Our own choice: a plan breaks a limit
 * only where no plan keeps it. Checked by: solve.test.ts, against exhaustive search. */
export const BROKEN_LIMIT = 1000;

/** In a chord, a white key beside a thumb or fifth finger on black counts less than in a line. Source: the fingering model. */
export const CHORD_NEIGHBOUR = 0.25;
