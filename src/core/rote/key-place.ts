import { isBlackKey } from '../keyboard';
import {
  diatonicNumber,
  midiNumber,
  pitchClass,
  signatureOf,
  spellKey,
  type Key,
  type Pitch,
  type PitchName,
} from '../pitch';
import type { RoteNote, RoteWay } from './rote-sheet';

const MIDDLE_C = 60;
const KEYS = 12;

/** Where a key lies on the keyboard: which of the twelve of its octave, C first, and in which octave, 0 for the one that begins with middle C. */
export interface KeyPlace {
  readonly place: number;
  readonly octave: number;
  readonly isBlack: boolean;
}

export function keyPlace(pitch: Pitch): KeyPlace {
  const midi = midiNumber(pitch);
  const octave = Math.floor((midi - MIDDLE_C) / KEYS);
  return { place: midi - MIDDLE_C - octave * KEYS, octave, isBlack: isBlackKey(midi) };
}

/** The pitch of a name in an octave as `keyPlace` counts them, by its key: B♯ in octave 0 is the key of middle C. */
export function pitchInOctave(name: PitchName, octave: number): Pitch {
  const plain = { ...name, octave: 0 };
  const midi = MIDDLE_C + octave * KEYS + pitchClass(name);
  return { ...plain, octave: Math.round((midi - midiNumber(plain)) / KEYS) };
}

/** A key by its place, as the key signature spells it. */
export function spelledPlace(key: Key, { place, octave }: Omit<KeyPlace, 'isBlack'>): Pitch {
  const midi = MIDDLE_C + octave * KEYS + place;
  return spellKey({ midi, before: null, next: null }, signatureOf(key), key.mode === 'major' ? 'major' : 'minor');
}

/** The next key of a name above another. */
export function nextNamedAbove(name: PitchName, below: Pitch): Pitch {
  const found = pitchInOctave(name, keyPlace(below).octave);
  return midiNumber(found) > midiNumber(below) ? found : { ...found, octave: found.octave + 1 };
}

/** The next key of a place above another, as the key signature spells it. */
export function nextPlaceAbove(key: Key, place: number, below: Pitch): Pitch {
  const from = keyPlace(below);
  return spelledPlace(key, { place, octave: from.octave + (place > from.place ? 0 : 1) });
}

/** Whether a key is the next of its name above another. */
export function isNextAbove(pitch: Pitch, below: Pitch): boolean {
  const by = midiNumber(pitch) - midiNumber(below);
  return by > 0 && by <= KEYS;
}

/** How one note comes from another. */
export function wayBetween(from: Pitch, to: Pitch): RoteWay {
  return {
    letters: diatonicNumber(to) - diatonicNumber(from),
    semitones: midiNumber(to) - midiNumber(from),
  };
}

/** Notes that are struck together, from the lowest key up. */
export function fromLowest(notes: readonly RoteNote[]): readonly RoteNote[] {
  return notes.toSorted((a, b) => midiNumber(a.pitch) - midiNumber(b.pitch));
}
