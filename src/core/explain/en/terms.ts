import type { Key, Mode, Pitch, PitchName } from '../../pitch';
import type { Finger } from '../../score';
import { letterSaid, noteSaid, pitchSaid, placeSaid } from '../note-names';
import type { Wording } from '../wording';

/** A note value by its type in MusicXML: `whole`, `quarter`, `16th`. */
export type ValueType = keyof (typeof VALUES)['quarter'];

/** The words of English that teachers call differently, as this teacher calls them. */
export interface Terms {
  readonly bar: string;
  readonly bars: string;
  readonly Bar: string;
  readonly Bars: string;
  /** A note in the music, with and without its octave. */
  readonly name: (name: PitchName) => string;
  readonly pitch: (pitch: Pitch) => string;
  /** A place on the keyboard, as keys, positions and signatures are called; a key; a note by its letter whatever else it is called. */
  readonly place: (name: PitchName) => string;
  readonly key: (key: Key) => string;
  readonly letter: (name: PitchName) => string;
  /** English calls modes as the core does. */
  readonly modeName: (mode: Mode) => string;
  /** `thumb`, `the thumb`; for the pupil `your thumb`. */
  readonly finger: (finger: Finger) => string;
  readonly theFinger: (finger: Finger) => string;
  readonly yourFinger: (finger: Finger) => string;
  /** `quarter`, `quarters`, `quarter note`; `crotchet`, `crotchets`, `crotchet`. */
  readonly value: (type: ValueType) => string;
  readonly values: (type: ValueType) => string;
  readonly valueNote: (type: ValueType) => string;
  /** A length on the keyboard: `206 mm`, `8.1 in`. */
  readonly length: (mm: number) => string;
  /** The same without its unit, and the unit alone. */
  readonly lengthNumber: (mm: number) => number;
  readonly lengthUnit: string;
  /** The days of a week from the first. */
  readonly weekdays: readonly string[];
}

/** Note values by the names of both Englishes. Source: common practice. */
const VALUES = {
  quarter: {
    breve: 'double whole',
    whole: 'whole',
    half: 'half',
    quarter: 'quarter',
    eighth: 'eighth',
    '16th': 'sixteenth',
    '32nd': 'thirty-second',
    '64th': 'sixty-fourth',
    '128th': 'hundred-twenty-eighth',
  },
  crotchet: {
    breve: 'breve',
    whole: 'semibreve',
    half: 'minim',
    quarter: 'crotchet',
    eighth: 'quaver',
    '16th': 'semiquaver',
    '32nd': 'demisemiquaver',
    '64th': 'hemidemisemiquaver',
    '128th': 'semihemidemisemiquaver',
  },
} as const;

const FINGERS: Readonly<Record<Wording['fingers'], Readonly<Record<Finger, string>>>> = {
  thumb: { 1: 'thumb', 2: 'finger 2', 3: 'finger 3', 4: 'finger 4', 5: 'finger 5' },
  numbers: { 1: 'finger 1', 2: 'finger 2', 3: 'finger 3', 4: 'finger 4', 5: 'finger 5' },
  names: { 1: 'thumb', 2: 'index finger', 3: 'middle finger', 4: 'ring finger', 5: 'little finger' },
};

/** Pupils who know the thumb by its name know the little finger too. */
const PUPILS_FINGERS: typeof FINGERS = { ...FINGERS, thumb: { ...FINGERS.thumb, 5: 'little finger' } };

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

const MM_PER_INCH = 25.4;

const UNITS: Readonly<Record<Wording['lengths'], string>> = { mm: 'mm', inches: 'in' };

/** To the whole millimetre as it is given, or to a tenth of an inch. */
function lengthIn(lengths: Wording['lengths'], mm: number): number {
  return lengths === 'mm' ? mm : Math.round((mm / MM_PER_INCH) * 10) / 10;
}

/** English as a teacher speaks it, of a piece in this key; null where no key is spoken of. */
export function englishTerms({ bar, rhythm, names, fingers, lengths, week }: Wording, inKey: Key | null): Terms {
  const values = VALUES[rhythm];
  const article = (word: string, before: string): string => (/\d$/.test(word) ? word : `${before} ${word}`);
  const capital = `${bar.charAt(0).toUpperCase()}${bar.slice(1)}`;
  return {
    bar,
    bars: `${bar}s`,
    Bar: capital,
    Bars: `${capital}s`,
    name: (name) => noteSaid(name, names, inKey),
    pitch: (pitch) => pitchSaid(pitch, names, inKey),
    place: (name) => placeSaid(name, names),
    key: ({ tonic, mode }) => `${placeSaid(tonic, names)} ${mode}`,
    letter: (name) => letterSaid(name, names),
    modeName: (mode) => mode,
    finger: (finger) => FINGERS[fingers][finger],
    theFinger: (finger) => article(FINGERS[fingers][finger], 'the'),
    yourFinger: (finger) => article(PUPILS_FINGERS[fingers][finger], 'your'),
    value: (type) => values[type],
    values: (type) => (values[type] === 'half' ? 'halves' : `${values[type]}s`),
    valueNote: (type) => (rhythm === 'quarter' ? `${values[type]} note` : values[type]),
    length: (mm) => `${lengthIn(lengths, mm)} ${UNITS[lengths]}`,
    lengthNumber: (mm) => lengthIn(lengths, mm),
    lengthUnit: UNITS[lengths],
    weekdays: week === 'monday' ? WEEKDAYS : [WEEKDAYS[6], ...WEEKDAYS.slice(0, 6)],
  };
}
