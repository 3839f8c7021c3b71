export type {
  AccidentalSign,
  AttributesItem,
  CarriedItem,
  Clef,
  DrawnAccidental,
  Finger,
  FoundKey,
  Hand,
  HarmonyItem,
  KeySignature,
  Measure,
  MeasureItem,
  NoteId,
  NoteItem,
  Part,
  Score,
  Transposition,
} from './score';
export { handNotes, handOfStaff, handsOf, leftOutBefore, pupilPart, soundingShift } from './hands';
export type { HandNote } from './hands';
export { pitchElement } from './pitch-element';
export { struckNotes, tiedFrom } from './struck';
export { attributesOf, firstSignature, isRhythm, itemsOf, mapMeasures, notesOf } from './lookups';
export { syllableAt } from './syllable';
export { clefsAfter, staffPlace } from './clef';
