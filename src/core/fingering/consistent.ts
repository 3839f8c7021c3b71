import { CONSISTENCY } from './rules.table';
import type { Grip } from './grip';
import type { Lattice } from './lattice';
import type { Extra, Path } from './plan-path';
import { solve } from './solve';

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
  const free = solve(lattice, extra);
  let best = { steps: free.steps, cost: free.cost + apartCost(free, groups) };
  let bound = free.cost;
  const tried = new Set<string>();
  const trial = lattice.grips.map((grips) => new Float64Array(grips.length));
  // Follows the usual fingers of a path to those of the next, so many times at most.
  const improve = (start: readonly number[], times: number): void => {
    for (let usual = start, time = 0; time < times && !tried.has(usual.join()); time += 1) {
      tried.add(usual.join());
      fillTrials(lattice, groups, usual, trial);
      const path = solve(lattice, { ...extra, trial });
      const cost = withoutOwn(path, trial) + apartCost(path, groups);
      if (cost < best.cost - NEAR) best = { steps: path.steps, cost };
      usual = usualMasks(path, groups);
    }
  };
  if (best.cost - bound > NEAR && likely)
    improve(
      groups.map((group) => mostCommon(group.map((t) => likely[t] as number))),
      TO_THE_END,
    );
  if (best.cost - bound > NEAR) improve(usualMasks(free, groups), TO_THE_END);

  const prices = lattice.grips.map((grips) => new Float64Array(grips.length));
  let path = free;
  let betterAt = 0;
  for (let round = 0; round < rounds && round - betterAt < PATIENCE && best.cost - bound > NEAR; round += 1) {
    if (round > 0) path = solve(lattice, { ...extra, trial: prices });
    const apart = groups.map((group) => cheapestApart(lattice, group, prices));
    const value = path.cost + apart.reduce((sum, { cost }) => sum + cost, 0);
    bound = Math.max(bound, value);
    const cost = best.cost;
    improve(
      apart.map(({ usual }) => usual),
      ONCE,
    );
    if (best.cost < cost - NEAR) betterAt = round;
    raise(lattice, groups, { path, apart, prices, gap: best.cost - value });
  }
  improve(usualMasks(best, groups), TO_THE_END);
  return { ...best, bound: Math.min(bound, best.cost) };
}

/** One entry a grip of each event. */
type Own = readonly Float64Array[];

function withoutOwn(path: Path, own: Own): number {
  return path.steps.reduce((cost, { index }, t) => cost - (own[t]?.[index] as number), path.cost);
}

function apartCost(path: Path, groups: Groups): number {
  const usual = usualMasks(path, groups);
  const apart = groups.map((group, c) => group.filter((t) => maskAt(path, t) !== usual[c]).length);
  return CONSISTENCY * apart.reduce((sum, count) => sum + count, 0);
}

function maskAt(path: Pick<Path, 'steps'>, t: number): number {
  return (path.steps[t] as Path['steps'][number]).grip.mask;
}

/** The most common fingers of each group; of equally common ones those that come first. */
function usualMasks(path: Pick<Path, 'steps'>, groups: Groups): readonly number[] {
  return groups.map((group) => mostCommon(group.map((t) => maskAt(path, t))));
}

function mostCommon(masks: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const mask of masks) counts.set(mask, (counts.get(mask) ?? 0) + 1);
  return [...counts].reduce((most, entry) => (entry[1] > most[1] ? entry : most))[0];
}

/** Writes down what the wish for these usual fingers adds to each grip. */
function fillTrials(lattice: Lattice, groups: Groups, usual: readonly number[], trial: Own): void {
  groups.forEach((group, c) => {
    for (const t of group) {
      const grips = gripsAt(lattice, t);
      const own = trial[t] as Float64Array;
      for (let g = 0; g < grips.length; g += 1) own[g] = (grips[g] as Grip).mask === usual[c] ? 0 : CONSISTENCY;
    }
  });
}

function gripsAt(lattice: Lattice, t: number): readonly Grip[] {
  return lattice.grips[t] as readonly Grip[];
}

interface Apart {
  readonly usual: number;
  readonly cost: number;
  /** The fingers chosen for each event of the group. */
  readonly masks: readonly number[];
}

/** What a group would do if it need not care for the hand, only for the prices: the other half of the decomposition. */
function cheapestApart(lattice: Lattice, group: readonly number[], prices: Own): Apart {
  const tables = group.map((t) => pricesByMask(lattice, t, prices[t] as Float64Array));
  let best: Apart | null = null;
  for (const usual of new Set(tables.flatMap((table) => [...table.keys()]))) {
    let cost = 0;
    const masks: number[] = [];
    for (const table of tables) {
      let least = Infinity;
      let chosen = usual;
      for (const [mask, price] of table) {
        const value = (mask === usual ? 0 : CONSISTENCY) - price;
        if (value < least - 1e-12 || (value <= least && mask === usual)) {
          least = value;
          chosen = mask;
        }
      }
      cost += least;
      masks.push(chosen);
    }
    if (!best || cost < best.cost - 1e-12) best = { usual, cost, masks };
  }
  return best as Apart;
}

/** Prices belong to the struck fingers: grips that differ in held keys or in reading have the same. */
function pricesByMask(lattice: Lattice, t: number, prices: Float64Array): ReadonlyMap<number, number> {
  return new Map(gripsAt(lattice, t).map((grip, g) => [grip.mask, prices[g] as number]));
}

/** Raises the price of fingers that the hand takes and the group does not, and lowers the reverse. */
function raise(
  lattice: Lattice,
  groups: Groups,
  {
    path,
    apart,
    prices,
    gap,
  }: { readonly path: Path; readonly apart: readonly Apart[]; readonly prices: Own; readonly gap: number },
): void {
  const moves: { readonly t: number; readonly up: number; readonly down: number }[] = [];
  groups.forEach((group, c) =>
    group.forEach((t, i) => {
      const [up, down] = [maskAt(path, t), apart[c]?.masks[i] as number];
      if (up !== down) moves.push({ t, up, down });
    }),
  );
  const step = gap / (2 * Math.max(1, moves.length));
  for (const { t, up, down } of moves) {
    gripsAt(lattice, t).forEach(({ mask }, g) => {
      if (mask === up) (prices[t] as Float64Array)[g] = (prices[t]?.[g] as number) + step;
      if (mask === down) (prices[t] as Float64Array)[g] = (prices[t]?.[g] as number) - step;
    });
  }
}
