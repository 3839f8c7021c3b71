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
  'innerLine',
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
] as const;

export type Rule = (typeof RULES)[number];

/** What one unit of each rule costs. Unit: cost; spans count in semitones of 13.71 mm beyond the limit.
 * Source: the project's fingering model; those marked there as fitted were fitted again with this planner (scripts/fit-weights.mjs).
 * Checked by: tests/oracle/published-fingerings.test.ts and `npm run bench`. */
export const WEIGHTS: Readonly<Record<Rule, number>> = {
  stretch: 0.5,
  smallThumb: 0.5,
  smallUnder: 0.5,
  small: 2.5,
  largeThumb: 1,
  large: 0.2,
  weakFour: 0.65,
  weakFive: 0.1,
  threeFour: 1.45,
  innerLine: 1.1,
  innerFinger: 1,
  chordOuter: 1,
  fourBlack: 0.18,
  twoBlack: 0.4,
  thumbBlack: 1.25,
  thumbBlackNeighbour: 2,
  fiveBlackNeighbour: 1.5,
  betweenBlack: 0.05,
  chromaticBlack: 3,
  chromaticWhite: 3,
  pass: 3.2,
  passDistance: 0.3,
  passFour: 0.1,
  passSpan: 0.05,
  passSwing: 0.1,
  passLevel: 0.4,
  passThumbBlack: 3,
  move: 3,
  moveLetters: 0.3,
  legatoMove: 3,
  leap: 2,
  disguisedPass: 6,
  hop: 4,
  chordHop: 1.1,
  change: 1,
  changeLetters: 0.5,
  repeat: 0,
  open: 0.3,
};

/** What is not a matter of the hand but of the plan: a finger that differs from the one of like passages, a finger that differs
 * from the printed one and a run of such fingers. Unit: cost. Source: the project's fingering model, sections 3 and 6. */
export const CONSISTENCY = 2.5;
export const EDIT = 0.2;
export const EDIT_OPENS = 1.5;
export const EDIT_PRINTED_FACTOR = 2;

/** What cannot be done at the level or within the reach costs more than anything that can. Our own choice: a plan breaks a limit
 * only where no plan keeps it. Checked by: plan.test.ts against exhaustive search. */
export const BROKEN_LIMIT = 1000;

/** In a chord, a white key beside a thumb or fifth finger on black counts less than in a line. Source: the fingering model. */
export const CHORD_NEIGHBOUR = 0.25;
