export { LETTERS } from './letters.table';
export type { Letter, Step } from './letters.table';
export { diatonicNumber, fifthsOf, midiNumber, nameAtFifths, pitchClass, samePitch } from './pitch';
export type { Pitch, PitchName } from './pitch';
export { namePrint, nameText, parseName, parsePitch, pitchText, stepOfLetter } from './pitch-text';
export {
  UNISON,
  addIntervals,
  intervalName,
  intervalOf,
  intervalSemitones,
  intervalSteps,
  transposeBy,
  transposeName,
} from './interval';
export type { Interval } from './interval';
export {
  DIRECTIONS,
  MAX_SIGNS,
  MODES,
  degreeOf,
  enharmonicKey,
  fifteenKeys,
  hasMinorThird,
  intervalToKey,
  keyOfSignature,
  keyPrint,
  keyText,
  parallelKey,
  parseKey,
  relativeKey,
  sameKey,
  signatureAlter,
  signatureOf,
  signatureSigns,
  signaturesAround,
} from './key';
export type { Direction, Key, Mode } from './key';
export { profileFit, rankKeys } from './key-profile';
export { spellKey } from './spell';
