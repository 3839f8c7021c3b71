/** How a moment joins the one before it. Source: the project's posture model, section 2. */
export const JOINS = [
  'run',
  'bar',
  'longer',
  'even',
  'long2',
  'long3',
  'slurIn',
  'slurInLong',
  'slurEnd',
  'stacc',
  'rest',
  'rest1',
  'dyad',
  'chord',
] as const;
export type Join = (typeof JOINS)[number];

/** How much time there is at a join: 0 none, 1 some, 2 enough. */
export type Tempo = 0 | 1 | 2;

const SLOW: readonly Join[] = ['long3', 'rest', 'rest1'];
const MIDDLE: readonly Join[] = ['long2', 'slurEnd', 'even'];

export function tempoOf(join: Join): Tempo {
  if (SLOW.includes(join)) return 2;
  return MIDDLE.includes(join) ? 1 : 0;
}

/** One weight for each tempo: fast, middle, slow. */
type ByTempo = readonly [number, number, number];

/** What the hand pays for. Unit: cost. Source: the project's posture model, section 4, fitted to teachers' pencils; what the fit left as it was set by hand is a
 * rule with a wide margin. */
export const POSTURE = {
  /** Gaps between fingers that are wider than a letter, by their width from 2 on. */
  gap12: [0.47, 0.41, 1.85],
  gap23: [0.42, 2.01],
  gap34: [1.58],
  gap45: [0.92, 2.24],
  /** A letter by which the hand is wider than closed, one entry a level; and a hand wider than an octave. */
  excess: [2, 1.44, 0.54, 0.21],
  overOctave: 1.5,
  right: { notTonic: 1.44, norDominant: 0.55, notLowest: 0.16, notLowestOfPhrase: 0.01, notHighest: 0.01 },
  left: {
    notTonic: 1.13,
    norThumbTonic: 0.58,
    thumbElsewhere: 0.75,
    notLowest: 0.59,
    notLowestOfPhrase: 0.49,
    notHighest: 0.5,
  },
  /** Under the school of the nearest fingers: the thumb on the key that lies next to it. Our own choice, after the right hand's. */
  nearest: { notInnermost: 0.16, notInnermostOfPhrase: 0.01 },
  /** Any change of posture, one entry a level. */
  change: [4, 0.55, 0.46, 0],
  outerDistance: [0.81, 0.61, 0.37] as ByTempo,
  moveDistance: [0.43, 0.4, 0] as ByTempo,
  furthest: 9,
  movedFinger: [0.01, 0.26, 0.01] as ByTempo,
  pivot: [-0.84, -0.56, -0.2] as ByTempo,
  octaveMove: -1.5,
  otherFinger: [0.66, 0.36, 0.01] as ByTempo,
  hop: [6, 1.94, 0.58] as ByTempo,
  hopThumb: [1.23, 0.73, 0.17] as ByTempo,
  hopOctave: -1.5,
  tooFar: [1.3, 0.74, 0.34] as ByTempo,
  tooFarMost: 5,
  tooNear: [0.84, 0.52, 0.2] as ByTempo,
  reversed: [6, 1.55, 0.8] as ByTempo,
  disguised: 5,
  pass: 2.2,
  passTwo: 0.39,
  passFour: 0.38,
  passLetter: 0.55,
  passThumbBlack: 3,
  passOverBlack: -0.64,
  passMiddle: -0.5,
  passAlone: 2.4,
  passLevel: 12,
  chordHop: [0.99, 0.54, 0.1] as ByTempo,
  chordHopChords: 0.3,
  chordFinger: [0.98, 0.75, 0.5] as ByTempo,
  /** One finger from a key to the same letter altered otherwise, at once: the hand stays, and still it slides. Our own choice. */
  slide: [3, 1.5, 0.5] as ByTempo,
  /** The thumb that plays a key and leaps to the lower key of an octave. Our own choice after the handbook, octave patterns. */
  unprepared: [3, 1.5, 0] as ByTempo,
  heldFinger: 20,
  heldInner: 4,
  four: 0.26,
  five: 0.03,
  thumbBlack: 0.04,
  thumbBlackCrossing: 0.48,
  fiveBlack: 0.31,
  allBlackThumb: 2,
  allBlackFive: 1,
  printed: 60,
  printedElsewhere: 4,
  elsewhere: 2.4,
  /** The most that a move costs at a key that is struck again: the line is broken there anyway. Our own choice. */
  repeatedMove: 2.5,
} as const;

/** What each kind of change costs at a join. */
export interface JoinPrices {
  readonly move: number;
  readonly outer: number;
  readonly inner: number;
}

export const AT_JOIN: Readonly<Record<Join, JoinPrices>> = {
  run: { move: 4.59, outer: 1.05, inner: 1.61 },
  bar: { move: 2.86, outer: 1.06, inner: 1.6 },
  longer: { move: 2.5, outer: 1, inner: 1.6 },
  even: { move: 2.5, outer: 0.52, inner: 0.8 },
  long2: { move: 1.78, outer: 0.55, inner: 0.75 },
  long3: { move: 0.72, outer: 0.47, inner: 0.77 },
  slurIn: { move: 6, outer: 1.03, inner: 1.65 },
  slurInLong: { move: 4.03, outer: 1, inner: 1.6 },
  slurEnd: { move: 1.04, outer: 0.35, inner: 0.8 },
  stacc: { move: 2, outer: 1, inner: 1.6 },
  rest: { move: 0.8, outer: 0.4, inner: 0.8 },
  rest1: { move: 0.3, outer: 0.4, inner: 0.8 },
  dyad: { move: 2, outer: 0.5, inner: 1 },
  chord: { move: 1.2, outer: 0.2, inner: 0.3 },
};

/** A long note gives time to move, but excuses no finger that goes to the next letter: only rests, ends of phrases and detached notes do (handbook, positions and
 * moves). Our own choice, checked on teachers' pencils. */
export const HOP_AT: Partial<Readonly<Record<Join, number>>> = { even: 3, long2: 3, long3: 2, stacc: 3 };

/** How many letters two fingers reach without haste, by the pair of fingers. */
export const REACH_LETTERS: Readonly<Record<string, number>> = {
  '12': 3,
  '13': 5,
  '14': 6,
  '15': 7,
  '23': 2,
  '24': 3,
  '25': 5,
  '34': 2,
  '35': 3,
  '45': 2,
};

/** What a moment costs whose fingers are not those that are written for its shape. Source: the project's posture model, section 5. */
export const WISH = {
  chord: 8,
  pair: 2,
  widePair: 3,
  /** Sixths and wider pairs one after the other, two basses in turn under one pair, and four keys step by step that begin again on their last. Our own choice after the handbook. */
  parallelPairs: 8,
  basses: 20,
  stepFigure: 3,
  left: 4,
  right: 0.96,
  octave: 3.3,
  /** Where a school asks for another finger beside 5 than the printed one. Our own choice. */
  innerBlack: 20,
  triad: 0.62,
  rocking: 3,
  black: 1.5,
  run: 6,
  arpeggio: 6,
  chromatic: 9,
} as const;

/** What schools and dials change. Our own choice: under `avoid` a thumb on black weighs as much as the plan of the own key, twice as much with `more`. */
export const SCHOOL = {
  avoidThumb: 3,
  avoidFive: 2,
  /** So much of the price of other fingers than in the own key is left there: a hand that lies on black with its thumb looks for another place. */
  avoidBinding: 0.2,
  /** One finger for a key that is struck again, under the school that changes. */
  sameAgain: 20,
} as const;
