export { barsText } from './en-common';
export type { FlagWords } from './en-common';
export { flagWords } from './en-flags';
export { costWords, reasonWords } from './en-rules';
export { pupilWords } from './en-pupil';
export { faultWords } from './en-faults';
export type { FaultWords } from './en-faults';
export { changesWords, handsWords, positionWords, sharedPlaceWords, spanText } from './en-hands';
export { remarkBar, remarkWords } from './en-remarks';
