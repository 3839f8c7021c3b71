import { err, type Fault, type Result } from '../base';

/** The longest piece that is read. Unit: bars. */
export const MAX_BARS = 5000;

/** What is longer would take a browser's memory, and is no piece. */
export function tooManyBars(): Result<never, Fault> {
  return err({ code: 'read.too-many-bars', limit: MAX_BARS });
}
