/* eslint max-params: ["error", 6] -- done for every way and key, some million times: nothing may be made on the way */
import { BROKEN_PULSE } from './alignment-costs.table';

/** Ways of laying keys along notes, as far as they have come, a row of them for each key; by number. A way stands at a moment (-1 in front of all), has taken some of its notes
 * (`mask`, a bit each), the last of them with the key `anchor`. `parent` is the way that it comes from (-1 for none), `note` what its last key was taken for (-1 for none).
 * Kept as columns of numbers: there are some hundred thousand of them in ten minutes of playing. */
export interface Ways {
  readonly moment: (way: number) => number;
  readonly mask: (way: number) => number;
  readonly anchor: (way: number) => number;
  readonly cost: (way: number) => number;
  readonly parent: (way: number) => number;
  readonly note: (way: number) => number;
  /** Whether the player began anew with its last key. */
  readonly begins: (way: number) => boolean;
  /** Begins the next row; gives the number of its first way. */
  readonly beginRow: () => number;
  /** Takes a way into the row, unless its place was reached more cheaply. `from` is the parent, as `beginningFrom` tells it where the player begins anew. */
  readonly take: (moment: number, mask: number, anchor: number, cost: number, from: number, note: number) => void;
  /** The cheapest of the row so far. */
  readonly leastCost: () => number;
  readonly count: () => number;
}

/** Costs that differ by less are equal. */
export const TINY = 1e-9;

/** Where a way comes from when the player begins anew with it: told apart from going on by its sign. */
export function beginningFrom(parent: number): number {
  return -2 - parent;
}

/** No ways yet, for a music of so many moments. */
export function createWays(momentCount: number): Ways {
  const moments: number[] = [];
  const masks: number[] = [];
  const anchors: number[] = [];
  const costs: number[] = [];
  const origins: number[] = [];
  const notes: number[] = [];
  // The ways of this row that stand at a moment hang together: the last one that came, and the one before each.
  const last = new Int32Array(momentCount + 1);
  const rowOf = new Int32Array(momentCount + 1).fill(-1);
  const before: number[] = [];
  let row = -1;
  let least = Infinity;

  return {
    moment: (way) => moments[way] as number,
    mask: (way) => masks[way] as number,
    anchor: (way) => anchors[way] as number,
    cost: (way) => costs[way] as number,
    parent: (way) => parentOf(origins[way] as number),
    note: (way) => notes[way] as number,
    begins: (way) => (origins[way] as number) <= beginningFrom(0),
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
