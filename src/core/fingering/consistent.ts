import { memoOf } from '../base';
import { CONSISTENCY } from './rules.table';
import type { Grip } from './grip';
import type { Lattice } from './lattice';
import type { Extra, Path } from './plan-path';
import { searchThrough } from './search';
import { costOf, gripsOnTheWay, trace } from './search-trace';
import { goThrough } from './solve';

/** A plan in which like moments have like fingers wherever that is worth it. `cost` includes what differs; no plan costs less
 * than `bound`: where both are equal the plan is proved to be the best. */
export interface ConsistentPath extends Path {
  readonly bound: number;
}

/** Events that are alike, at least two in each group. */
export type Groups = readonly (readonly number[])[];

export function groupsOf(likenesses: readonly string[]): Groups {
  const groups = new Map<string, number[]>();
  likenesses.forEach((likeness, t) => {
    const group = groups.get(likeness);
    if (group) group.push(t);
    else groups.set(likeness, [t]);
  });
  return [...groups.values()].filter((group) => group.length > 1);
}

/** How many times the bound is raised, how many times without a better plan, and how near the bound has to come. Our own choice:
 * `npm run bench` tells what gap is left. */
const ROUNDS = 30;
const LEAST_ROUNDS = 4;
const ROUNDS_TIMES_EVENTS = 2400;
const PATIENCE = 12;
const NEAR = 1e-6;

/** Usual fingers are followed until they come again; in the rounds, where the next ones are at hand, only once. */
const TO_THE_END = 20;
const ONCE = 1;

/** Short passages are worth more rounds; long ones get fewer, so that time grows with length and no faster. */
function roundsFor({ grips }: Lattice): number {
  return Math.max(LEAST_ROUNDS, Math.min(ROUNDS, Math.round(ROUNDS_TIMES_EVENTS / Math.max(1, grips.length))));
}

/** Plans with the wish that like moments have like fingers: each that differs from the usual fingers of its group costs
 * `CONSISTENCY`. The wish ties events together over the whole piece, so one pass of dynamic programming cannot have it exactly.
 * Lagrangian decomposition does both: it finds plans, and it proves how much better any other could be. `likely` are fingers, as bits,
 * from which to begin, one entry an event. */
export function solveConsistent(
  lattice: Lattice,
  groups: Groups,
  extra: Extra,
  {
    rounds = roundsFor(lattice),
    likely = null,
  }: { readonly rounds?: number; readonly likely?: readonly number[] | null } = {},
): ConsistentPath {
  if (lattice.keysDown.length === 0) return { steps: [], cost: 0, bound: 0 };
  const masks = lattice.grips.map((grips) => masksOf(grips).all);
  const wayWith = waysThrough(lattice, extra, masks);
  const free = wayWith(null);
  let usualOfBest = usualMasks(free, groups);
  let best: Path = { steps: free.path().steps, cost: free.cost + apartCost(free, groups, usualOfBest) };
  let bound = free.cost;
  const isProved = (): boolean => best.cost - bound <= NEAR;
  const tried = new Set<string>();
  const trial = layerFor(lattice, groups);
  // Follows the usual fingers of a way to those of the next, so many times at most. Says whether that led to a better plan.
  const improve = (start: readonly number[], times: number): boolean => {
    const before = best;
    for (let usual = start, time = 0; time < times && !tried.has(usual.join()); time += 1) {
      tried.add(usual.join());
      wishFor(masks, groups, usual, trial);
      const way = wayWith(trial);
      usual = usualMasks(way, groups);
      const cost = costWithout(way, trial) + apartCost(way, groups, usual);
      if (cost >= best.cost - NEAR) continue;
      best = { steps: way.path().steps, cost };
      usualOfBest = usual;
    }
    return best !== before;
  };
  if (!isProved() && likely)
    improve(
      groups.map((group) => mostCommon(group, likely)),
      TO_THE_END,
    );
  if (!isProved()) improve(usualMasks(free, groups), TO_THE_END);

  const prices = layerFor(lattice, groups);
  let betterAt = 0;
  for (let round = 0; round < rounds && round - betterAt < PATIENCE && !isProved(); round += 1) {
    const way = round === 0 ? free : wayWith(prices);
    const apart = groups.map((group) => cheapestApart(lattice, group, prices));
    const value = way.cost + apart.reduce((sum, { cost }) => sum + cost, 0);
    bound = Math.max(bound, value);
    const moves = partings(groups, way, apart);
    const usual = apart.map((one) => one.usual);
    // Before anything has a price, the groups have no wish of their own.
    if (round > 0 && improve(usual, ONCE)) betterAt = round;
    raise(masks, moves, prices, best.cost - value);
  }
  improve(usualOfBest, TO_THE_END);
  return { ...best, bound: Math.min(bound, best.cost) };
}

/** Searches again and again through a lattice, each time with something else on top. */
function waysThrough(lattice: Lattice, extra: Extra, masks: readonly Int32Array[]): (trial: Layer | null) => Way {
  const search = searchThrough(lattice, extra);
  return (trial) => {
    const end = goThrough(search, trial);
    const grips = gripsOnTheWay(search, end);
    const cost = costOf(search, end);
    return { grips, masks: grips.map((g, t) => masks[t]?.[g] as number), cost, path: () => trace(search, end) };
  };
}

/** A way through the lattice: the grip of each event by its place, and its fingers as bits. `path` is the whole of it, as long as nothing else was searched. */
interface Way {
  readonly grips: Int32Array;
  readonly masks: Int32Array;
  readonly cost: number;
  readonly path: () => Path;
}

/** What grips cost on top, one entry a grip of each event that has others like it. */
type Layer = readonly (Float64Array | undefined)[];

function layerFor({ grips }: Lattice, groups: Groups): Layer {
  const layer: (Float64Array | undefined)[] = grips.map(() => undefined);
  for (const group of groups) for (const t of group) layer[t] = new Float64Array((grips[t] as readonly Grip[]).length);
  return layer;
}

/** The fingers of all grips of an event as bits; and each kind of them once, with the place of a grip that has them. Grips that differ in held keys or in
 * reading are of one kind, and have the same price. */
const masksOf = memoOf((grips: readonly Grip[]) => {
  const all = Int32Array.from(grips, ({ mask }) => mask);
  const kinds = [...new Map(grips.map(({ mask }, g) => [mask, g]))].map(([mask, grip]) => ({ mask, grip }));
  return { all, kinds };
});

function costWithout({ cost, grips }: Way, layer: Layer): number {
  return grips.reduce((rest, g, t) => rest - (layer[t]?.[g] ?? 0), cost);
}

function apartCost({ masks }: Way, groups: Groups, usual: readonly number[]): number {
  let apart = 0;
  groups.forEach((group, c) => {
    for (const t of group) if (masks[t] !== usual[c]) apart += 1;
  });
  return CONSISTENCY * apart;
}

/** The most common fingers of each group; of equally common ones those that come first. */
function usualMasks({ masks }: Way, groups: Groups): readonly number[] {
  return groups.map((group) => mostCommon(group, masks));
}

function mostCommon(group: readonly number[], masks: ArrayLike<number>): number {
  const counts = new Map<number, number>();
  for (const t of group) counts.set(masks[t] as number, (counts.get(masks[t] as number) ?? 0) + 1);
  return [...counts].reduce((most, entry) => (entry[1] > most[1] ? entry : most))[0];
}

/** Writes down what the wish for these usual fingers adds to each grip. */
function wishFor(masks: readonly Int32Array[], groups: Groups, usual: readonly number[], layer: Layer): void {
  groups.forEach((group, c) => {
    for (const t of group) {
      const own = layer[t] as Float64Array;
      const fingers = masks[t] as Int32Array;
      for (let g = 0; g < own.length; g += 1) own[g] = fingers[g] === usual[c] ? 0 : CONSISTENCY;
    }
  });
}

interface Apart {
  readonly usual: number;
  readonly cost: number;
  /** The fingers chosen for each event of the group. */
  readonly masks: readonly number[];
}

/** So many sets of fingers there are, as bits. */
const FINGER_SETS = 32;

const LEAST_DIFFERENCE = 1e-12;

/** What a group would do if it need not care for the hand, only for the prices: the other half of the decomposition. An event has the usual fingers, or pays
 * to have the dearest. */
function cheapestApart({ grips }: Lattice, group: readonly number[], prices: Layer): Apart {
  const kinds = group.map((t) => masksOf(grips[t] as readonly Grip[]).kinds);
  const priceAt = (i: number, grip: number): number => prices[group[i] as number]?.[grip] as number;
  const dearest = kinds.map((own, i) =>
    own.reduce((most, kind) => (priceAt(i, kind.grip) > priceAt(i, most.grip) ? kind : most)),
  );
  const apart = dearest.map(({ grip }, i) => CONSISTENCY - priceAt(i, grip));
  // What the events together save where some fingers are the usual ones.
  const saved = new Float64Array(FINGER_SETS);
  kinds.forEach((own, i) => {
    for (const { mask, grip } of own)
      saved[mask] = (saved[mask] as number) + Math.max(0, (apart[i] as number) + priceAt(i, grip));
  });
  let usual = kinds[0]?.[0]?.mask as number;
  for (const { mask } of kinds.flat())
    if ((saved[mask] as number) > (saved[usual] as number) + LEAST_DIFFERENCE) usual = mask;
  return {
    usual,
    cost: apart.reduce((sum, cost) => sum + cost, 0) - (saved[usual] as number),
    masks: kinds.map((own, i) => {
      const kind = own.find(({ mask }) => mask === usual);
      const isUsual = kind && (apart[i] as number) + priceAt(i, kind.grip) >= -LEAST_DIFFERENCE;
      return isUsual ? usual : (dearest[i] as (typeof own)[number]).mask;
    }),
  };
}

/** A moment at which the hand takes some fingers and the group wants others. */
interface Parting {
  readonly t: number;
  readonly taken: number;
  readonly wanted: number;
}

function partings(groups: Groups, { masks }: Way, apart: readonly Apart[]): readonly Parting[] {
  return groups.flatMap((group, c) =>
    group.flatMap((t, i) => {
      const [taken, wanted] = [masks[t] as number, apart[c]?.masks[i] as number];
      return taken === wanted ? [] : [{ t, taken, wanted }];
    }),
  );
}

/** Raises the price of fingers that the hand takes and the group does not, and lowers the reverse. */
function raise(masks: readonly Int32Array[], partings: readonly Parting[], prices: Layer, gap: number): void {
  const step = gap / (2 * Math.max(1, partings.length));
  for (const { t, taken, wanted } of partings) {
    const own = prices[t] as Float64Array;
    masks[t]?.forEach((mask, g) => {
      if (mask === taken) own[g] = (own[g] as number) + step;
      if (mask === wanted) own[g] = (own[g] as number) - step;
    });
  }
}
