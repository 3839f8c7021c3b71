import type { Passage, Player } from '../fingering';
import {
  changeIndex,
  changeOf,
  changeTable,
  enteringCost,
  MOVE,
  openingOf,
  OUTER,
  type ChangeTable,
  type Opening,
} from './change-table';
import { joiningOf, type Joining } from './joining';
import type { Moment } from './moments';
import { nearOf } from './near';
import { placeCost, type Part } from './place';
import { shapeAt, thumbAt, type Stage } from './stages';
import { AT_JOIN, POSTURE, type JoinPrices, type Tempo } from './weights.table';

/** What a search goes through. */
export interface PostureSearch {
  readonly passage: Passage;
  readonly player: Player;
  readonly moments: readonly Moment[];
  readonly stages: readonly Stage[];
  /** What each posture costs to take at each moment, wherever the hand came from. */
  readonly entering: readonly Float64Array[];
  /** What each grip of each moment costs by itself. */
  readonly own: readonly Float64Array[];
  readonly steps: readonly (Step | null)[];
}

/** How two moments join: what their fingers cost one after the other, and what the hand pays for a change. */
export interface Step {
  readonly joining: Joining;
  readonly prices: JoinPrices;
  readonly tempo: Tempo;
  readonly hasHeld: boolean;
  /** Inside a run of half steps the hand goes as it is written. */
  readonly isFree: boolean;
}

/** How the hand comes to a moment. */
export type Arrival = 'begin' | 'stay' | 'outer' | 'inner' | 'move' | 'pass';

export interface PosturePath {
  /** The posture of each moment by its place in the stage, and how the hand came to it. */
  readonly places: readonly number[];
  readonly arrivals: readonly Arrival[];
  readonly cost: number;
}

export function enteringAt(part: Part, player: Player, moment: Moment, stage: Stage, t: number): Float64Array {
  const isChord = t > 0 && moment.join === 'chord';
  return Float64Array.from(stage.form.gripOf, (_, q) => {
    const shape = shapeAt(stage, q);
    return enteringCost(shape, openingOf(player)) + (isChord ? 0 : placeCost(part, moment, { shape, thumb: thumbAt(stage, q) }));
  });
}

export interface StepSetting {
  readonly passage: Passage;
  readonly black: Uint8Array;
  readonly player: Player;
  readonly inRun: Uint8Array;
  readonly isLeast?: boolean;
}

export function stepAt(setting: StepSetting, moments: readonly Moment[], stages: readonly Stage[], t: number): Step | null {
  if (t === 0) return null;
  const { inRun } = setting;
  const moment = moments[t] as Moment;
  const isRun = inRun[t - 1] !== 0 && inRun[t] !== 0;
  const joining = joiningOf({ ...setting, isRun }, moment, stages[t - 1] as Stage, stages[t] as Stage);
  const prices = AT_JOIN[moment.join];
  return {
    joining,
    prices: joining.isRepeated ? { ...prices, move: Math.min(prices.move, POSTURE.repeatedMove) } : prices,
    tempo: moment.tempo,
    hasHeld: moment.held.length > 0,
    isFree: inRun[t - 1] === 2 && inRun[t] === 2,
  };
}

/** No move is cheaper than this and what it costs to enter the new posture: a pivot over an octave, a hop of an octave beside it. */
const CHEAPEST_MOVE = -3.2;

/** What is known before a search: the least that the way costs from each posture on, and what some way costs in whole. */
export interface Bounds {
  readonly onward: readonly Float64Array[];
  readonly most: number;
}

const EPSILON = 1e-9;

/** The cheapest way through all postures, exactly. O(moments x postures²) time at worst; bounds leave out what cannot be part of it. */
export function searchPostures(search: PostureSearch, bounds: Bounds | null): PosturePath {
  const { stages, entering, own } = search;
  const table = changeTable(openingOf(search.player));
  const backs: Int16Array[] = [];
  let values = new Float64Array(0);
  stages.forEach((stage, t) => {
    const size = stage.form.gripOf.length;
    const next = new Float64Array(size);
    const back = new Int16Array(size).fill(-1);
    const limit = bounds ? Float64Array.from(bounds.onward[t] as Float64Array, (onward) => bounds.most + EPSILON - onward) : null;
    if (t === 0) next.set(entering[0] as Float64Array);
    else comeTo(search, table, t, values, next, back, limit);
    for (let q = 0; q < size; q += 1) {
      const value = (next[q] as number) + ((own[t] as Float64Array)[stage.form.gripOf[q] as number] as number);
      next[q] = limit && value > (limit[q] as number) ? Infinity : value;
    }
    backs.push(back);
    values = next;
  });
  return trace(search, values, backs);
}

function comeTo(
  search: PostureSearch,
  table: ChangeTable,
  t: number,
  values: Float64Array,
  next: Float64Array,
  back: Int16Array,
  limit: Float64Array | null,
): void {
  const [before, now] = [search.stages[t - 1] as Stage, search.stages[t] as Stage];
  const step = search.steps[t] as Step;
  const entering = search.entering[t] as Float64Array;
  const cost = stepCost(openingOf(search.player), table, step, before, now, entering);
  const near = nearOf(table, before, now);
  const order = inOrder(values);
  const least = values[order[0] as number] as number;
  for (let q = 0; q < next.length; q += 1) {
    let best = limit ? (limit[q] as number) + EPSILON : Infinity;
    let from = -1;
    if (limit && least + CHEAPEST_MOVE > best) {
      next[q] = Infinity;
      continue;
    }
    const same = near.same[q] as number;
    if (same >= 0) {
      const value = (values[same] as number) + cost(same, q);
      if (value < best) [best, from] = [value, same];
    }
    for (let i = near.starts[q] as number; i < (near.starts[q + 1] as number); i += 1) {
      const p = near.from[i] as number;
      if ((values[p] as number) >= best) continue;
      const value = (values[p] as number) + cost(p, q);
      if (value < best) [best, from] = [value, p];
    }
    const reach = (step.isFree ? 0 : (entering[q] as number)) + CHEAPEST_MOVE;
    for (let i = 0; i < order.length; i += 1) {
      const p = order[i] as number;
      if ((values[p] as number) + reach >= best) break;
      const value = (values[p] as number) + cost(p, q);
      if (value < best) [best, from] = [value, p];
    }
    next[q] = from < 0 ? Infinity : best;
    back[q] = from;
  }
}

/** The postures that were reached, the cheapest first. */
function inOrder(values: Float64Array): readonly number[] {
  const reached: number[] = [];
  values.forEach((value, p) => {
    if (value < Infinity) reached.push(p);
  });
  return reached.sort((a, b) => (values[a] as number) - (values[b] as number));
}

/** What one posture costs after another at a moment. */
export function stepCost(
  opening: Opening,
  table: ChangeTable,
  { joining, prices, tempo, hasHeld, isFree }: Step,
  before: Stage,
  now: Stage,
  entering: Float64Array,
): (p: number, q: number) => number {
  const geometry = table.cost[tempo] as Float64Array;
  const [from, to] = [before.form, now.form];
  const shift = now.base - before.base;
  const columns = to.grips.length;
  const change = POSTURE.change[opening.level - 1] as number;
  const pivot = POSTURE.pivot[tempo];
  return (p, q) => {
    const by = (to.thumbs[q] as number) + shift - (from.thumbs[p] as number);
    const pair = (from.gripOf[p] as number) * columns + (to.gripOf[q] as number);
    const held = joining.held[pair] as number;
    const [a, b] = [from.shapes[p] as number, to.shapes[q] as number];
    if (isFree || (by === 0 && isSameShape(before, p, now, q))) return held;
    let kind: number;
    let kept: number;
    let cost: number;
    if (a >= 0 && b >= 0) {
      const at = changeIndex(a, b, by);
      kind = table.kind[at] as number;
      kept = table.kept[at] as number;
      cost = geometry[at] as number;
    } else {
      const made = changeOf(shapeAt(before, p), shapeAt(now, q), by, opening);
      ({ kind, kept } = made);
      cost = made.cost[tempo] as number;
    }
    const extra = held + (hasHeld && movedInner(kept) >= 2 ? POSTURE.heldInner : 0);
    if (kind !== MOVE)
      return cost + (kind === OUTER ? prices.outer : prices.inner) + (joining.plain[pair] as number) + extra;
    const pass = joining.pass[pair] as number;
    if (pass !== Infinity) return change + pass + (entering[q] as number) + extra;
    const pivoted = (kept & (from.fingers[p] as number)) !== 0 ? pivot : 0;
    return cost + prices.move + pivoted + (joining.plain[pair] as number) + (entering[q] as number) + extra;
  };
}

function isSameShape(before: Stage, p: number, now: Stage, q: number): boolean {
  const [a, b] = [before.form.shapes[p] as number, now.form.shapes[q] as number];
  if (a >= 0 || b >= 0) return a === b;
  return shapeAt(before, p).gaps.join() === shapeAt(now, q).gaps.join();
}

const INNER_FINGERS = [0b00010, 0b00100, 0b01000] as const;

function movedInner(kept: number): number {
  return INNER_FINGERS.reduce((count, finger) => count + Number((kept & finger) === 0), 0);
}

function trace(search: PostureSearch, values: Float64Array, backs: readonly Int16Array[]): PosturePath {
  let place = 0;
  values.forEach((value, q) => {
    if (value < (values[place] as number)) place = q;
  });
  const cost = values[place] ?? 0;
  const places: number[] = [];
  for (let t = backs.length - 1; t >= 0; t -= 1) {
    places.push(place);
    place = backs[t]?.[place] as number;
  }
  places.reverse();
  return { places, arrivals: places.map((q, t) => arrivalAt(search, places[t - 1] ?? -1, q, t)), cost };
}

function arrivalAt(search: PostureSearch, p: number, q: number, t: number): Arrival {
  if (t === 0) return 'begin';
  const [before, now] = [search.stages[t - 1] as Stage, search.stages[t] as Stage];
  const by = thumbAt(now, q) - thumbAt(before, p);
  if (by === 0 && isSameShape(before, p, now, q)) return 'stay';
  const { kind } = changeOf(shapeAt(before, p), shapeAt(now, q), by, openingOf(search.player));
  if (kind !== MOVE) return kind === OUTER ? 'outer' : 'inner';
  const pair = (before.form.gripOf[p] as number) * now.form.grips.length + (now.form.gripOf[q] as number);
  return search.steps[t]?.joining.pass[pair] === Infinity ? 'move' : 'pass';
}

/** What a way costs. */
export function costOfPath(search: PostureSearch, places: readonly number[]): number {
  const table = changeTable(openingOf(search.player));
  return places.reduce((sum, q, t) => {
    const stage = search.stages[t] as Stage;
    const own = (search.own[t] as Float64Array)[stage.form.gripOf[q] as number] as number;
    if (t === 0) return own + ((search.entering[0] as Float64Array)[q] as number);
    const before = search.stages[t - 1] as Stage;
    const cost = stepCost(openingOf(search.player), table, search.steps[t] as Step, before, stage, search.entering[t] as Float64Array);
    return sum + own + cost(places[t - 1] as number, q);
  }, 0);
}

/** The cheapest way, told from what is left from each posture on. */
export function wayOnward(search: PostureSearch, onward: readonly Float64Array[]): readonly number[] {
  const table = changeTable(openingOf(search.player));
  const places: number[] = [];
  search.stages.forEach((stage, t) => {
    const entering = search.entering[t] as Float64Array;
    const before = search.stages[t - 1];
    const cost = before
      ? stepCost(openingOf(search.player), table, search.steps[t] as Step, before, stage, entering)
      : null;
    let [place, best] = [0, Infinity];
    for (let q = 0; q < entering.length; q += 1) {
      const coming = cost ? cost(places[t - 1] as number, q) : (entering[q] as number);
      const own = (search.own[t] as Float64Array)[stage.form.gripOf[q] as number] as number;
      const value = coming + own + ((onward[t] as Float64Array)[q] as number);
      if (value < best) [place, best] = [q, value];
    }
    places.push(place);
  });
  return places;
}

/** The least that the way costs from each posture of each moment on, without the moment itself. */
export function onwardCosts(search: PostureSearch): readonly Float64Array[] {
  const { stages, own, entering } = search;
  const table = changeTable(openingOf(search.player));
  const onward: Float64Array[] = stages.map((stage) => new Float64Array(stage.form.gripOf.length));
  for (let t = stages.length - 1; t > 0; t -= 1) {
    const [before, now] = [stages[t - 1] as Stage, stages[t] as Stage];
    const step = search.steps[t] as Step;
    const cost = stepCost(openingOf(search.player), table, step, before, now, entering[t] as Float64Array);
    const price = (onward[t] as Float64Array).map(
      (value, q) => value + ((own[t] as Float64Array)[now.form.gripOf[q] as number] as number),
    );
    comeFrom(table, before, now, step, price, entering[t] as Float64Array, cost, onward[t - 1] as Float64Array);
  }
  return onward;
}

function comeFrom(
  table: ChangeTable,
  before: Stage,
  now: Stage,
  step: Step,
  price: Float64Array,
  entering: Float64Array,
  cost: (p: number, q: number) => number,
  result: Float64Array,
): void {
  const near = nearOf(table, before, now);
  result.fill(Infinity);
  near.same.forEach((p, q) => {
    if (p >= 0) result[p] = Math.min(result[p] as number, (price[q] as number) + cost(p, q));
  });
  for (let q = 0; q < price.length; q += 1)
    for (let i = near.starts[q] as number; i < (near.starts[q + 1] as number); i += 1) {
      const p = near.from[i] as number;
      if ((price[q] as number) < (result[p] as number))
        result[p] = Math.min(result[p] as number, (price[q] as number) + cost(p, q));
    }
  const entered = step.isFree ? price : price.map((value, q) => value + (entering[q] as number));
  const order = inOrder(entered);
  for (let p = 0; p < result.length; p += 1) {
    let best = result[p] as number;
    for (const q of order) {
      if ((entered[q] as number) + CHEAPEST_MOVE >= best) break;
      const value = (price[q] as number) + cost(p, q);
      if (value < best) best = value;
    }
    result[p] = best;
  }
}
