import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '../keyboard';
import { demandsOf, LEVELS, latticeOf, NO_EXTRA, realView, solve, stepLimits, type Level, type Limit, type Passage, type Player } from '../finger';

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
  const solved = (who: Player) => {
    const lattice = latticeOf(passage, view, demandsOf(who));
    return { lattice, path: solve(lattice, NO_EXTRA) };
  };
  const { lattice, path } = solved(player);
  const limits = path.steps.flatMap((_, t) => stepLimits(lattice, path.steps, t).map((limit) => ({ event: t, limit })));
  const first = limits[0];
  if (!first) return null;
  const works = (who: Player): boolean => {
    const { lattice: other, path: way } = solved(who);
    return way.steps.every((_, t) => stepLimits(other, way.steps, t).length === 0);
  };
  const level = LEVELS.filter((other) => other > player.level).find((other) => works({ ...player, level: other })) ?? null;
  const isReach = limits.every(({ limit }) => limit === 'reach' || limit === 'held-reach');
  return { ...first, level, spanMm: isReach ? leastSpan(player.spanMm, (spanMm) => works({ ...player, spanMm })) : null };
}

/** The least reach for which something works, to the next step. A wider hand can do all that a narrower one can, so halving finds it. */
function leastSpan(fromMm: number, works: (spanMm: number) => boolean): number | null {
  const spans = Array.from({ length: (GREATEST_SPAN_MM - LEAST_SPAN_MM) / SPAN_STEP_MM + 1 }, (_, i) => LEAST_SPAN_MM + SPAN_STEP_MM * i).filter((mm) => mm > fromMm);
  let [low, high] = [0, spans.length];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (works(spans[middle] as number)) high = middle;
    else low = middle + 1;
  }
  return spans[low] ?? null;
}
