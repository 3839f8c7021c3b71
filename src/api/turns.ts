/** Who waits, by caller: each has a turn after all the others had one. */
export interface Turns<T> {
  readonly enter: (caller: string, one: T) => void;
  readonly leave: (caller: string, one: T) => void;
  readonly next: () => T | undefined;
  readonly count: () => number;
  readonly countOf: (caller: string) => number;
}

export function createTurns<T>(): Turns<T> {
  /** In the order of their turns. */
  const lines = new Map<string, Set<T>>();
  let all = 0;
  const leave = (caller: string, one: T): void => {
    const line = lines.get(caller);
    if (!line?.delete(one)) return;
    all -= 1;
    if (line.size === 0) lines.delete(caller);
  };
  return {
    enter: (caller, one) => {
      const line = lines.get(caller) ?? new Set<T>();
      lines.set(caller, line.add(one));
      all += 1;
    },
    leave,
    next: () => {
      const [first] = lines;
      if (!first) return undefined;
      const [caller, line] = first;
      const [one] = line;
      if (one === undefined) return undefined;
      leave(caller, one);
      if (lines.delete(caller)) lines.set(caller, line);
      return one;
    },
    count: () => all,
    countOf: (caller) => lines.get(caller)?.size ?? 0,
  };
}
