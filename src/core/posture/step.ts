import type { Player } from '../fingering';
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
import { placeCost, type Part } from './place';
import type { StepKeys, StepSetting } from './step-keys';
import { shapeAt, thumbAt, type Form, type Stage } from './stages';
import { AT_JOIN, POSTURE, type JoinPrices, type Tempo } from './weights.table';

/** How two moments join: what their fingers cost one after the other, and what the hand pays for a change. */
export interface Step {
  readonly before: Form;
  readonly now: Form;
  /** Letters from the first key of the moment before to that of this one. */
  readonly shift: number;
  readonly opening: Opening;
  readonly table: ChangeTable;
  readonly joining: Joining;
  readonly prices: JoinPrices;
  readonly tempo: Tempo;
  readonly hasHeld: boolean;
  /** Inside a run of half steps the hand goes as it is written. */
  readonly isFree: boolean;
  /** What each posture costs to take, wherever the hand came from. */
  readonly entering: Float64Array;
  /** No move and no crossing costs less beside what it costs to take the new posture, what a finger that keeps its letter saves, and the move by an octave: one
   * entry a pair of grips. */
  readonly leastMove: Float64Array;
  /** What a move costs less where a finger of the moment before keeps its letter: 0 or below. */
  readonly pivot: number;
  /** No change between near postures costs less; and no change at all, where a leap by an octave after a rest is better than to stay. */
  readonly leastNear: number;
  readonly least: number;
}

const WIDE_PAIR = 4;

/** Chords after chords, and pairs a fifth or more apart that follow others, put the hand where they are. */
function liesAsItMust({ join, letters }: Moment): boolean {
  const span = Math.max(...letters) - Math.min(...letters);
  return join === 'chord' || (join !== 'rest1' && letters.length === 2 && span >= WIDE_PAIR);
}

/** The price of the shapes of a moment, and of the places to which they put the hand. */
export function enteringAt(part: Part, player: Player, moment: Moment, stage: Stage): Float64Array {
  const opening = openingOf(player);
  const entering = new Float64Array(stage.form.gripOf.length);
  for (let q = 0; q < entering.length; q += 1) {
    const shape = shapeAt(stage.form, q);
    const place = liesAsItMust(moment) ? 0 : placeCost(part, moment, { shape, thumb: thumbAt(stage, q) });
    entering[q] = enteringCost(shape, opening) + place;
  }
  return entering;
}

/** The step from a moment to the next. `entering` is what each posture of the later moment costs to take. */
export function stepTo(
  setting: StepSetting,
  moment: Moment,
  { before, now, entering }: { readonly before: Stage; readonly now: Stage; readonly entering: Float64Array },
  on: StepKeys,
): Step {
  const joining = joiningOf(setting, moment, [before, now], on);
  const prices = joining.isRepeated ? atRepeatedKey(AT_JOIN[moment.join]) : AT_JOIN[moment.join];
  const opening = openingOf(setting.player);
  const leastMove = leastMoves(opening, joining, prices);
  const pivot = POSTURE.pivot[moment.tempo];
  const change = POSTURE.change[opening.level - 1] as number;
  const leap = lowestOf(leastMove) + pivot + POSTURE.octaveMove;
  const near = change + Math.min(prices.outer, prices.inner) + lowestOf(joining.plain);
  return {
    before: before.form,
    now: now.form,
    shift: now.base - before.base,
    opening,
    table: changeTable(opening),
    joining,
    prices,
    tempo: moment.tempo,
    hasHeld: moment.held.length > 0,
    isFree: on.isFree,
    entering,
    leastMove,
    pivot,
    leastNear: on.isFree ? 0 : Math.min(near, leap),
    least: Math.min(0, leap),
  };
}

/** A key that is struck again lets the hand move. */
function atRepeatedKey(prices: JoinPrices): JoinPrices {
  return { ...prices, move: Math.min(prices.move, POSTURE.repeatedMove) };
}

function leastMoves({ level }: Opening, { plain, pass, held }: Joining, prices: JoinPrices): Float64Array {
  const change = POSTURE.change[level - 1] as number;
  const least = new Float64Array(plain.length);
  for (let pair = 0; pair < least.length; pair += 1) {
    const crossing = pass[pair] as number;
    const moving = crossing === Infinity ? prices.move + (plain[pair] as number) : crossing;
    least[pair] = change + moving + (held[pair] as number);
  }
  return least;
}

function lowestOf(values: ArrayLike<number>): number {
  let low = Infinity;
  for (let i = 0; i < values.length; i += 1) if ((values[i] as number) < low) low = values[i] as number;
  return low;
}

/** What one posture costs after another: made once for a step, since it is asked for every pair of postures. */
export function stepCost(step: Step): (p: number, q: number) => number {
  const { before, now, shift, table, joining, prices, hasHeld, isFree, entering, pivot } = step;
  const { plain, pass, held } = joining;
  const { kind: kinds, kept: keeps } = table;
  const geometry = table.cost[step.tempo] as Float64Array;
  const { shapes: shapesBefore, thumbs: thumbsBefore, gripOf: gripBefore, fingers } = before;
  const { shapes: shapesNow, thumbs: thumbsNow, gripOf: gripNow } = now;
  const columns = now.grips.length;
  const change = POSTURE.change[step.opening.level - 1] as number;
  return (p, q) => {
    const pair = (gripBefore[p] as number) * columns + (gripNow[q] as number);
    const holding = held[pair] as number;
    if (isFree) return holding;
    const by = (thumbsNow[q] as number) + shift - (thumbsBefore[p] as number);
    const a = shapesBefore[p] as number;
    const b = shapesNow[q] as number;
    let kind: number;
    let kept: number;
    let cost: number;
    if (a >= 0 && b >= 0) {
      if (by === 0 && a === b) return holding;
      const at = changeIndex(a, b, by);
      kind = kinds[at] as number;
      kept = keeps[at] as number;
      cost = geometry[at] as number;
    } else {
      if (by === 0 && isSameShape(before, p, now, q)) return holding;
      const made = changeOf(shapeAt(before, p), shapeAt(now, q), by, step.opening);
      ({ kind, kept } = made);
      cost = made.cost[step.tempo] as number;
    }
    const extra = holding + (hasHeld && movedInner(kept) >= 2 ? POSTURE.heldInner : 0);
    if (kind !== MOVE) return cost + (kind === OUTER ? prices.outer : prices.inner) + (plain[pair] as number) + extra;
    const crossing = pass[pair] as number;
    if (crossing !== Infinity) return change + crossing + (entering[q] as number) + extra;
    const pivoted = (kept & (fingers[p] as number)) !== 0 ? pivot : 0;
    return cost + prices.move + pivoted + (plain[pair] as number) + (entering[q] as number) + extra;
  };
}

function isSameShape(before: Form, p: number, now: Form, q: number): boolean {
  return shapeAt(before, p).gaps.join() === shapeAt(now, q).gaps.join();
}

const INNER_FINGERS = [0b00010, 0b00100, 0b01000] as const;

function movedInner(kept: number): number {
  return INNER_FINGERS.reduce((count, finger) => count + Number((kept & finger) === 0), 0);
}

/** The postures that were reached by their grip, the cheapest first; one list a grip. */
export function inOrder({ grips, gripOf }: Form, values: Float64Array): readonly (readonly number[])[] {
  const reached = grips.map((): number[] => []);
  for (let p = 0; p < values.length; p += 1)
    if ((values[p] as number) < Infinity) reached[gripOf[p] as number]?.push(p);
  return reached.map((places) => places.sort((a, b) => (values[a] as number) - (values[b] as number)));
}
