import { TWELVE, type Truth } from './truth';

const inAllKeys = { tonics: TWELVE, source: 'common practice' } as const;
const level1 = { player: { level: 1 } } as const;

/** Closed tunes with printed fingers: they keep them in every key. */
export const PRINTED_TUNES: readonly Truth[] = [
  {
    what: 'a tune of three notes',
    hand: 'right',
    line: 'E4=3 D4=2 C4=1 D4=2 E4=3 E4=3 E4=3:2',
    fingers: '3 2 1 2 3 3 3',
    ...inAllKeys,
  },
  {
    what: 'the five-finger pattern',
    hand: 'left',
    line: 'C3=5 D3=4 E3=3 F3=2 G3=1 F3=2 E3=3 D3=4 C3=5:2',
    fingers: '5 4 3 2 1 2 3 4 5',
    ...inAllKeys,
    ...level1,
  },
  { what: 'a rocking fifth', hand: 'left', line: 'C3=5 G3=1 C3=5 G3=1 C3=5:2', fingers: '5 1 5 1 5', ...inAllKeys },
  { what: 'a drone', hand: 'left', line: '[C3=5 G3=1]:2 [C3=5 G3=1]:2', fingers: '51 51', ...inAllKeys },
  {
    what: 'a tune that begins on the third',
    hand: 'right',
    line: 'E4=3 F4=4 G4=5 E4=3 D4=2 C4=1:2',
    fingers: '3 4 5 3 2 1',
    ...inAllKeys,
    ...level1,
  },
  {
    what: 'a tune with double duty',
    hand: 'right',
    line: 'C4=1 D4=2 D#4=2 E4=3 F4=4 G4=5:2',
    fingers: '1 2 2 3 4 5',
    ...inAllKeys,
  },
  {
    what: 'a tune from the second finger',
    hand: 'right',
    line: 'C4=2 D4=3 E4=4 F4=5 E4=4 D4=3 C4=2:2',
    fingers: '2 3 4 5 4 3 2',
    ...inAllKeys,
  },
  {
    what: 'a broken triad, there and back',
    hand: 'left',
    line: 'C3=5 E3=3 G3=1 E3=3 C3=5:2',
    fingers: '5 3 1 3 5',
    ...inAllKeys,
  },
];

/** The same kinds without a printed finger, at the usual level. */
export const PLAIN_TUNES: readonly Truth[] = [
  {
    what: 'the five-finger pattern',
    hand: 'right',
    line: 'C4 D4 E4 F4 G4 F4 E4 D4 C4:2',
    fingers: '1 2 3 4 5 4 3 2 1',
    ...inAllKeys,
  },
  {
    what: 'the five-finger pattern',
    hand: 'left',
    line: 'C3 D3 E3 F3 G3 F3 E3 D3 C3:2',
    fingers: '5 4 3 2 1 2 3 4 5',
    ...inAllKeys,
  },
  {
    what: 'a broken tonic triad',
    hand: 'right',
    line: 'C4 E4 G4 E4 C4:2',
    fingers: '1 3 5 3 1',
    ...inAllKeys,
  },
  { what: 'the pattern downwards', hand: 'left', line: 'G3 F3 E3 D3 C3:2', fingers: '1 2 3 4 5', ...inAllKeys },
  {
    what: 'the minor pattern',
    hand: 'right',
    line: 'A4 B4 C5 D5 E5 D5 C5 B4 A4:2',
    fingers: '1 2 3 4 5 4 3 2 1',
    ...inAllKeys,
  },
  { what: 'thirds', hand: 'right', line: '[C4 E4] [D4 F4] [E4 G4]:2', fingers: '13 24 35', ...inAllKeys },
  {
    what: 'a held thumb under a moving tune',
    hand: 'right',
    line: '[C4~4 E4] F4 G4 F4',
    fingers: '13 4 5 4',
    ...inAllKeys,
  },
  {
    what: 'five letters in skips',
    hand: 'right',
    line: 'G4 E4 F4 D4 E4 C4:2',
    fingers: '5 3 4 2 3 1',
    ...inAllKeys,
  },
  {
    what: 'two positions, an octave’s fifth apart, with a rest between',
    hand: 'right',
    line: 'C4 D4 E4 F4 G4:2 r:2 G4 A4 B4 C5 D5:2',
    fingers: '1 2 3 4 5 1 2 3 4 5',
    ...inAllKeys,
  },
];

/** One finger for two keys of a letter. */
export const DOUBLE_DUTY: readonly Truth[] = [
  {
    what: 'F and F sharp in a row',
    hand: 'right',
    line: 'C4 D4 E4 F4 F#4 G4:2',
    fingers: '1 2 3 4 4 5',
    tonics: ['C', 'G', 'D', 'A', 'E', 'F'],
    source: 'handbook',
  },
  {
    what: 'F sharp and F on the way down',
    hand: 'left',
    line: 'G3 F#3 F3 E3 D3 C3:2',
    fingers: '1 2 2 3 4 5',
    tonics: ['C', 'G', 'D', 'A', 'E', 'F'],
    source: 'handbook',
  },
  {
    what: 'F and F sharp apart',
    hand: 'right',
    line: 'F4 E4 F#4 G4 E4 C4:2',
    fingers: '4 3 4 5 3 1',
    tonics: ['C', 'G', 'D', 'A', 'E', 'F'],
    source: 'handbook',
  },
];
