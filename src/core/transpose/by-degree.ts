import {
  degreeOf,
  diatonicNumber,
  intervalSteps,
  keyOfSignature,
  pitchClass,
  signatureAlter,
  signatureOf,
  type Interval,
  type Key,
  type Mode,
  type Pitch,
  type PitchName,
  type Step,
} from '../pitch';

/** Which sixth and seventh a minor key gets when a piece comes into it from another mode. */
export const DEGREE_FORMS = ['natural', 'raised'] as const;
export type DegreeForm = (typeof DEGREE_FORMS)[number];

/** How a piece goes into another mode: degree by degree. */
export interface ModeChange {
  readonly from: Mode;
  readonly to: Mode;
  readonly sixth: DegreeForm;
  readonly seventh: DegreeForm;
}

/** By how many fifths a signature changes when the mode does and the tonic stays: major to minor is -3. */
export function modeShift({ from, to }: ModeChange): number {
  const tonic = { step: 0, alter: 0 } as const;
  return signatureOf({ tonic, mode: to }) - signatureOf({ tonic, mode: from });
}

/** The signatures, in fifths, that hold where a note stands: the old one and the new. */
export interface Signatures {
  readonly before: number;
  readonly after: number;
}

/** Moves a pitch degree by degree: the letter by the letters of the interval, the sign as the new scale has it, and what
 * the piece altered against its old scale, altered likewise against the new. */
export function pitchByDegree(pitch: Pitch, interval: Interval, signatures: Signatures, change: ModeChange): Pitch {
  const letters = diatonicNumber(pitch) + intervalSteps(interval);
  const step = (((letters % 7) + 7) % 7) as Step;
  return { step, alter: alterByDegree(pitch, step, signatures, change), octave: Math.floor(letters / 7) };
}

/** Moves a pitch name degree by degree. */
export function nameByDegree(
  name: PitchName,
  interval: Interval,
  signatures: Signatures,
  change: ModeChange,
): PitchName {
  const step = ((((name.step + intervalSteps(interval)) % 7) + 7) % 7) as Step;
  return { step, alter: alterByDegree(name, step, signatures, change) };
}

function alterByDegree(old: PitchName, step: Step, { before, after }: Signatures, change: ModeChange): number {
  const key = keyOfSignature(before, change.from);
  const degree = key.ok ? degreeOf(key.value, old.step) : 1;
  const altered = old.alter - signatureAlter(before, old.step);
  return signatureAlter(after, step) + leaving(change, degree, altered) + entering(change, degree);
}

/** The raised sixth and seventh of minor are the plain ones of the other modes. */
function leaving({ from }: ModeChange, degree: number, altered: number): number {
  return from === 'minor' && (degree === 6 || degree === 7) && altered === 1 ? 0 : altered;
}

function entering({ to, sixth, seventh }: ModeChange, degree: number): number {
  if (to !== 'minor') return 0;
  return (degree === 6 && sixth === 'raised') || (degree === 7 && seventh === 'raised') ? 1 : 0;
}

/** The triad on a root in a key: the kind of chord that a major, minor or diminished one becomes there. */
export function triadKind(
  root: PitchName,
  fifths: number,
  key: Key,
  change: ModeChange,
): 'major' | 'minor' | 'diminished' | 'augmented' | null {
  const alterOf = (step: Step): number => signatureAlter(fifths, step) + entering(change, degreeOf(key, step));
  const third = ((root.step + 2) % 7) as Step;
  const fifth = ((root.step + 4) % 7) as Step;
  const semitones = (to: Step): number => (pitchClass({ step: to, alter: alterOf(to) }) - pitchClass(root) + 12) % 12;
  return KINDS[`${semitones(third)}/${semitones(fifth)}`] ?? null;
}

const KINDS: Readonly<Record<string, 'major' | 'minor' | 'diminished' | 'augmented'>> = {
  '4/7': 'major',
  '3/7': 'minor',
  '3/6': 'diminished',
  '4/8': 'augmented',
};
