import type { DrillKind } from './drill-kinds';
import { hasMinorThird, intervalOf, transposeBy, type Key, type Pitch } from '../pitch';
import type { Finger, Hand } from '../score';

export interface DrillNote {
  readonly pitch: Pitch;
  readonly finger: Finger;
}

/** What sounds together in a drill. `longer` counts lengths of the rhythm. */
export interface DrillChord {
  readonly right: readonly DrillNote[];
  readonly left: readonly DrillNote[];
  readonly startsBar: boolean;
  readonly longer: number;
  /** Whether the left hand has crossed over the right, up where its staff needs the other clef. */
  readonly isLeftHigh: boolean;
}

const MOMENT: DrillChord = { right: [], left: [], startsBar: false, longer: 1, isLeftHigh: false };

/** Letters above the tonic (0 is the tonic, −1 the leading note) with a finger. */
type PatternNote = readonly [letters: number, finger: Finger];

/** A pattern as the right and the left hand play it, chord by chord. */
interface Pattern {
  readonly right: readonly (readonly PatternNote[])[];
  readonly left: readonly (readonly PatternNote[])[];
}

/** The finger on a letter of the closed hand. */
const closed = (hand: Hand, letters: number): Finger => (hand === 'right' ? letters + 1 : 5 - letters) as Finger;

/** A line of letters of the closed hand, a note each. */
function closedLine(letters: readonly number[]): Pattern {
  const play = (hand: Hand): readonly (readonly PatternNote[])[] =>
    letters.map((letter) => [[letter, closed(hand, letter)]]);
  return { right: play('right'), left: play('left') };
}

const TRIAD: Pattern['right'][number] = [
  [0, 1],
  [2, 3],
  [4, 5],
];
const LEFT_TRIAD: Pattern['left'][number] = [
  [0, 5],
  [2, 3],
  [4, 1],
];

/** Chords in close position. Left hand: handbook, primary chords; right hand 1-3-5 and, for the dominant seventh, 1-4-5 (common practice, from memory). */
const FOURTH: Pattern = {
  right: [
    [
      [0, 1],
      [3, 3],
      [5, 5],
    ],
  ],
  left: [
    [
      [0, 5],
      [3, 2],
      [5, 1],
    ],
  ],
};
const SEVENTH: Pattern = {
  right: [
    [
      [-1, 1],
      [3, 4],
      [4, 5],
    ],
  ],
  left: [
    [
      [-1, 5],
      [3, 2],
      [4, 1],
    ],
  ],
};

const chords = (hand: Hand): readonly (readonly PatternNote[])[] => {
  const tonic = hand === 'right' ? TRIAD : LEFT_TRIAD;
  const [fourth, seventh] = [FOURTH[hand][0], SEVENTH[hand][0]] as [readonly PatternNote[], readonly PatternNote[]];
  return [tonic, fourth, tonic, seventh, tonic];
};

/** An octave is got ready by the notes before it: 3 and 2 in either hand, then thumb and fifth lie there already. Source: handbook. */
const octave = (hand: Hand, root: number): readonly (readonly PatternNote[])[] =>
  hand === 'right'
    ? [
        [[root + 4, 3]],
        [[root + 2, 2]],
        [
          [root, 1],
          [root + 7, 5],
        ],
      ]
    : [
        [[root + 2, 3]],
        [[root + 4, 2]],
        [
          [root, 5],
          [root + 7, 1],
        ],
      ];

const ROOTS = [0, 3, 4, 0];

const PATTERNS: Readonly<Record<Exclude<DrillKind, 'cross-hands'>, Pattern>> = {
  'five-fingers': closedLine([0, 1, 2, 3, 4, 3, 2, 1, 0]),
  'triad-broken': closedLine([0, 2, 4, 2, 0, 4, 2, 4, 0]),
  'triad-blocked': {
    right: [
      ...[0, 2, 4, 2].map((letter): readonly PatternNote[] => [[letter, closed('right', letter)]]),
      TRIAD,
      TRIAD,
      TRIAD,
    ],
    left: [
      ...[0, 2, 4, 2].map((letter): readonly PatternNote[] => [[letter, closed('left', letter)]]),
      LEFT_TRIAD,
      LEFT_TRIAD,
      LEFT_TRIAD,
    ],
  },
  skips: closedLine([0, 2, 1, 3, 2, 4, 3, 1, 0]),
  'chord-changes': { right: chords('right'), left: chords('left') },
  // 3 and then 4 on one key take the right hand down by one, 4 and then 3 back up; in the left hand 3 then 2, 2 then 3. Source: handbook, positions and moves.
  'finger-changes': {
    right: [
      [[0, 1]],
      [[1, 2]],
      [[2, 3]],
      [[2, 4]],
      [[1, 3]],
      [[0, 2]],
      [[-1, 1]],
      [[0, 2]],
      [[1, 3]],
      [[2, 4]],
      [[2, 3]],
      [[1, 2]],
      [[0, 1]],
    ],
    left: [
      [[0, 5]],
      [[1, 4]],
      [[2, 3]],
      [[2, 2]],
      [[1, 3]],
      [[0, 4]],
      [[-1, 5]],
      [[0, 4]],
      [[1, 3]],
      [[2, 2]],
      [[2, 3]],
      [[1, 4]],
      [[0, 5]],
    ],
  },
  'octave-ready': {
    right: ROOTS.flatMap((root) => octave('right', root)),
    left: ROOTS.flatMap((root) => octave('left', root)),
  },
};

/** How much longer a moment is than a single note: a chord that is reached is held. */
const HELD: Partial<Record<DrillKind, (i: number) => number>> = {
  'octave-ready': (i) => (i % 3 === 2 ? 2 : 1),
  'chord-changes': () => 2,
};

/** The moments of a drill in one key. Both hands play the same an octave apart; crossing hands needs both. */
export function momentsOf(kind: DrillKind, key: Key, hands: Hand | 'both'): readonly DrillChord[] {
  if (kind === 'cross-hands') return crossing(key);
  const { right, left } = PATTERNS[kind];
  const longer = HELD[kind] ?? (() => 1);
  return right.map((_, i) => ({
    ...MOMENT,
    longer: longer(i),
    right: hands === 'left' ? [] : notesOf(key, right[i] ?? [], rightOctave(kind, key)),
    left: hands === 'right' ? [] : notesOf(key, left[i] ?? [], kind === 'octave-ready' ? LOW_OCTAVE : leftOctave(key)),
  }));
}

/** Left hand, right hand an octave above, and the left hand over it to the tonic; and down again. */
function crossing(key: Key): readonly DrillChord[] {
  const low = leftOctave(key);
  const left = LEFT_TRIAD.map(([letters, finger]) => ({ ...MOMENT, left: notesOf(key, [[letters, finger]], low) }));
  const right = TRIAD.map(([letters, finger]) => ({ ...MOMENT, right: notesOf(key, [[letters, finger]], low + 1) }));
  const over: DrillChord = { ...MOMENT, left: notesOf(key, [[0, 2]], low + 2), startsBar: true, isLeftHigh: true };
  const back = [
    ...right.toReversed().map((moment, i) => (i === 0 ? { ...moment, startsBar: true } : moment)),
    ...left.toReversed(),
  ];
  return [...left, ...right, over, ...back];
}

/** Octaves reach far up: from G on they begin lower, and in the left hand always. */
function rightOctave(kind: DrillKind, { tonic }: Key): number {
  return kind === 'octave-ready' && tonic.step >= 4 ? 3 : 4;
}

const LOW_OCTAVE = 2;

/** From A on the left hand begins an octave lower: its staff stays free of ledger lines. */
function leftOctave({ tonic }: Key): number {
  return tonic.step >= 5 ? 2 : 3;
}

/** Half steps above the tonic by letters, −1 to 13. Minor is harmonic: the leading note is raised, the sixth is not. */
const HALF_STEPS = { major: [0, 2, 4, 5, 7, 9, 11], minor: [0, 2, 3, 5, 7, 8, 11] } as const;

function notesOf(key: Key, steps: readonly PatternNote[], octaveOfTonic: number): readonly DrillNote[] {
  return steps.map(([letters, finger]) => {
    const turns = Math.floor(letters / 7);
    const within = letters - 7 * turns;
    const tonic: Pitch = { ...key.tonic, octave: octaveOfTonic + turns };
    const pitch = transposeBy(
      tonic,
      intervalOf(within, HALF_STEPS[hasMinorThird(key.mode) ? 'minor' : 'major'][within] ?? 0),
    );
    return { pitch: pitch.ok ? pitch.value : tonic, finger };
  });
}
