import { err, type Fault, type Result } from '../base';

/** The longest piece that is read. Unit: bars. */
export const MAX_BARS = 5000;

/** The same for ABC and MIDI, where a few signs can ask for any number of bars, each of which costs time. Unit: bars. */
export const MAX_PLAIN_BARS = 2000;

/** What is longer would take a browser's memory, and is no piece. */
export function tooManyBars(limit: number): Result<never, Fault> {
  return err({ code: 'read.too-many-bars', limit });
}
