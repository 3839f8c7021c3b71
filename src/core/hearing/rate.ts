/** The rate at which everything is heard, whatever the microphone gives: high enough for the overtones that tell notes apart, and the rate that the model
 * which listens after the piece was trained at. Unit: samples a second. */
export const HEARD_RATE = 22_050;

/** A time as a number of samples. Unit: ms. */
export function samplesIn(ms: number): number {
  return Math.round((ms * HEARD_RATE) / 1000);
}
