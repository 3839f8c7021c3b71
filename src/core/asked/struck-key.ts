/** A key that was struck on an instrument. Times in ms from the beginning of what was taken down; `velocity` is MIDI's, 1..127. */
export interface StruckKey {
  readonly midi: number;
  readonly downMs: number;
  readonly upMs: number;
  readonly velocity: number;
}
