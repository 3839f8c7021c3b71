/** The pupils of the simulated year: who they are (the first three are those of the demo studio), what goes wrong with them while a thing is new, how fast that fades, how often a week they
 * sit down, and the pieces that they are given, in order. All invented. `fades`: how much of what is left to learn one run takes away. `grows`: by how many mm the hand grew in that year, to what the record says. */
import { PUPILS } from '../demo-tunes/pupils.mjs';

const own = (id, name, more) => ({
  id: `demo-${id}`,
  origin: 'demo',
  name,
  level: '2',
  outer: null,
  inner: null,
  repeat: null,
  keysKnown: ['C-major'],
  ...more,
});

const FIVE_NOTE = ['lantern-walk', 'echo-well', 'slow-ferris'];
const TWO_PLACES = ['two-boats', 'harbour-stairs', 'mill-wheel', 'night-baker'];
const WIDE = ['the-sixth-step', 'cat-on-the-landing', 'market-chords', 'bridge-to-the-other-bank'];

export const YEAR = [
  {
    record: PUPILS[0],
    weekday: 1,
    at: '15:30',
    group: 'Monday',
    sits: 3,
    fades: 0.07,
    weaknesses: ['stays-in-position', 'hesitates'],
    pieces: FIVE_NOTE,
    grows: 4,
  },
  {
    record: PUPILS[1],
    weekday: 2,
    at: '16:00',
    group: 'Tuesday',
    sits: 4,
    fades: 0.09,
    weaknesses: ['forgets-signature', 'hits-next-key'],
    pieces: [...FIVE_NOTE, ...TWO_PLACES],
    grows: 3,
  },
  {
    record: PUPILS[2],
    weekday: 2,
    at: '17:00',
    group: 'Tuesday',
    sits: 5,
    fades: 0.12,
    weaknesses: ['forgets-accidental', 'comes-early'],
    pieces: [...WIDE, 'fog-over-the-sluice'],
    grows: 2,
  },
  {
    record: own('odo', 'Odo Marrable', { level: '1', spanMm: 142, outer: 'avoid' }),
    weekday: 1,
    at: '16:00',
    group: 'Monday',
    sits: 2,
    fades: 0.06,
    weaknesses: ['hesitates', 'drops-note'],
    pieces: FIVE_NOTE,
    grows: 5,
  },
  {
    record: own('isa', 'Isa Fenwright', { spanMm: 158 }),
    weekday: 2,
    at: '15:00',
    group: 'Tuesday',
    sits: 6,
    fades: 0.12,
    weaknesses: ['forgets-signature'],
    pieces: [...FIVE_NOTE, ...TWO_PLACES],
    grows: 4,
  },
  {
    record: own('perrin', 'Perrin Dale', { spanMm: 172, level: '3' }),
    weekday: 3,
    at: '16:30',
    group: 'Wednesday',
    sits: 4,
    fades: 0.09,
    weaknesses: ['stays-in-position', 'comes-late'],
    pieces: [...TWO_PLACES, ...WIDE],
    grows: 3,
  },
  {
    record: own('wren', 'Wren Ashcombe', { level: '1', spanMm: 138 }),
    weekday: 3,
    at: '15:00',
    group: 'Wednesday',
    sits: 3,
    fades: 0.08,
    weaknesses: ['hits-next-key', 'hesitates'],
    pieces: FIVE_NOTE,
    grows: 6,
  },
  {
    record: own('luca', 'Luca Tarn', { spanMm: 166 }),
    weekday: 4,
    at: '15:30',
    group: 'Thursday',
    sits: 1,
    fades: 0.07,
    weaknesses: ['hits-any-key', 'begins-again'],
    pieces: [...FIVE_NOTE, ...TWO_PLACES],
    grows: 4,
    leaves: 35,
  },
  {
    record: own('maud', 'Maud Ellery', { spanMm: 196, level: '4', inner: 'black' }),
    weekday: 4,
    at: '18:00',
    group: 'Thursday',
    sits: 5,
    fades: 0.11,
    weaknesses: ['spreads-chord', 'forgets-accidental'],
    pieces: WIDE,
    grows: 0,
  },
  {
    record: own('jory', 'Jory Penhale', { spanMm: 150 }),
    weekday: 5,
    at: '16:00',
    group: 'Friday',
    sits: 3,
    fades: 0.09,
    weaknesses: ['fingers-off', 'forgets-signature'],
    pieces: [...FIVE_NOTE, 'mill-wheel'],
    grows: 5,
  },
  {
    record: own('tilda', 'Tilda Rook', { spanMm: 181, level: '3' }),
    weekday: 5,
    at: '17:00',
    group: 'Friday',
    sits: 4,
    fades: 0.1,
    weaknesses: ['comes-early', 'adds-note'],
    pieces: [...TWO_PLACES, 'fog-over-the-sluice', ...WIDE],
    grows: 2,
  },
  {
    record: own('abel', 'Abel Storrow', { spanMm: 204, level: '4', keysKnown: ['C-major', 'G-major'] }),
    weekday: 1,
    at: '19:00',
    group: 'Monday',
    sits: 2,
    fades: 0.1,
    weaknesses: ['mistakes-octave', 'hesitates'],
    pieces: ['fog-over-the-sluice', ...WIDE],
    grows: 0,
  },
];

/** When there are no lessons in that year. */
export const HOLIDAYS = [
  { from: '2025-10-27', to: '2025-10-31', name: 'Autumn break' },
  { from: '2025-12-22', to: '2026-01-02', name: 'Winter break' },
  { from: '2026-02-16', to: '2026-02-20', name: 'Half term' },
  { from: '2026-03-30', to: '2026-04-10', name: 'Spring break' },
];

/** The Thursday of the first week, and how many weeks are taught. */
export const FIRST_WEEK = '2025-09-11';
export const WEEKS = 40;
