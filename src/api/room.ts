/** How much of what callers send may be in memory at once. */
export interface RoomLimits {
  readonly bodies: number;
  readonly bytes: number;
}

/** The room that one caller takes up. */
export interface Visit {
  /** Asks for room for so many bytes more; false where there is none. */
  readonly take: (bytes: number) => boolean;
  /** Gives all of it back. Must be called by whoever was let in; twice does no harm. */
  readonly leave: () => void;
}

/** The room for what callers send. It is counted as it comes in: a caller who sends drop by drop takes up no more than the drops. */
export interface Room {
  /** Lets a caller in, or says that there are too many. */
  readonly enter: () => Visit | null;
}

/** Makes a room that is empty. */
export function createRoom(limits: RoomLimits): Room {
  let bodies = 0;
  let bytes = 0;
  return {
    enter: () => {
      if (bodies >= limits.bodies) return null;
      bodies += 1;
      let mine = 0;
      let isInside = true;
      return {
        take: (more) => {
          if (bytes + more > limits.bytes) return false;
          bytes += more;
          mine += more;
          return true;
        },
        leave: () => {
          if (!isInside) return;
          isInside = false;
          bodies -= 1;
          bytes -= mine;
        },
      };
    },
  };
}
