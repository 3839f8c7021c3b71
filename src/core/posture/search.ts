import { changeIndex, changeOf, changeTable, enteringCost, MOVE, OUTER, type ChangeTable } from './change-table';
import { joiningOf, type Joining } from './joining';
import type { Moment } from './moments';
import { placeCost, type Part } from './place';
import type { Passage } from '../fingering';
import type { Posture, Stage } from './stages';
import { AT_JOIN, POSTURE } from './weights.table';

/** What a search goes through. */
export interface PostureSearch {
  readonly passage: Passage;
  readonly part: Part;
  readonly level: number;
  readonly black: Uint8Array;
  readonly moments: readonly Moment[];
  readonly stages: readonly Stage[];
  /** What each grip of each moment costs by itself. */
  readonly own: readonly Float64Array[];
  readonly inRun: Uint8Array;
}

/** How the hand comes to a moment. */
export type Arrival = 'begin' | 'stay' | 'outer' | 'inner' | 'move' | 'pass';

export interface PosturePath {
  /** The posture of each moment by its place in the stage, and how the hand came to it. */
  readonly places: readonly number[];
  readonly arrivals: readonly Arrival[];
  readonly cost: number;
}

/** No change of posture is cheaper: a pivot, an octave and a hop over one. */
const CHEAPEST = -3;
const SAME = 255;

/** The cheapest way through all postures, exactly. O(moments x postures²) time at worst. */
export function searchPostures(search: PostureSearch): PosturePath {
  const { stages, moments, own, level, part } = search;
  const table = changeTable(level);
  const backs: Int32Array[] = [];
  let values = new Float64Array(0);
  stages.forEach((stage, t) => {
    const moment = moments[t] as Moment;
    const entering = Float64Array.from(
      stage.postures,
      (posture) =>
        enteringCost(posture.shape, level) +
        (t > 0 && moment.join === 'chord' ? 0 : placeCost(part, moment, posture)),
    );
    const next = new Float64Array(stage.postures.length);
    const back = new Int32Array(stage.postures.length).fill(-1);
    if (t === 0) next.set(entering);
    else comeTo(search, table, t, values, entering, next, back);
    for (let q = 0; q < next.length; q += 1)
      next[q] = (next[q] as number) + ((own[t] as Float64Array)[stage.gripOf[q] as number] as number);
    backs.push(back);
    values = next;
  });
  return trace(search, table, values, backs);
}

function comeTo(
  search: PostureSearch,
  table: ChangeTable,
  t: number,
  values: Float64Array,
  entering: Float64Array,
  next: Float64Array,
  back: Int32Array,
): void {
  const [before, now] = [search.stages[t - 1] as Stage, search.stages[t] as Stage];
  const joining = joiningAt(search, t);
  const columns = now.grips.length;
  const order = Int32Array.from(values.keys()).sort((a, b) => (values[a] as number) - (values[b] as number));
  const step = stepAt(search, table, t, joining);
  now.postures.forEach((to, q) => {
    let best = Infinity;
    let from = -1;
    for (let i = 0; i < order.length; i += 1) {
      const p = order[i] as number;
      const base = values[p] as number;
      if (base + CHEAPEST >= best) break;
      const cost = base + step(before, p, now, q, entering[q] as number, columns);
      if (cost < best) {
        best = cost;
        from = p;
      }
    }
    next[q] = best;
    back[q] = from;
    void to;
  });
}

function joiningAt({ passage, black, level, inRun, moments, stages }: PostureSearch, t: number): Joining {
  const isRun = inRun[t - 1] !== 0 && inRun[t] !== 0;
  return joiningOf({ passage, black, level, isRun }, moments[t] as Moment, stages[t - 1] as Stage, stages[t] as Stage);
}

type StepCost = (before: Stage, p: number, now: Stage, q: number, entering: number, columns: number) => number;

/** What one posture costs after another at a moment. */
function stepAt(search: PostureSearch, table: ChangeTable, t: number, joining: Joining): StepCost {
  const { join, tempo, held } = search.moments[t] as Moment;
  const prices = AT_JOIN[join];
  const geometry = table.cost[tempo] as Float64Array;
  const isFree = search.inRun[t - 1] === 2 && search.inRun[t] === 2;
  return (before, p, now, q, entering, columns) => {
    const [from, to] = [before.postures[p] as Posture, now.postures[q] as Posture];
    const shift = to.thumb - from.thumb;
    const pair = (before.gripOf[p] as number) * columns + (now.gripOf[q] as number);
    const heldChange = joining.held[pair] as number;
    const isSame = shift === 0 && from.index === to.index && (to.index >= 0 || from.shape === to.shape);
    if (isSame) return heldChange;
    if (isFree) return heldChange;
    let kind: number;
    let kept: number;
    let cost: number;
    if (from.index >= 0 && to.index >= 0) {
      const at = changeIndex(from.index, to.index, shift);
      kind = table.kind[at] as number;
      kept = table.kept[at] as number;
      cost = geometry[at] as number;
    } else {
      const change = changeOf(from.shape, to.shape, shift, search.level);
      kind = change.kind;
      kept = change.kept;
      cost = change.cost[tempo] as number;
    }
    const extra = heldChange + (held.length > 0 && movedInner(kept) >= 2 ? POSTURE.heldInner : 0);
    const pass = joining.pass[pair] as number;
    if (kind === MOVE && pass !== Infinity) return (POSTURE.change[search.level - 1] as number) + pass + entering + extra;
    const notes = joining.plain[pair] as number;
    if (kind !== MOVE) return cost + (kind === OUTER ? prices.outer : prices.inner) + notes + extra;
    const pivot = (kept & fingersOf(before, p)) !== 0 ? POSTURE.pivot[tempo] : 0;
    return cost + prices.move + pivot + notes + entering + extra;
  };
}

function movedInner(kept: number): number {
  return Number((kept & 2) === 0) + Number((kept & 4) === 0) + Number((kept & 8) === 0);
}

function fingersOf(stage: Stage, place: number): number {
  let mask = 0;
  for (const finger of stage.grips[stage.gripOf[place] as number] as readonly number[]) mask |= 1 << (finger - 1);
  return mask;
}

function trace(search: PostureSearch, table: ChangeTable, values: Float64Array, backs: readonly Int32Array[]): PosturePath {
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
  const arrivals = places.map((q, t) => arrivalAt(search, table, places[t - 1] ?? -1, q, t));
  return { places, arrivals, cost };
}

function arrivalAt(search: PostureSearch, table: ChangeTable, p: number, q: number, t: number): Arrival {
  if (t === 0) return 'begin';
  const [before, now] = [search.stages[t - 1] as Stage, search.stages[t] as Stage];
  const [from, to] = [before.postures[p] as Posture, now.postures[q] as Posture];
  const shift = to.thumb - from.thumb;
  if (shift === 0 && from.shape === to.shape) return 'stay';
  const { kind } = changeOf(from.shape, to.shape, shift, search.level);
  void table;
  if (kind !== MOVE) return kind === OUTER ? 'outer' : 'inner';
  const joining = joiningAt(search, t);
  const pair = (before.gripOf[p] as number) * now.grips.length + (now.gripOf[q] as number);
  return joining.pass[pair] === Infinity ? 'move' : 'pass';
}
void SAME;
