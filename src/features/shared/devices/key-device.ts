/** A key of a piano keyboard going down or up. Time in ms of `performance.now()`. */
export interface KeyMove {
  readonly midi: number;
  readonly press: 'down' | 'up';
  readonly atMs: number;
  /** How fast it went down, as MIDI has it, 1..127; none where the device cannot tell. */
  readonly velocity?: number;
  /** How likely it was struck at all, as log odds, where it was only heard; none where the device knows. */
  readonly odds?: number;
}

/** Something with piano keys: on the screen, the computer's keyboard, a MIDI keyboard, or one that only pretends. */
export interface KeyDevice {
  /** Tells of every key; gives back how to stop. Rejects with a `DeviceTrouble` where the device cannot be had. */
  readonly listen: (tell: (move: KeyMove) => void) => Promise<() => void>;
}

/** Why a device cannot be had, in words for teachers. */
export class DeviceTrouble extends Error {
  constructor(
    message: string,
    readonly hint: string,
  ) {
    super(message);
    this.name = 'DeviceTrouble';
  }
}
