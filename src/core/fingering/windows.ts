import { lastingMemo } from '../base';

/** The windows of a position that may be wider than its grip: by how many letters it reaches below and above it, at most so many together. The first is the
 * empty one. One entry a window. */
export interface Windows {
  readonly count: number;
  readonly below: Int32Array;
  readonly above: Int32Array;
  /** Both together. */
  readonly wider: Int32Array;
  /** What staying does to a window: `down` and `up` are by how many letters the ends of the new grip lie above those of the old one, `room` by how many
   * the new position may be wider than the new grip. */
  readonly staying: (down: number, up: number, room: number) => Staying;
}

/** The window that each window becomes (-1 where the position would be too wide), and by how many letters the position grows at either end. */
export interface Staying {
  readonly next: Int8Array;
  readonly grownBelow: Int8Array;
  readonly grownAbove: Int8Array;
}

const kept = lastingMemo<Windows>(8);

export function windowsOf(widest: number): Windows {
  return kept.get(String(widest), () => makeWindows(widest));
}

function makeWindows(widest: number): Windows {
  const all = Array.from({ length: widest + 1 }, (_, below) =>
    Array.from({ length: widest + 1 - below }, (_, above) => [below, above] as const),
  ).flat();
  const tables: Staying[] = [];
  // Ends that lie further off leave no window open, as if they were just out of reach.
  const most = 2 * (widest + 1);
  const within = (letters: number): number => Math.max(-most, Math.min(most, letters));
  return {
    count: all.length,
    below: Int32Array.from(all, ([below]) => below),
    above: Int32Array.from(all, ([, above]) => above),
    wider: Int32Array.from(all, ([below, above]) => below + above),
    staying: (down, up, room) => {
      const at = ((within(down) + most) * (2 * most + 1) + within(up) + most) * (widest + 2) + Math.max(room, -1) + 1;
      return (tables[at] ??= makeStaying(all, within(down), within(up), room));
    },
  };
}

function makeStaying(all: readonly (readonly [number, number])[], down: number, up: number, room: number): Staying {
  const reached = all.map(([below, above]) => [Math.max(0, below + down), Math.max(0, above - up)] as const);
  return {
    next: Int8Array.from(reached, ([below, above], window) => {
      // A grip wider than the level allows may only be repeated.
      const isRepeated = window === 0 && down === 0 && up === 0;
      if (below + above > room && !isRepeated) return -1;
      return isRepeated ? 0 : all.findIndex(([b, a]) => b === below && a === above);
    }),
    grownBelow: Int8Array.from(all, ([below]) => Math.max(0, -down - below)),
    grownAbove: Int8Array.from(all, ([, above]) => Math.max(0, up - above)),
  };
}
