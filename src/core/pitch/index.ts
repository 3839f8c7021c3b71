export { LETTERS } from './letters.table';
export type { Letter, Step } from './letters.table';
export {
  diatonicNumber,
  fifthsOf,
  fromCoordinates,
  midiNumber,
  nameAtFifths,
  pitchClass,
  samePitch,
  toCoordinates,
} from './pitch';
export type { Coordinates, Pitch, PitchName } from './pitch';
export { namePrint, nameText, parseName, parsePitch, pitchPrint, pitchText, stepOfLetter } from './pitch-text';
export {
  UNISON,
  addIntervals,
  intervalBetween,
  intervalName,
  intervalOf,
  intervalSemitones,
  intervalSteps,
  negateInterval,
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
export type { SoundingKey } from './key-profile';
export { spellKey } from './spell';
export type { HeardKey } from './spell';
