/** How much of what callers send may be in memory at once: of all together, of one caller, and how much of it is kept free for what is small. Unit: bytes. */
export interface RoomLimits {
  readonly bytes: number;
  readonly each: number;
  readonly kept: number;
  /** What is not larger than this is small. */
  readonly small: number;
  /** How long what is large waits for room before it is refused. Unit: ms. */
  readonly waitMs: number;
}

/** The room that one body takes up. */
export interface Visit {
  /** Asks for room for so many bytes more; false where there is none now. */
  readonly take: (bytes: number) => boolean;
  /** The same, and waits for it: what is large is not read before there is room for all of it. */
  readonly wait: (bytes: number) => Promise<boolean>;
  /** Gives all of it back. Must be called by whoever was let in; twice does no harm. */
  readonly leave: () => void;
}

/** The room for what callers send. It is counted as it comes in, by caller: who sends drop by drop takes up no more than the drops, and who sends much takes
 * nothing away from others. */
export interface Room {
  readonly small: number;
  readonly enter: (caller: string) => Visit;
}

/** Makes a room that is empty. */
export function createRoom({ bytes, each, kept, small, waitMs }: RoomLimits): Room {
  const byCaller = new Map<string, number>();
  /** Those who wait; each looks whether there is room by now, and says whether it has it. */
  const waiting = new Set<() => boolean>();
  let all = 0;
  const add = (caller: string, more: number): void => {
    const now = (byCaller.get(caller) ?? 0) + more;
    all += more;
    if (now > 0) byCaller.set(caller, now);
    else byCaller.delete(caller);
  };

  const enter = (caller: string): Visit => {
    let mine = 0;
    let isInside = true;
    const take = (more: number): boolean => {
      const isSmall = mine + more <= small;
      const hasRoom = all + more <= (isSmall ? bytes : bytes - kept);
      const isOwn = isSmall || (byCaller.get(caller) ?? 0) + more <= each;
      if (!isInside || !hasRoom || !isOwn) return false;
      mine += more;
      add(caller, more);
      return true;
    };
    const wait = (more: number): Promise<boolean> => {
      if (take(more)) return Promise.resolve(true);
      return new Promise((resolve) => {
        const look = (): boolean => {
          const isTaken = take(more);
          if (isTaken) end(true);
          return isTaken;
        };
        const end = (isTaken: boolean): void => {
          waiting.delete(look);
          clearTimeout(timer);
          resolve(isTaken);
        };
        const timer = setTimeout(end, waitMs, false);
        waiting.add(look);
      });
    };
    const leave = (): void => {
      if (!isInside) return;
      isInside = false;
      add(caller, -mine);
      for (const look of [...waiting]) look();
    };
    return { take, wait, leave };
  };
  return { small, enter };
}
