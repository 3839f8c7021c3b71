import type { Mode, Pitch, PitchName } from '../pitch';
import type { Finger } from '../score';
import type { Meter, Ticks } from '../time';

/** Ticks in a quarter note of a plain piece: exact for 128th notes, triplets, quintuplets and septuplets (2⁵·3²·5·7). */
export const PLAIN_TICKS = 10_080;

/** A piece as formats without an engraving of their own hold it: voices of events on staves, and bars over all of them.
 * `composeMusicXml` writes it out like a piece typed fresh. */
export interface PlainPiece {
  readonly title: string;
  readonly composer: string;
  readonly bars: readonly PlainBar[];
  readonly staves: readonly PlainStaff[];
  readonly tempos: readonly { readonly onset: Ticks; readonly quartersPerMinute: number }[];
}

/** A bar. `meter` and `key` where they begin or change; `isPickup` for one that is too short in front. */
export interface PlainBar {
  readonly start: Ticks;
  readonly length: Ticks;
  readonly isPickup: boolean;
  readonly meter: Meter | null;
  readonly key: { readonly fifths: number; readonly mode: Mode | null } | null;
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  readonly endingStart: string | null;
  /** The number of the ending that stops here. */
  readonly endingStop: string | null;
  readonly style: 'regular' | 'double' | 'final';
  /** Whether its meter is printed; an exercise without bars has one that is only counted. */
  readonly meterSign: 'shown' | 'hidden';
  /** The clef of the lower staff where it changes with this bar. */
  readonly lowerClef: 'G' | 'F' | null;
}

export const PLAIN_BAR: Omit<PlainBar, 'start' | 'length'> = {
  isPickup: false,
  meter: null,
  key: null,
  repeatStart: false,
  repeatEnd: false,
  endingStart: null,
  endingStop: null,
  style: 'regular',
  meterSign: 'shown',
  lowerClef: null,
};

export interface PlainStaff {
  readonly clef: 'G' | 'F';
  readonly voices: readonly (readonly PlainEvent[])[];
}

/** A note, chord or rest. `duration` is the time it takes; `tuplet` how many stand in the time of how many. */
export interface PlainEvent {
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly notes: readonly PlainNote[];
  readonly tuplet: PlainTuplet | null;
  readonly graces: readonly PlainNote[];
  readonly slurStarts: number;
  readonly slurStops: number;
  readonly lyrics: readonly PlainLyric[];
  readonly chordSymbol: { readonly root: PitchName; readonly text: string; readonly bass: PitchName | null } | null;
  readonly dynamic: string | null;
  readonly articulations: readonly ('staccato' | 'accent' | 'tenuto')[];
  readonly hasFermata: boolean;
  readonly words: string | null;
  /** Whether the writer of the file set the beams: `begin`, `continue`, `end`; null leaves them to us. */
  readonly beam: 'begin' | 'continue' | 'end' | null;
}

export const PLAIN_EVENT: Omit<PlainEvent, 'onset' | 'duration' | 'notes'> = {
  tuplet: null,
  graces: [],
  slurStarts: 0,
  slurStops: 0,
  lyrics: [],
  chordSymbol: null,
  dynamic: null,
  articulations: [],
  hasFermata: false,
  words: null,
  beam: null,
};

export interface PlainNote {
  readonly pitch: Pitch;
  readonly finger: Finger | null;
  readonly tiesOn: boolean;
}

export interface PlainTuplet {
  readonly actual: number;
  readonly normal: number;
  readonly begins: boolean;
  readonly ends: boolean;
}

export interface PlainLyric {
  readonly text: string;
  readonly syllabic: 'single' | 'begin' | 'middle' | 'end';
  readonly extends: boolean;
}
