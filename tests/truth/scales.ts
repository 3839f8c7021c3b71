import { thereAndBack, TWELVE, type Truth } from './truth';

const up = (hand: 'right' | 'left', notes: string): string =>
  thereAndBack(notes.replaceAll('~', hand === 'right' ? '4' : '2').replaceAll('^', hand === 'right' ? '5' : '3'));

const MAJOR = 'C~ D~ E~ F~ G~ A~ B~ C^';
const MINOR = 'A~ B~ C^ D^ E^ F^ G#^ A^';

function scales(
  what: string,
  hand: 'right' | 'left',
  notes: string,
  fingers: Readonly<Record<string, string>>,
): readonly Truth[] {
  return Object.entries(fingers).map(([tonics, written]) => ({
    what,
    hand,
    line: up(hand, notes),
    tonics: tonics.split(' '),
    fingers: thereAndBack(written),
    source: 'Hanon 1873, no. 39' as const,
  }));
}

/** Scales of one octave, there and back. The first and the top note vary between editions. */
export const ONE_OCTAVE_SCALES: readonly Truth[] = [
  ...scales('major scale', 'right', MAJOR, {
    'C G D A E B': '1 2 3 1 2 3 4 5',
    F: '1 2 3 4 1 2 3 4',
    Bb: '2/4 1 2 3 1 2 3 4/2',
    Eb: '3/2 1 2 3 4 1 2 3/2',
    Ab: '3/2 4/3 1 2 3 1 2 3',
    Db: '2 3 1 2 3 4 1 2',
    Gb: '2 3 4 1 2 3 1 2',
  }),
  ...scales('major scale', 'left', MAJOR, {
    'C G D A E F': '5 4 3 2 1 3 2 1',
    B: '4 3 2 1 4 3 2 1',
    'Bb Eb Ab Db': '3 2 1 4 3 2 1 3/2',
    Gb: '4 3 2 1 3 2 1 4/3/2',
  }),
  ...scales('harmonic minor scale', 'right', MINOR, {
    'A E D G C B': '1 2 3 1 2 3 4 5',
    F: '1 2 3 4 1 2 3 4',
    Bb: '2/4 1 2 3 1 2 3 4/2',
    Eb: '3/2 1 2 3 4 1 2 3/2',
    'Ab Db Gb': '3/2 4/3 1 2 3 1 2 3',
  }),
  ...scales('harmonic minor scale', 'left', MINOR, {
    'A E D G C F': '5 4 3 2 1 3 2 1',
    B: '4 3 2 1 4 3 2 1',
    Gb: '4 3 2 1 3 2 1 4/3/2',
    'Db Ab': '3 2 1 4 3 2 1 3/2',
    Eb: '2/3 1 4 3 2 1 3 2/3',
    Bb: '2/3 1 3 2 1 4 3 2/3',
  }),
];

function melodic(
  hand: 'right' | 'left',
  fingers: Readonly<Record<string, readonly [up: string, down: string]>>,
): readonly Truth[] {
  const line =
    hand === 'right'
      ? 'A4 B4 C5 D5 E5 F#5 G#5 A5 G5 F5 E5 D5 C5 B4 A4'
      : 'A2 B2 C3 D3 E3 F#3 G#3 A3 G3 F3 E3 D3 C3 B2 A2';
  return Object.entries(fingers).map(([tonics, [up, down]]) => ({
    what: 'melodic minor scale',
    hand,
    line,
    tonics: tonics.split(' '),
    fingers: `${up} ${down}`,
    source: 'common practice' as const,
  }));
}

/** Up with raised sixth and seventh, down without. In C♯ and F♯ the right hand then has other black keys on the way up, and comes to the
 * top with the finger that begins the way down. The left hand's G♯ is not here: books
 * differ in it. */
export const MELODIC_SCALES: readonly Truth[] = [
  ...melodic('right', {
    'A E D G C B': ['1 2 3 1 2 3 4 5', '4 3 2 1 3 2 1'],
    F: ['1 2 3 4 1 2 3 4', '3 2 1 4 3 2 1'],
    Bb: ['2/4 1 2 3 1 2 3 4/2', '3 2 1 3 2 1 2/4'],
    Eb: ['3/2 1 2 3 4 1 2 3/2', '2 1 4 3 2 1 3/2'],
    Ab: ['3/2 4/3 1 2 3 1 2 3', '2 1 3 2 1 4/3 3/2'],
    'Db Gb': ['2 3 1 2 3 4 1 3', '2 1 3 2 1 4/3 3/2'],
  }),
  ...melodic('left', {
    'A E D G C F': ['5 4 3 2 1 3 2 1', '2 3 1 2 3 4 5'],
    B: ['4 3 2 1 4 3 2 1', '2 3 4 1 2 3 4'],
    Gb: ['4 3 2 1 3 2 1 4/3/2', '1 2 3 1 2 3 4'],
    Db: ['3 2 1 4 3 2 1 3/2', '1 2 3 4 1 2 3'],
    Eb: ['2/3 1 4 3 2 1 3 2/3', '3 1 2 3 4 1 2/3'],
    Bb: ['2/3 1 3 2 1 4 3 2/3', '3 4 1 2 3 1 2/3'],
  }),
];

/** Arpeggios over one octave, the hand open. */
export const ONE_OCTAVE_ARPEGGIOS: readonly Truth[] = [
  {
    what: 'major arpeggio',
    hand: 'right',
    line: thereAndBack('C4 E4 G4 C5'),
    tonics: TWELVE,
    fingers: '1 2 3 5 3 2 1',
    source: 'handbook',
  },
  {
    what: 'major arpeggio',
    hand: 'left',
    line: thereAndBack('C3 E3 G3 C4'),
    tonics: TWELVE,
    fingers: '5 4 2 1 2 4 5',
    source: 'handbook',
  },
  {
    what: 'minor arpeggio',
    hand: 'right',
    line: thereAndBack('A3 C4 E4 A4'),
    tonics: TWELVE,
    fingers: '1 2 3 5 3 2 1',
    source: 'handbook',
  },
  {
    what: 'minor arpeggio',
    hand: 'left',
    line: thereAndBack('A2 C3 E3 A3'),
    tonics: TWELVE,
    fingers: '5 4 2 1 2 4 5',
    source: 'handbook',
  },
];
