/* eslint max-params: ["error", 6] -- done for every path and key, some million times: nothing may be made on the way */
import { BROKEN_PULSE } from './alignment-costs.table';

/** Paths of laying keys along notes, as far as they have come, a row of them for each key; by number. A path stands at a moment (-1 in front of all), has taken some of its notes
 * (`mask`, a bit each), the last of them with the key `anchor`. `parent` is the path that it comes from (-1 for none), `note` what its last key was taken for (-1 for none).
 * Kept as columns of numbers: there are some hundred thousand of them in ten minutes of playing. */
export interface Paths {
  readonly moment: (path: number) => number;
  readonly mask: (path: number) => number;
  readonly anchor: (path: number) => number;
  readonly cost: (path: number) => number;
  readonly parent: (path: number) => number;
  readonly note: (path: number) => number;
  /** Whether the player began anew with its last key. */
  readonly begins: (path: number) => boolean;
  /** Begins the next row; gives the number of its first path. */
  readonly beginRow: () => number;
  /** Takes a path into the row, unless its place was reached more cheaply. `from` is the parent, as `beginningFrom` tells it where the player begins anew. */
  readonly take: (moment: number, mask: number, anchor: number, cost: number, from: number, note: number) => void;
  /** The cheapest of the row so far. */
  readonly leastCost: () => number;
  readonly count: () => number;
}

/** Costs that differ by less are equal. */
export const TINY = 1e-9;

/** Where a path comes from when the player begins anew with it: told apart from going on by its sign. */
export function beginningFrom(parent: number): number {
  return -2 - parent;
}

/** No paths yet, for a music of so many moments. */
export function createPaths(momentCount: number): Paths {
  const moments: number[] = [];
  const masks: number[] = [];
  const anchors: number[] = [];
  const costs: number[] = [];
  const origins: number[] = [];
  const notes: number[] = [];
  // The paths of this row that stand at a moment hang together: the last one that came, and the one before each.
  const last = new Int32Array(momentCount + 1);
  const rowOf = new Int32Array(momentCount + 1).fill(-1);
  const before: number[] = [];
  let row = -1;
  let least = Infinity;

  return {
    moment: (path) => moments[path] as number,
    mask: (path) => masks[path] as number,
    anchor: (path) => anchors[path] as number,
    cost: (path) => costs[path] as number,
    parent: (path) => parentOf(origins[path] as number),
    note: (path) => notes[path] as number,
    begins: (path) => (origins[path] as number) <= beginningFrom(0),
    beginRow: () => {
      row += 1;
      least = Infinity;
      return moments.length;
    },
    take: (moment, mask, anchor, cost, from, note) => {
      const slot = moment + 1;
      if (cost < least) least = cost;
      const newest = rowOf[slot] === row ? (last[slot] as number) : -1;
      for (let other = newest; other >= 0; other = before[other] as number) {
        if (masks[other] !== mask) continue;
        const there = costs[other] as number;
        if (anchors[other] === anchor) {
          if (cost >= there - TINY) return;
          costs[other] = cost;
          origins[other] = from;
          notes[other] = note;
          return;
        }
        // The same place with another last key: only the time to the next key can differ.
        if (cost > there + BROKEN_PULSE) return;
      }
      last[slot] = moments.length;
      rowOf[slot] = row;
      before.push(newest);
      moments.push(moment);
      masks.push(mask);
      anchors.push(anchor);
      costs.push(cost);
      origins.push(from);
      notes.push(note);
    },
    leastCost: () => least,
    count: () => moments.length,
  };
}

function parentOf(origin: number): number {
  return origin <= beginningFrom(0) ? beginningFrom(origin) : origin;
}
