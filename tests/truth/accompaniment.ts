import { TWELVE, type Truth } from './truth';

const left = { hand: 'left', tonics: TWELVE, source: 'handbook' } as const;
const right = { hand: 'right', tonics: TWELVE, source: 'handbook' } as const;

/** Accompaniment figures of the left hand: one fingering a figure, in every key. */
export const FIGURES: readonly Truth[] = [
  {
    what: 'waltz bass',
    line: 'C3 [E3 G3] [E3 G3] C3 [E3 G3] [E3 G3]',
    fingers: '5 31 31 5 31 31',
    ...left,
  },
  {
    what: 'waltz bass over the dominant seventh',
    line: 'C3 [E3 G3] [E3 G3] B2 [F3 G3] [F3 G3] C3 [E3 G3] [E3 G3]',
    fingers: '5 31 31 5 21 21 5 31 31',
    ...left,
  },
  { what: 'Alberti bass', line: 'C3 G3 E3 G3 C3 G3 E3 G3', fingers: '5 1 3 1 5 1 3 1', ...left },
  {
    what: 'Alberti bass over the dominant seventh',
    line: 'C3 G3 E3 G3 B2 G3 F3 G3 C3 G3 E3 G3',
    fingers: '5 1 3 1 5 1 2 1 5 1 3 1',
    ...left,
  },
  { what: 'broken triads', line: 'C3 E3 G3 E3 C3 E3 G3 E3', fingers: '5 3 1 3 5 3 1 3', ...left },
  {
    what: 'triads that rise again and again',
    line: 'C3 E3 G3 C3 E3 G3 B2 D3 G3 B2 D3 G3 C3:3',
    fingers: '5 3 1 5 3 1 5 3 1 5 3 1 5',
    ...left,
  },
  { what: 'rocking sixth', line: 'C3 A3 C3 A3 C3 A3', fingers: '5 1 5 1 5 1', ...left },
  { what: 'broken octave', line: 'C3 C4 C3 C4 G2 G3 G2 G3', fingers: '5 1 5 1 5 1 5 1', ...left },
  {
    what: 'root with fifth, then with sixth',
    line: '[C3 G3] [C3 A3] [C3 G3] [C3 A3]',
    fingers: '52 51 52 51',
    ...left,
  },
];

const level2 = { player: { level: 2 } } as const;

/** Struck chords. */
export const CHORDS: readonly Truth[] = [
  {
    what: 'primary chords in close position at level 2',
    line: '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2',
    fingers: '531 521 521 531',
    ...left,
    ...level2,
  },
  {
    what: 'primary chords in close position at level 2',
    line: '[C4 E4 G4]:2 [C4 F4 A4]:2 [B3 F4 G4]:2 [C4 E4 G4]:2',
    fingers: '135 135 125/145 135',
    ...right,
    ...level2,
  },
  {
    what: 'primary chords in close position',
    line: '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2',
    fingers: '531 521 521 531',
    ...left,
  },
  {
    what: 'primary chords in close position',
    line: '[C4 E4 G4]:2 [C4 F4 A4]:2 [B3 F4 G4]:2 [C4 E4 G4]:2',
    fingers: '135 135 125/145 135',
    ...right,
  },
  {
    what: 'a triad and its inversions',
    line: '[C3 E3 G3]:2 [E3 G3 C4]:2 [G3 C4 E4]:2',
    fingers: '531 531 521',
    ...left,
  },
  {
    what: 'a triad and its inversions',
    line: '[C4 E4 G4]:2 [E4 G4 C5]:2 [G4 C5 E5]:2',
    fingers: '135 125 135',
    ...right,
  },
  {
    what: 'first inversions in a row',
    line: '[E3 G3 C4] [F3 A3 D4] [G3 B3 E4]:2',
    fingers: '531 531 531',
    ...left,
  },
  {
    what: 'first inversions in a row',
    line: '[E4 G4 C5] [F4 A4 D5] [G4 B4 E5]:2',
    fingers: '125 125 125',
    ...right,
  },
];
