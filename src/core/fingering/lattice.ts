/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import { memo, memoOf } from '../base';
import { tallyGrip } from './grip-cost';
import { gripsOf, keysDownOf, opensBeyond, type Grip, type KeysDown } from './grip';
import { meetingOf } from './meeting';
import type { Passage, PassageEvent } from './passage';
import { widestOpening, type Demands } from './player';
import type { Setting } from './setting';
import { costTally, RULE, totalCost } from './tally';
import type { View } from './key-view';
import { narrowTable, transitionTable, type TransitionTable } from './transition-table';

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
  if (opensBeyond(setting.demands, keys, grip, widest) > 0) tally.limits += 1;
  return totalCost(tally);
}

function allOf(size: number): readonly number[] {
  return Array.from({ length: size }, (_, i) => i);
}
