/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import { memoOf } from '../base';
import type { Grip } from './grip';
import { growth, middle, TRANSITIONS, type Transition, type Meeting } from './meeting';
import { tallyMove } from './move-cost';
import { tallyPass } from './pass-cost';
import type { Setting } from './setting';
import { tallyStay } from './stay-cost';
import { costTally, RULE, totalCost } from './tally';
import { windowsOf, type Staying } from './windows';

/** What the transitions between the grips of two moments cost. Moving is possible between any two: one entry a pair, at `grip before * grips now + grip now`.
 * `kinds` tells how the hand moves without a crossing, as an index into `TRANSITIONS`; `pass` is what a crossing costs, Infinity where there is none. */
export interface TransitionTable {
  readonly move: Float64Array;
  readonly kinds: Uint8Array;
  readonly pass: Float64Array;
  /** What a new position costs that is as wide as the grip that it begins with, one entry a grip now. */
  readonly opening: Float64Array;
  /** The most that it costs to come to a new position from each grip before. */
  readonly dearest: Float64Array;
  readonly stays: Stays;
}

/** Where the hand can stay, in rows of the grip before: those of grip `p` are the entries from `starts[p]` up to `starts[p + 1]`. */
export interface Stays {
  readonly starts: Int32Array;
  /** The grip now, and what it costs to stay. */
  readonly to: Int32Array;
  readonly cost: Float64Array;
  /** What each letter costs by which the position grows at its lower and at its upper end. */
  readonly down: Float64Array;
  readonly up: Float64Array;
  /** What it does to the window of the position. */
  readonly windows: readonly Staying[];
}

/** What it costs to come to a new position, by a crossing or without, one entry a pair. */
export const newPositions = memoOf((table: TransitionTable): Float64Array =>
  table.move.map(
    (plain, pair) =>
      Math.min(plain, table.pass[pair] as number) + (table.opening[pair % table.opening.length] as number),
  ),
);

/** Whether the cheaper way is a crossing. */
export function movesByCrossing(table: TransitionTable, pair: number): boolean {
  return (table.pass[pair] as number) < (table.move[pair] as number);
}

/** What a hand of these grips pays to come to those, in a position that may be so many letters wider than five. */
export function transitionTable(
  setting: Setting,
  meeting: Meeting,
  from: readonly Grip[],
  to: readonly Grip[],
  widest: number,
): TransitionTable {
  const size = from.length * to.length;
  const [move, kinds, pass] = [new Float64Array(size), new Uint8Array(size), new Float64Array(size)];
  from.forEach((a, p) =>
    to.forEach((b, q) => {
      const pair = p * to.length + q;
      const [kind, cost] = moveCost(setting, meeting, a, b);
      move[pair] = cost;
      kinds[pair] = TRANSITIONS.indexOf(kind);
      pass[pair] = passCost(setting, meeting, a, b);
    }),
  );
  const openCost = setting.demands.weights[RULE.open] as number;
  const opening = Float64Array.from(to, ({ low, high }) => openCost * (high - low));
  return {
    move,
    kinds,
    pass,
    opening,
    dearest: dearestOf({ move, pass, opening }),
    stays: staysOf(setting, meeting, from, to, widest),
  };
}

function dearestOf({ move, pass, opening }: Pick<TransitionTable, 'move' | 'pass' | 'opening'>): Float64Array {
  const dearest = new Float64Array(move.length / opening.length);
  move.forEach((plain, pair) => {
    const p = Math.floor(pair / opening.length);
    const price = Math.min(plain, pass[pair] as number) + (opening[pair % opening.length] as number);
    dearest[p] = Math.max(dearest[p] as number, price);
  });
  return dearest;
}

function staysOf(
  setting: Setting,
  meeting: Meeting,
  from: readonly Grip[],
  to: readonly Grip[],
  widest: number,
): Stays {
  const { weights } = setting.demands;
  const [open, contract] = [weights[RULE.open] as number, weights[RULE.contract] as number];
  const price = ([opened, contracted]: readonly [number, number]): number => open * opened + contract * contracted;
  const windows = windowsOf(widest);
  const shift = meeting.after.base - meeting.before.base;
  const middles = to.map((grip) => middle(grip, meeting.to));
  const rows = from.map((a) => {
    const middleBefore = middle(a, meeting.from);
    return to.flatMap((b, q) => {
      const cost = stayCost(setting, meeting, a, b);
      if (cost === Infinity) return [];
      const travel = (middles[q] as number) - middleBefore;
      const staying = (most: number): Staying =>
        windows.staying(shift + b.low - a.low, shift + b.high - a.high, most - (b.high - b.low));
      const prices = { down: price(growth(travel, 1, 0)), up: price(growth(travel, 0, 1)) };
      return [{ q, cost, ...prices, window: staying(widest) }];
    });
  });
  const stays = rows.flat();
  return {
    starts: startsOf(rows.map(({ length }) => length)),
    to: Int32Array.from(stays, ({ q }) => q),
    cost: Float64Array.from(stays, ({ cost }) => cost),
    down: Float64Array.from(stays, ({ down }) => down),
    up: Float64Array.from(stays, ({ up }) => up),
    windows: stays.map(({ window }) => window),
  };
}

function stayCost(setting: Setting, meeting: Meeting, a: Grip, b: Grip): number {
  const tally = costTally(setting.demands.weights);
  return tallyStay(tally, setting, meeting, a, b) ? totalCost(tally) : Infinity;
}

/** The way to a new position without a crossing. */
function moveCost(setting: Setting, meeting: Meeting, a: Grip, b: Grip): readonly [Transition, number] {
  const tally = costTally(setting.demands.weights);
  const kind = tallyMove(tally, setting, meeting, a, b);
  return [kind, totalCost(tally)];
}

/** The way there by a crossing, where the level has it. */
function passCost(setting: Setting, meeting: Meeting, a: Grip, b: Grip): number {
  const tally = costTally(setting.demands.weights);
  return tallyPass(tally, setting, meeting, a, b) ? totalCost(tally) : Infinity;
}

/** The table with only some of the grips before and now, named by their places; `size` is how many there are now. */
export function narrowTable(
  table: TransitionTable,
  before: readonly number[],
  now: readonly number[],
  size: number,
): TransitionTable {
  const count = before.length * now.length;
  const [move, kinds, pass] = [new Float64Array(count), new Uint8Array(count), new Float64Array(count)];
  let pair = 0;
  for (const p of before) {
    for (const q of now) {
      const old = p * size + q;
      move[pair] = table.move[old] as number;
      kinds[pair] = table.kinds[old] as number;
      pass[pair] = table.pass[old] as number;
      pair += 1;
    }
  }
  const opening = Float64Array.from(now, (q) => table.opening[q] as number);
  return {
    move,
    kinds,
    pass,
    opening,
    dearest: dearestOf({ move, pass, opening }),
    stays: narrowStays(table.stays, before, now),
  };
}

function narrowStays(stays: Stays, before: readonly number[], now: readonly number[]): Stays {
  const starts = new Int32Array(before.length + 1);
  const kept: number[] = [];
  const to: number[] = [];
  before.forEach((p, row) => {
    for (let i = stays.starts[p] as number; i < (stays.starts[p + 1] as number); i += 1) {
      const place = now.indexOf(stays.to[i] as number);
      if (place < 0) continue;
      kept.push(i);
      to.push(place);
    }
    starts[row + 1] = kept.length;
  });
  return {
    starts,
    to: Int32Array.from(to),
    cost: Float64Array.from(kept, (i) => stays.cost[i] as number),
    down: Float64Array.from(kept, (i) => stays.down[i] as number),
    up: Float64Array.from(kept, (i) => stays.up[i] as number),
    windows: kept.map((i) => stays.windows[i] as Staying),
  };
}

/** Where each row begins, and where the last one ends. */
function startsOf(lengths: readonly number[]): Int32Array {
  const starts = new Int32Array(lengths.length + 1);
  lengths.forEach((length, i) => (starts[i + 1] = (starts[i] as number) + length));
  return starts;
}
