import { memoOf } from '../base';
import type { Finger } from '../score';
import { groupsOf, solveConsistent, type Groups } from './consistent';
import { isKnown, over, type Fingering } from './fingering';
import type { Grip, KeysDown } from './grip';
import { latticeOf, narrowed, sliceOf, type Lattice } from './lattice';
import type { Passage, PassageEvent } from './passage';
import type { Demands } from './player';
import { BROKEN_LIMIT, EDIT_PRINTED_FACTOR } from './rules.table';
import { NO_EXTRA, type Extra, type Path, type PlannedGrip } from './plan-path';
import { solve } from './solve';
import type { View } from './key-view';

/** A fingering with the way through the lattice that it belongs to. */
export interface HandPlan {
  readonly lattice: Lattice;
  /** One step an event. */
  readonly steps: readonly PlannedGrip[];
  readonly fingering: Fingering;
  readonly cost: number;
  /** No fingering costs less. */
  readonly bound: number;
  /** How many limits of level and reach are broken. */
  readonly limits: number;
}

/** A plan that begins from likely fingers needs no rounds. Our own choice: `npm run bench` tells what gap is left. */
const ROUNDS_NEAR_LIKELY = 0;

const likenessGroups = memoOf((passage: Passage) => groupsOf(passage.events.map(({ likeness }) => likeness)));

function masksOf(passage: Passage, fingering: Fingering): readonly number[] {
  return passage.events.map(({ struck }) =>
    struck.reduce((mask, note) => mask | (1 << ((fingering[note] ?? 1) - 1)), 0),
  );
}

/** What a plan rests on beside the cost of the hand. */
export interface PlanOptions {
  /** Fingers that are kept unless a change is worth it, printed ones and those of other keys; null where there are none. */
  readonly kept?: Fingering;
  /** Fingers that stay whatever they cost, and cost no change; null at notes that are left to the plan. */
  readonly given?: Fingering;
  /** A whole fingering to begin from: then fewer rounds are needed. */
  readonly likely?: Fingering;
  readonly rounds?: number;
}

/** Plans the fingers of a passage in a view. */
export function planHand(passage: Passage, view: View, demands: Demands, options: PlanOptions = {}): HandPlan {
  const { kept, given, likely } = options;
  const whole = latticeOf(passage, view, demands);
  const places = given && isKnown(given) ? placesOf(whole, given) : null;
  const lattice = places ? narrowed(whole, places) : whole;
  const rounds = options.rounds ?? (likely ? ROUNDS_NEAR_LIKELY : undefined);
  const path = solveConsistent(lattice, openGroups(passage, given), extraOf(lattice, options), {
    ...(rounds === undefined ? {} : { rounds }),
    likely: likely ? masksOf(passage, over(over(likely, kept ?? []), given ?? [])) : null,
  });
  return finished(whole, places ? inWhole(path.steps, places) : path.steps, path.cost, path.bound);
}

/** Like moments whose fingers are all given cannot be made any more alike. */
function openGroups(passage: Passage, given: Fingering | undefined): Groups {
  const groups = likenessGroups(passage);
  if (!given) return groups;
  const isOpen = (t: number): boolean => struckAt(passage, t).some((note) => (given[note] ?? null) === null);
  return groups.filter((group) => group.some(isOpen));
}

/** What the options add to the cost of each grip: for fingers that are not kept. */
function extraOf(lattice: Lattice, { kept, given }: PlanOptions): Extra {
  if (!kept) return NO_EXTRA;
  const own = lattice.grips.map((grips) => new Float64Array(grips.length));
  const changed = addEdits(lattice, given ? over(kept, given) : kept, own);
  return { own, changed, opens: lattice.demands.editOpens };
}

/** The best way to play given fingers: where the hand moves, and what that costs. Notes without a finger are free. */
export function playHand(passage: Passage, view: View, demands: Demands, given: Fingering): HandPlan {
  const lattice = latticeOf(passage, view, demands);
  const { steps, cost } = solveGiven(lattice, given);
  return finished(lattice, steps, cost, cost);
}

/** The best way to play given fingers in a stretch of a plan's events, from one to another, both included, taken by itself. */
export function playSlice(lattice: Lattice, given: Fingering, from: number, to: number): PlanSlice {
  const slice = sliceOf(lattice, from, to);
  const { steps, cost } = solveGiven(slice, given);
  return { lattice: slice, steps, cost, limits: limitsOf(slice, steps) };
}

function solveGiven(lattice: Lattice, given: Fingering): Path {
  const places = placesOf(lattice, given);
  const { steps, cost } = solve(narrowed(lattice, places), NO_EXTRA);
  return { steps: inWhole(steps, places), cost };
}

/** The steps of a narrowed lattice as those of the whole one. */
function inWhole(steps: readonly PlannedGrip[], places: readonly (readonly number[] | null)[]): readonly PlannedGrip[] {
  return steps.map((step, t) => ({ ...step, index: places[t]?.[step.index] ?? step.index }));
}

/** A stretch of a plan taken by itself. */
export type PlanSlice = Pick<HandPlan, 'lattice' | 'steps' | 'cost' | 'limits'>;

function finished(lattice: Lattice, steps: readonly PlannedGrip[], cost: number, bound: number): HandPlan {
  const fingering = fingeringOf(lattice, steps);
  return { lattice, steps, fingering, cost, bound, limits: limitsOf(lattice, steps) };
}

function fingeringOf(lattice: Lattice, steps: readonly PlannedGrip[]): Fingering {
  const fingering: (Finger | null)[] = lattice.passage.notes.map(() => null);
  steps.forEach((step, t) => eachStruck(lattice, t, step.grip, (note, finger) => (fingering[note] = finger)));
  shareAmongUnisons(lattice.passage, fingering);
  return fingering;
}

/** How many limits a plan breaks: each costs so much more than all else at its step that it shows in what the step costs. A hand that stays breaks none but
 * those of its grip. */
function limitsOf({ grips, gripCosts, transitions }: Lattice, steps: readonly PlannedGrip[]): number {
  let limits = 0;
  steps.forEach(({ index, transition }, t) => {
    limits += Math.round((gripCosts[t]?.[index] as number) / BROKEN_LIMIT);
    const table = transitions[t];
    if (!table || transition === 'stay') return;
    const pair = (steps[t - 1] as PlannedGrip).index * (grips[t] as readonly Grip[]).length + index;
    limits += Math.round(((transition === 'pass' ? table.pass : table.move)[pair] as number) / BROKEN_LIMIT);
  });
  return limits;
}

function eachStruck({ keysDown }: Lattice, t: number, grip: Grip, act: (note: number, finger: Finger) => void): void {
  const { down, isHeld } = keysDown[t] as KeysDown;
  for (let i = 0; i < down.length; i += 1) {
    if (!isHeld[i]) act(down[i] as number, grip.fingers[i] as Finger);
  }
}

/** Two voices of one hand on one key share its finger. */
function shareAmongUnisons(passage: Passage, fingering: (Finger | null)[]): void {
  if (!fingering.includes(null)) return;
  const planned = new Set(passage.events.flatMap(({ struck }) => struck));
  passage.notes.forEach(({ note }, i) => {
    if (planned.has(i)) return;
    const twin = passage.notes.findIndex(
      (other, k) =>
        planned.has(k) &&
        other.note.onset === note.onset &&
        other.note.midi === note.midi &&
        other.note.isGrace === note.isGrace,
    );
    if (twin >= 0) fingering[i] = fingering[twin] as Finger | null;
  });
}

/** The grips that have the given fingers, by their places among all of each event; null at events where that is all of them. Where no grip has them, all
 * stay open. */
function placesOf(lattice: Lattice, given: Fingering): readonly (readonly number[] | null)[] {
  const { passage, grips, keysDown } = lattice;
  return grips.map((all, t) => {
    if (struckAt(passage, t).every((note) => (given[note] ?? null) === null)) return null;
    const { down, isHeld } = keysDown[t] as KeysDown;
    const fits = ({ fingers }: Grip): boolean =>
      down.every((note, i) => isHeld[i] || (given[note] ?? fingers[i]) === fingers[i]);
    const fitting = all.flatMap((grip, g) => (fits(grip) ? [g] : []));
    return fitting.length === 0 ? null : fitting;
  });
}

/** Adds what it costs to change fingers that are kept, a little for each, and tells which grips change any: a run of changes costs once more where it
 * begins. */
function addEdits(lattice: Lattice, kept: Fingering, own: readonly Float64Array[]): readonly Uint8Array[] {
  const price = lattice.demands.edit * EDIT_PRINTED_FACTOR;
  return lattice.grips.map((grips, t) => {
    const changed = new Uint8Array(grips.length);
    if (struckAt(lattice.passage, t).every((note) => (kept[note] ?? null) === null)) return changed;
    const costs = own[t] as Float64Array;
    grips.forEach((grip, g) =>
      eachStruck(lattice, t, grip, (note, finger) => {
        if ((kept[note] ?? finger) === finger) return;
        changed[g] = 1;
        costs[g] = (costs[g] as number) + price;
      }),
    );
    return changed;
  });
}

/** The notes that an event strikes. */
export function struckAt(passage: Passage, t: number): readonly number[] {
  return (passage.events[t] as PassageEvent).struck;
}
