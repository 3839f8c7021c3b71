import type { Key, Mode, Pitch, PitchName } from '../pitch';
import type { XmlDocument, XmlElement, XmlNode } from '../xml';
import type { Meter, Ticks } from '../time';

/** A piece in the document's own order: typed where we compute, raw where we only carry.
 * Every item keeps its element as read (`xml`); when the score is written the typed values win. */
export interface Score {
  /** The whole document; the parts in it stand as placeholders and are written from `parts`. */
  readonly document: XmlDocument;
  readonly title: string;
  readonly composer: string;
  readonly ticksPerQuarter: number;
  readonly parts: readonly Part[];
}

export interface Part {
  readonly id: string;
  readonly name: string;
  readonly staves: number;
  readonly xml: XmlElement;
  readonly measures: readonly Measure[];
}

/** One bar of one part. `lead` is the silence missing in front of a pick-up; `length` the time that is there.
 * `meter` is the one in force in the bar. */
export interface Measure {
  readonly index: number;
  readonly number: string;
  readonly meter: Meter;
  readonly lead: Ticks;
  readonly length: Ticks;
  readonly xml: XmlElement;
  readonly items: readonly MeasureItem[];
}

export type MeasureItem = NoteItem | AttributesItem | HarmonyItem | CarriedItem;

/** Everything we do not compute with: directions, barlines, backups, sounds, vendor additions, blank text. */
export interface CarriedItem {
  readonly kind: 'carried';
  readonly onset: Ticks;
  readonly node: XmlNode;
}

export type NoteId = string;

/** A note, rest or grace note. Pitches are as written in the part; a transposing part's `transposition` tells how it sounds. */
export interface NoteItem {
  readonly kind: 'note';
  readonly id: NoteId;
  readonly xml: XmlElement;
  readonly pitch: Pitch | null;
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly isGrace: boolean;
  readonly isCue: boolean;
  readonly isChordMember: boolean;
  readonly voice: string;
  readonly staff: number;
  readonly tieStart: boolean;
  readonly tieStop: boolean;
  readonly accidental: DrawnAccidental | null;
  readonly fingers: readonly Finger[];
}

export type Finger = 1 | 2 | 3 | 4 | 5;

/** The signs of print. Source: MusicXML 4.0, `accidental-value`. */
export type AccidentalSign = 'sharp' | 'flat' | 'natural' | 'double-sharp' | 'flat-flat';

/** A sign in front of a note. `courtesy` is one that the bar rule does not ask for. */
export interface DrawnAccidental {
  readonly sign: AccidentalSign;
  readonly courtesy: boolean;
  readonly parentheses: boolean;
}

export interface AttributesItem {
  readonly kind: 'attributes';
  readonly onset: Ticks;
  readonly xml: XmlElement;
  readonly keys: readonly KeySignature[];
  readonly clefs: readonly Clef[];
  readonly transposition: Transposition | null;
}

/** A key signature; `staff` is null where it holds for all staves of the part. */
export interface KeySignature {
  readonly staff: number | null;
  readonly fifths: number;
  readonly mode: Mode | null;
}

/** Where a clef puts its letter. `line` counts from the bottom; `octaveChange` is -1 for 8 below. */
export interface Clef {
  readonly staff: number;
  readonly sign: string;
  readonly line: number;
  readonly octaveChange: number;
}

/** How a transposing part sounds: semitones and letters from written to sounding. */
export interface Transposition {
  readonly semitones: number;
  readonly steps: number;
}

/** A chord symbol. Its root and bass move with the piece. */
export interface HarmonyItem {
  readonly kind: 'harmony';
  readonly onset: Ticks;
  readonly xml: XmlElement;
  readonly roots: readonly PitchName[];
  readonly basses: readonly PitchName[];
}

/** A key with the reason why it is thought to be the piece's own. */
export interface FoundKey {
  readonly key: Key;
  readonly source: 'given' | 'written' | 'found';
  readonly runnerUp: Key | null;
  /** How far the key leads the runner-up. */
  readonly certainty: 'sure' | 'likely' | 'open';
}

export type Hand = 'right' | 'left';
