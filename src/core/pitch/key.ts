import { ok, type Fault, type Result } from '../base';
import { STEP_SEMITONES, type Step } from './letters.table';
import { namePrint, nameText, parseName } from './pitch-text';
import { fifthsOf, nameAtFifths, type PitchName } from './pitch';
import { intervalOf, type Interval } from './interval';

/** The modes a key signature can stand for. */
export const MODES = [
  'major',
  'minor',
  'dorian',
  'phrygian',
  'lydian',
  'mixolydian',
  'aeolian',
  'locrian',
  'ionian',
] as const;
export type Mode = (typeof MODES)[number];

/** A key: its tonic as spelled, and its mode. */
export interface Key {
  readonly tonic: PitchName;
  readonly mode: Mode;
}

/** How far the tonic of a mode lies from the tonic of the major key with the same signature. Unit: fifths.
 * Source: the church modes on the white keys (D dorian, E phrygian …), common practice.
 * Checked by: key.test.ts against tonal's mode signatures. */
const MODE_FIFTHS: Readonly<Record<Mode, number>> = {
  major: 0,
  ionian: 0,
  lydian: -1,
  mixolydian: 1,
  dorian: 2,
  minor: 3,
  aeolian: 3,
  phrygian: 4,
  locrian: 5,
};

/** The widest printed signature, in signs: seven sharps or seven flats. */
export const MAX_SIGNS = 7;

/** The signature of a key: sharps above zero, flats below. May exceed seven signs for keys such as G♯ major. */
export function signatureOf(key: Key): number {
  return fifthsOf(key.tonic) - MODE_FIFTHS[key.mode];
}

/** The key with this signature and mode. Errors: `pitch.out-of-range`.
 * @example keyOfSignature(2, 'minor') //=> ok B minor */
export function keyOfSignature(fifths: number, mode: Mode): Result<Key, Fault> {
  const tonic = nameAtFifths(fifths + MODE_FIFTHS[mode]);
  return tonic.ok ? ok({ tonic: tonic.value, mode }) : tonic;
}

/** The fifteen keys of a mode, from seven flats to seven sharps. */
export function fifteenKeys(mode: Mode): readonly Key[] {
  return signaturesAround(0)
    .map((fifths) => ({ tonic: nameAtFifths(fifths + MODE_FIFTHS[mode]), mode }))
    .flatMap(({ tonic }) => (tonic.ok ? [{ tonic: tonic.value, mode }] : []))
    .sort((a, b) => signatureOf(a) - signatureOf(b));
}

/** Whether a mode has a minor third above its tonic. */
export function hasMinorThird(mode: Mode): boolean {
  return ['minor', 'aeolian', 'dorian', 'phrygian', 'locrian'].includes(mode);
}

/** All printable signatures, first the given one, then widening: +1, -1, +2 … */
export function signaturesAround(fifths: number): readonly number[] {
  const widening = Array.from({ length: 4 * MAX_SIGNS + 1 }, (_, i) => fifths + (i % 2 === 1 ? (i + 1) / 2 : -i / 2));
  return widening.filter((value) => Math.abs(value) <= MAX_SIGNS);
}

/** Order in which sharps are written; flats come in the reverse order.
 * Source: common practice. Checked by: key.test.ts against tonal. */
const SHARP_ORDER: readonly Step[] = [3, 0, 4, 1, 5, 2, 6];

/** The alteration a signature gives to a letter: one sharp makes F sharp. */
export function signatureAlter(fifths: number, step: Step): number {
  const place = SHARP_ORDER.indexOf(step);
  return Math.floor((fifths - 1 - place) / 7) + 1;
}

/** Degree of a letter in a key: 1 for the tonic's letter, 7 for the one below it. */
export function degreeOf(key: Key, step: Step): number {
  return ((step - key.tonic.step + 7) % 7) + 1;
}

/** The key of the other mode, major or minor, with the same signature. Errors: `pitch.out-of-range`.
 * @example relativeKey(C major) //=> ok A minor */
export function relativeKey(key: Key): Result<Key, Fault> {
  return keyOfSignature(signatureOf(key), key.mode === 'minor' ? 'major' : 'minor');
}

/** The key of the other mode, major or minor, on the same tonic. It may need more signs than print has. */
export function parallelKey(key: Key): Key {
  return { tonic: key.tonic, mode: key.mode === 'minor' ? 'major' : 'minor' };
}

/** The signs of a signature in the order in which they are written: four sharps are F♯ C♯ G♯ D♯. */
export function signatureSigns(fifths: number): readonly PitchName[] {
  const order = fifths > 0 ? SHARP_ORDER : SHARP_ORDER.toReversed();
  return order.slice(0, Math.abs(fifths)).map((step) => ({ step, alter: Math.sign(fifths) }));
}

/** The same sounding tonic spelled the other way, with the signature turned over by twelve fifths.
 * @example enharmonicKey(C♯ major) //=> ok D♭ major */
export function enharmonicKey(key: Key): Result<Key, Fault> {
  return keyOfSignature(signatureOf(key) + (signatureOf(key) > 0 ? -12 : 12), key.mode);
}

export function sameKey(a: Key, b: Key): boolean {
  return a.mode === b.mode && a.tonic.step === b.tonic.step && a.tonic.alter === b.tonic.alter;
}

/** Which way a piece moves: `nearest` is at most a tritone, and a tritone goes up. */
export const DIRECTIONS = ['nearest', 'up', 'down'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** The interval from one tonic to another. The same tonic does not move, in any direction;
 * enharmonic tonics move by a diminished second and sound the same, in any direction.
 * @example intervalToKey(C major, D major, 'nearest') //=> M2 up */
export function intervalToKey(from: Key, to: Key, direction: Direction): Interval {
  const steps = to.tonic.step - from.tonic.step;
  const semitones = STEP_SEMITONES[to.tonic.step] + to.tonic.alter - STEP_SEMITONES[from.tonic.step] - from.tonic.alter;
  const octaves = octavesToward(semitones, direction);
  return intervalOf(steps + 7 * octaves, semitones + 12 * octaves);
}

/** How many octaves to add to a distance so that it goes the wanted way. */
function octavesToward(semitones: number, direction: Direction): number {
  const upward = (((semitones % 12) + 12) % 12) - semitones;
  const isSameKey = (semitones + upward) % 12 === 0;
  const size = semitones + upward;
  const goesDown = !isSameKey && (direction === 'down' || (direction === 'nearest' && size > 6));
  return upward / 12 - (goesDown ? 1 : 0);
}

/** A key for machines: `Bb-major`. */
export function keyText(key: Key): string {
  return `${nameText(key.tonic)}-${key.mode}`;
}

/** A key for eyes: `B♭ major`. */
export function keyPrint(key: Key): string {
  return `${namePrint(key.tonic)} ${key.mode}`;
}

/** Reads a key as the scripting interface writes it: `D`, `Bb`, `F#`, `Bb-major`, `c-minor`, `D dorian`.
 * `defaultMode` counts where none is named. Undefined where it is no key, or one beyond seven signs. */
export function parseKey(text: string, defaultMode: Mode): Key | undefined {
  const match = /^([A-Ga-g](?:##?|bb?|♯|♭|sharp|flat)?)(?:[-_ ]+([A-Za-z]+))?$/.exec(text.trim());
  if (!match) return undefined;
  const tonic = parseName(match[1] as string);
  const mode = match[2] === undefined ? defaultMode : MODES.find((name) => name === match[2]?.toLowerCase());
  if (!tonic || !mode) return undefined;
  const key: Key = { tonic, mode };
  return Math.abs(signatureOf(key)) <= MAX_SIGNS ? key : undefined;
}
