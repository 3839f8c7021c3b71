import { err, ok, type Fault, type Result } from '../base';
import { MAX_ALTER, STEP_FIFTHS, STEP_SEMITONES, type Step } from './letters.table';

/** A pitch class as it is spelled: F♯ and G♭ differ. `alter` counts semitones, -3..3. */
export interface PitchName {
  readonly step: Step;
  readonly alter: number;
}

/** A spelled pitch. `octave` 4 holds middle C (C4) and changes between B and C. */
export interface Pitch extends PitchName {
  readonly octave: number;
}

/** A pitch as a point: `fifths` on the line of fifths from C, and `octaves` left over.
 * In these coordinates moving by an interval is adding two vectors. */
export interface Coordinates {
  readonly fifths: number;
  readonly octaves: number;
}

/** Place on the line of fifths, from C. A sharp adds seven.
 * @example fifthsOf({ step: 3, alter: 1 }) //=> 6 */
export function fifthsOf(name: PitchName): number {
  return STEP_FIFTHS[name.step] + 7 * name.alter;
}

/** The pitch name at a place on the line of fifths. Errors: `pitch.out-of-range` beyond triple signs.
 * @example nameAtFifths(6) //=> ok F♯ */
export function nameAtFifths(fifths: number): Result<PitchName, Fault> {
  const alter = Math.floor((fifths + 1) / 7);
  if (Math.abs(alter) > MAX_ALTER) return outOfRange('fifths', fifths);
  const natural = fifths - 7 * alter;
  const step = STEP_FIFTHS.findIndex((value) => value === natural) as Step;
  return ok({ step, alter });
}

/** Counts letters from C0: neighbours on the staff differ by one. C4 is 28. */
export function diatonicNumber(pitch: Pitch): number {
  return pitch.step + 7 * pitch.octave;
}

/** The key on the keyboard as a MIDI number: C4 is 60, whatever the spelling. */
export function midiNumber(pitch: Pitch): number {
  return STEP_SEMITONES[pitch.step] + pitch.alter + 12 * (pitch.octave + 1);
}

/** Semitone of a pitch name within the octave, 0..11. */
export function pitchClass(name: PitchName): number {
  return (((STEP_SEMITONES[name.step] + name.alter) % 12) + 12) % 12;
}

export function toCoordinates(pitch: Pitch): Coordinates {
  const fifths = fifthsOf(pitch);
  return { fifths, octaves: (diatonicNumber(pitch) - 4 * fifths) / 7 };
}

/** The pitch at a point. Errors: `pitch.out-of-range` beyond triple signs. */
export function fromCoordinates(point: Coordinates): Result<Pitch, Fault> {
  const name = nameAtFifths(point.fifths);
  if (!name.ok) return name;
  const diatonic = 4 * point.fifths + 7 * point.octaves;
  return ok({ ...name.value, octave: (diatonic - name.value.step) / 7 });
}

export function samePitch(a: Pitch, b: Pitch): boolean {
  return a.step === b.step && a.alter === b.alter && a.octave === b.octave;
}

export function outOfRange(unit: 'fifths' | 'semitones', amount: number): Result<never, Fault> {
  return err({ code: 'pitch.out-of-range', unit, amount });
}
