import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '../keyboard';
import {
  demandsFor,
  LEVELS,
  latticeOf,
  NO_EXTRA,
  realView,
  sliceOf,
  solve,
  stepLimits,
  type Lattice,
  type Level,
  type Limit,
  type Passage,
  type Player,
} from '../fingering';

/** Why a hand cannot play a piece at its level and reach: the first places, and the least change that would make it so. */
export interface NotPlayable {
  readonly event: number;
  readonly limit: Limit;
  /** The lowest level at which it can be played with this reach; null where none is. */
  readonly level: Level | null;
  /** The least reach with which it can be played at this level, in mm, to the next 5; null where none is. */
  readonly spanMm: number | null;
}

/** How finely a reach is told. Unit: mm. */
const SPAN_STEP_MM = 5;

/** Finds the least change that lets a hand play these keys; null where it can play them as it is. */
export function whyNotPlayable(passage: Passage, midis: readonly number[], player: Player): NotPlayable | null {
  const view = realView(passage, midis);
  const lattice = latticeOf(passage, view, demandsFor(player));
  const all = limitsIn(lattice).flat();
  if (all.length === 0) return null;
  const event = firstTooMuch(lattice);
  // Of several limits at one moment the hand's reach comes first: no position helps there.
  const limit = limitsIn(sliceOf(lattice, 0, event)).findLast((limits) => limits.length > 0)?.[0] ?? (all[0] as Limit);
  const works = (who: Player): boolean => isPlayable(latticeOf(passage, view, demandsFor(who)));
  const level =
    LEVELS.filter((other) => other > player.level).find((other) => works({ ...player, level: other })) ?? null;
  const isReach = all.every((one) => one === 'reach' || one === 'held-reach');
  return {
    event,
    limit,
    level,
    spanMm: isReach ? leastSpan(player.spanMm, (spanMm) => works({ ...player, spanMm })) : null,
  };
}

/** The limits that even the best plan breaks, one entry an event. */
function limitsIn(lattice: Lattice): readonly (readonly Limit[])[] {
  const { steps } = solve(lattice, NO_EXTRA);
  return steps.map((_, t) => stepLimits(lattice, steps, t));
}

function isPlayable(lattice: Lattice): boolean {
  return limitsIn(lattice).every((limits) => limits.length === 0);
}

/** The first event up to which the passage cannot be played: what comes before it can. Longer beginnings are no easier, so halving finds it. */
function firstTooMuch(lattice: Lattice): number {
  let [low, high] = [0, lattice.keysDown.length - 1];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (isPlayable(sliceOf(lattice, 0, middle))) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The least reach for which something works, to the next step. A wider hand can do all that a narrower one can, so halving finds it. */
function leastSpan(fromMm: number, works: (spanMm: number) => boolean): number | null {
  const spans = Array.from(
    { length: (GREATEST_SPAN_MM - LEAST_SPAN_MM) / SPAN_STEP_MM + 1 },
    (_, i) => LEAST_SPAN_MM + SPAN_STEP_MM * i,
  ).filter((mm) => mm > fromMm);
  let [low, high] = [0, spans.length];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (works(spans[middle] as number)) high = middle;
    else low = middle + 1;
  }
  return spans[low] ?? null;
}
