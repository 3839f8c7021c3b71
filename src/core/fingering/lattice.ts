/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import { memo, memoOf } from '../base';
import { tallyGrip } from './grip-cost';
import { gripsOf, keysDownOf, type Grip, type KeysDown } from './grip';
import { growth, PASS, TRANSITIONS, meetingOf, middle, type Transition, type Meeting } from './meeting';
import { tallyMove } from './move-cost';
import { tallyPass } from './pass-cost';
import type { Passage, PassageEvent } from './passage';
import { widestOpening, type Demands } from './player';
import type { Setting } from './setting';
import { tallyStay } from './stay-cost';
import { costTally, RULE, totalCost } from './tally';
import type { View } from './key-view';
import { windowsOf, type Staying } from './windows';

/** What the transitions between the grips of two moments cost. Moving is possible between any two: one entry a pair, at `grip before * grips now + grip now`.
 * `kinds` tells how the hand moves without a crossing, as an index into `TRANSITIONS`; `pass` is what a crossing costs, Infinity where there is none. */
export interface TransitionTable {
  readonly move: Float64Array;
  readonly kinds: Uint8Array;
  readonly pass: Float64Array;
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
  /** What it does to the window of the position: where the hand may open, and where positions are closed. */
  readonly open: readonly Staying[];
  readonly closed: readonly Staying[];
}

/** What it costs to come to a new position, by a crossing or without. `unneeded` is what each kind of transition costs more where it is not needed. */
export function movePrice(table: TransitionTable, unneeded: Float64Array | undefined, pair: number): number {
  const [plain, crossed] = [table.move[pair] as number, table.pass[pair] as number];
  if (!unneeded) return Math.min(plain, crossed);
  return Math.min(plain + (unneeded[table.kinds[pair] as number] as number), crossed + (unneeded[PASS] as number));
}

/** Whether the cheaper way is a crossing. */
export function movesByCrossing(table: TransitionTable, unneeded: Float64Array | undefined, pair: number): boolean {
  const more = (kind: number): number => unneeded?.[kind] ?? 0;
  return (table.pass[pair] as number) + more(PASS) < (table.move[pair] as number) + more(table.kinds[pair] as number);
}

/** All grips of a passage in one view with what they and the transitions between them cost. */
export interface Lattice extends Setting {
  /** How many letters beyond five a position may open, and what each costs that it is open by from the start. */
  readonly widest: number;
  readonly openCost: number;
  readonly contractCost: number;
  readonly keysDown: readonly KeysDown[];
  readonly grips: readonly (readonly Grip[])[];
  readonly gripCosts: readonly Float64Array[];
  /** Transitions from the event before; none at the first. */
  readonly transitions: readonly (TransitionTable | null)[];
}

/** So many tables of a kind are kept for a player. */
const KEPT_TABLES = 20_000;

/** What was worked out before for demands, by a description of all it depends on: the same few intervals come again and again, in one piece and in
 * all its keys. */
const tablesOf = memoOf((_: Demands) => ({
  grips: memo<readonly Grip[]>(KEPT_TABLES),
  costs: memo<Float64Array>(KEPT_TABLES),
  transitions: memo<TransitionTable>(KEPT_TABLES),
}));

/** Lays out all that a hand can do. O(events x grips²) time for what is new. */
export function latticeOf(passage: Passage, view: View, demands: Demands): Lattice {
  const setting = { passage, view, demands };
  const tables = tablesOf(demands);
  const widest = widestOpening(demands.player.level, passage.isChromatic);
  const keysDown: KeysDown[] = [];
  const grips: (readonly Grip[])[] = [];
  const gripCosts: Float64Array[] = [];
  const transitions: (TransitionTable | null)[] = [];
  let nameBefore = '';
  passage.events.forEach((event, t) => {
    const keys = keysDownOf(passage, event, view.places, demands.player.spanMm * 100);
    const [shape, name] = namesOf(passage, view, keys);
    const own = tables.grips.get(shape, () => gripsOf(passage, keys));
    keysDown.push(keys);
    grips.push(own);
    gripCosts.push(
      tables.costs.get(`${widest}/${name}`, () =>
        Float64Array.from(own, (grip) => gripCost(setting, keys, grip, widest)),
      ),
    );
    const before = keysDown[t - 1];
    transitions.push(
      before
        ? tables.transitions.get(
            `${widest}/${nameBefore}>${name}@${transitionName(passage, view, event, before, keys)}`,
            () =>
              transitionTable(
                setting,
                meetingOf(view, event, before, keys),
                grips[t - 1] as readonly Grip[],
                own,
                widest,
              ),
          )
        : null,
    );
    nameBefore = name;
  });
  return {
    ...setting,
    widest,
    openCost: demands.weights[RULE.open] as number,
    contractCost: demands.weights[RULE.contract] as number,
    keysDown,
    grips,
    gripCosts,
    transitions,
  };
}

/** Some events of a lattice by themselves, from one to another, both included. */
export function sliceOf(lattice: Lattice, from: number, to: number): Lattice {
  const transitions = lattice.transitions.slice(from, to + 1);
  return {
    ...lattice,
    passage: { ...lattice.passage, events: lattice.passage.events.slice(from, to + 1) },
    keysDown: lattice.keysDown.slice(from, to + 1),
    grips: lattice.grips.slice(from, to + 1),
    gripCosts: lattice.gripCosts.slice(from, to + 1),
    transitions: [null, ...transitions.slice(1)],
  };
}

/** A lattice with only some of the grips of each event, named by their places; null where all of them stay. */
export function narrowed(lattice: Lattice, places: readonly (readonly number[] | null)[]): Lattice {
  const at = <T>(list: ArrayLike<T>, t: number): readonly T[] =>
    places[t]?.map((g) => list[g] as T) ?? (list as unknown as readonly T[]);
  return {
    ...lattice,
    grips: lattice.grips.map((grips, t) => (places[t] ? at(grips, t) : grips)),
    gripCosts: lattice.gripCosts.map((costs, t) => (places[t] ? Float64Array.from(at(costs, t)) : costs)),
    transitions: lattice.transitions.map((table, t) => {
      const [before, now] = [places[t - 1] ?? null, places[t] ?? null];
      if (!table || (!before && !now)) return table;
      const sizes = [lattice.grips[t - 1]?.length ?? 0, lattice.grips[t]?.length ?? 0] as const;
      return narrowTable(table, before ?? allOf(sizes[0]), now ?? allOf(sizes[1]), sizes[1]);
    }),
  };
}

function allOf(size: number): readonly number[] {
  return Array.from({ length: size }, (_, i) => i);
}

function narrowTable(
  table: TransitionTable,
  before: readonly number[],
  now: readonly number[],
  size: number,
): TransitionTable {
  const pairs = before.flatMap((p) => now.map((q) => p * size + q));
  return {
    move: Float64Array.from(pairs, (pair) => table.move[pair] as number),
    kinds: Uint8Array.from(pairs, (pair) => table.kinds[pair] as number),
    pass: Float64Array.from(pairs, (pair) => table.pass[pair] as number),
    stays: narrowStays(table.stays, before, now),
  };
}

function narrowStays(stays: Stays, before: readonly number[], now: readonly number[]): Stays {
  const places = new Map(now.map((q, i) => [q, i]));
  const rows = before.map((p) => {
    const row: number[] = [];
    for (let i = stays.starts[p] as number; i < (stays.starts[p + 1] as number); i += 1)
      if (places.has(stays.to[i] as number)) row.push(i);
    return row;
  });
  const kept = rows.flat();
  return {
    starts: startsOf(rows.map(({ length }) => length)),
    to: Int32Array.from(kept, (i) => places.get(stays.to[i] as number) as number),
    cost: Float64Array.from(kept, (i) => stays.cost[i] as number),
    down: Float64Array.from(kept, (i) => stays.down[i] as number),
    up: Float64Array.from(kept, (i) => stays.up[i] as number),
    open: kept.map((i) => stays.open[i] as Staying),
    closed: kept.map((i) => stays.closed[i] as Staying),
  };
}

/** Where each row begins, and where the last one ends. */
function startsOf(lengths: readonly number[]): Int32Array {
  const starts = new Int32Array(lengths.length + 1);
  lengths.forEach((length, i) => (starts[i + 1] = (starts[i] as number) + length));
  return starts;
}

/** What the grips on the keys that are down depend on, and with them what their costs depend on. */
function namesOf(passage: Passage, view: View, { down, isHeld, dropped, base }: KeysDown): readonly [string, string] {
  const first = view.places[down[0] as number] as number;
  let shape = '';
  let name = '';
  down.forEach((index, i) => {
    const { letter, altered } = passage.notes[index] as { letter: number; altered: number };
    shape += `${letter - base}${altered > 0 ? '+' : altered < 0 ? '-' : ''}${isHeld[i] ? 'h' : ''},`;
    name += `${(view.places[index] as number) - first}${view.black[index] === 1 ? 'b' : ''}${' rR'[view.inRun[index] as number]},`;
  });
  return [shape, `${shape}${name}${dropped.length}`];
}

/** What a transition depends on beside the keys that are down: how they lie to each other, which keys are held over, how much the transition binds. */
function transitionName(passage: Passage, view: View, event: PassageEvent, before: KeysDown, now: KeysDown): string {
  const [m, n] = [before.down[0] as number, now.down[0] as number];
  const over = now.isHeld.includes(true) ? now.down.map((note) => before.down.indexOf(note)).join() : '';
  return `${(view.places[n] as number) - (view.places[m] as number)},${now.base - before.base},${event.bond}${event.octaveEnd ?? ''},${over}`;
}

/** The cost of a grip alone; one that no position of the level holds breaks a limit. */
function gripCost(setting: Setting, keys: KeysDown, grip: Grip, widest: number): number {
  const tally = costTally(setting.demands.weights);
  tallyGrip(tally, setting, keys, grip);
  if (grip.high - grip.low > widest) tally.limits += 1;
  return totalCost(tally);
}

function transitionTable(
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
  return { move, kinds, pass, stays: staysOf(setting, meeting, from, to, widest) };
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
      return [{ q, cost, ...prices, open: staying(widest), closed: staying(Math.min(widest, b.high - b.low)) }];
    });
  });
  const stays = rows.flat();
  return {
    starts: startsOf(rows.map(({ length }) => length)),
    to: Int32Array.from(stays, ({ q }) => q),
    cost: Float64Array.from(stays, ({ cost }) => cost),
    down: Float64Array.from(stays, ({ down }) => down),
    up: Float64Array.from(stays, ({ up }) => up),
    open: stays.map((stay) => stay.open),
    closed: stays.map((stay) => stay.closed),
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
