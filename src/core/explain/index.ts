export { languageOf, USUAL_LANGUAGE } from './language';
export type { Language } from './language';
export {
  BAR_WORDS,
  FINGER_WORDS,
  FIRST_DAYS,
  LANGUAGE_NAMES,
  LENGTHS,
  NOTE_NAMES,
  RHYTHM_WORDS,
  USUAL_WORDING,
} from './wording';
export type { Wording } from './wording';
export { wordsOf } from './words';
export type { Words } from './words';
export { typedAsLetters } from './note-names';
export type { BarFact } from './en/bars';
export { shortened } from './en/common';
export { remarkBar } from './en/remarks';
export type { ServiceFault } from './en/services';
export { readRote } from './en/rote/read-rote';
export { roteLines } from './en/rote/rote-told';
export type { RoteBlock, RoteStyle, RoteTold, RoteToldRow } from './en/rote/rote-told';
