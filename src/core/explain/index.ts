export { barFactWords } from './en-bars';
export type { BarFact } from './en-bars';
export { barsText, shortened } from './en-common';
export { flagWords } from './en-flags';
export { sourceWords } from './en-finger-sources';
export { costWords, priceWords } from './en-rules';
export { pupilWords } from './en-pupil';
export { faultWords } from './en-faults';
export { changesWords, handsWords, positionParts, positionWords, sharedPlaceWords, spanText } from './en-hands';
export { chordStepsWords, chordWords } from './en-chords';
export { decisionWords } from './en-decisions';
export { KIND_NAMES } from './en-kinds';
export { LABEL_NAMES, labelWords } from './en-labels';
export { MARK_NAMES, kindWords, markText } from './en-marks';
export { remarkBar, remarkWords } from './en-remarks';
export { editWords, noticeWords, NOTHING_ENTERED, entryWords, miscountWords, sumWords } from './en-edits';
export { effortWords, leaveOutWords } from './en-survey';
export {
  CARD_LINES,
  DRILL_AIMS,
  DRILL_NAMES,
  FIND_NAMES,
  RHYTHM_NAMES,
  blackWordsOf,
  drillTitle,
  questionWords,
  signatureWords,
  turningWords,
  verdictWords,
} from './en-atlas';
export { serviceFaultWords } from './en-services';
export type { ServiceFault } from './en-services';
