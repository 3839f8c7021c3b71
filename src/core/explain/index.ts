export { barsText, flagWords } from './en-flags';
export type { FlagWords } from './en-flags';
export { faultWords } from './en-faults';
export type { FaultWords } from './en-faults';
export { handsWords, positionWords, spanText } from './en-hands';
export { remarkBar, remarkWords } from './en-remarks';
