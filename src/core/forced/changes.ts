import { BROKEN_LIMIT, over, playSlice, struckAt, type Fingering, type HandPlan, type PlanSlice } from '../fingering';
import type { Finger } from '../score';
import { costsByRule, rounded, type Comparison } from './prices';
import type { HandStudy } from './study-hand';

/** Why a finger changes. `colour`: with all keys white it would not; `spacing`: the keys lie differently, even if all were white;
 * `both`; `none`: not because of black keys, the fingering is unusual in any key. */
export type Cause = 'colour' | 'spacing' | 'both' | 'none';

/** A run of notes whose fingers change together. Events from and to are both included; a single one in between may keep its finger. */
export interface FingerChange {
  readonly from: number;
  readonly to: number;
  /** Notes of the passage in the run, and the fingers before and after, one entry a note. */
  readonly notes: readonly number[];
  readonly before: readonly (Finger | null)[];
  readonly after: readonly (Finger | null)[];
  readonly cause: Cause;
  /** How much more the old fingers cost, without the price of changing; Infinity where they cannot be played. */
  readonly gain: number;
  readonly comparison: Comparison;
}

/** Changes closer together than this are one. Source: the fingering model, section 7. */
const BRIDGED = 1;

/** The fingers that differ from the printed ones, in runs, each with why: those of the plan, or those offered. What the teacher decided is no change that
 * needs telling. */
export function fingerChanges(study: HandStudy): readonly FingerChange[] {
  const { passage, printed } = study.baseline;
  const expected = over(printed, study.decided);
  const { fingering } = study.offered ?? study.plan;
  const isChanged = passage.events.map((_, t) => departs(fingering, expected, struckAt(passage, t)));
  const runs: { from: number; to: number }[] = [];
  isChanged.forEach((changed, t) => {
    if (!changed) return;
    const last = runs.at(-1);
    if (last && t - last.to <= BRIDGED + 1) last.to = t;
    else runs.push({ from: t, to: t });
  });
  return runs.map((run) => changeOf(study, run.from, run.to, isChanged));
}

/** Whether any of the notes has another finger than it should; null is no finger in particular. */
function departs(fingering: Fingering, from: Fingering, notes: readonly number[]): boolean {
  return notes.some((note) => (from[note] ?? null) !== null && fingering[note] !== from[note]);
}

function changeOf(study: HandStudy, from: number, to: number, isChanged: readonly boolean[]): FingerChange {
  const { passage, printed } = study.baseline;
  const plan = study.offered ?? study.plan;
  const events = Array.from({ length: to - from + 1 }, (_, i) => from + i);
  const notes = events.flatMap((t) => struckAt(passage, t));
  const [begin, end] = surroundings(plan, from, to);
  const putBack = playSlice(plan.lattice, replaced(plan.fingering, notes, over(printed, study.decided)), begin, end);
  const planned = playSlice(plan.lattice, plan.fingering, begin, end);
  return {
    from,
    to,
    notes,
    before: notes.map((note) => printed[note] ?? null),
    after: notes.map((note) => plan.fingering[note] ?? null),
    cause: causeOf(
      study,
      events.filter((t) => isChanged[t]),
    ),
    gain: putBack.limits > planned.limits ? Infinity : rounded(limitless(putBack) - limitless(planned)),
    comparison: {
      between: 'fingers',
      worse: costsByRule(putBack, from - begin, to - begin),
      better: costsByRule(planned, from - begin, to - begin),
    },
  };
}

/** A fingering with the fingers of some notes taken from another. */
function replaced(fingering: Fingering, notes: readonly number[], by: Fingering): Fingering {
  const changed = fingering.slice();
  for (const note of notes) changed[note] = by[note] ?? null;
  return changed;
}

/** Positions around a change that its costs may touch: the one before it and the one after it, whole. */
const POSITIONS_AROUND = 1;

/** A hand that stays in one position for long has forgotten a change by then. Our own choice. */
const EVENTS_AROUND = 16;

/** From where to where the fingers of a change matter. What lies further away costs the same with either fingers. */
export function surroundings({ steps }: HandPlan, from: number, to: number): readonly [number, number] {
  let begin = from;
  for (let starts = 0; begin > Math.max(0, from - EVENTS_AROUND); begin -= 1) {
    if (steps[begin]?.transition !== 'stay') starts += 1;
    if (starts > POSITIONS_AROUND) break;
  }
  let end = to + 1;
  for (let starts = 0; end < Math.min(steps.length, to + EVENTS_AROUND); end += 1) {
    if (steps[end]?.transition !== 'stay') starts += 1;
    if (starts > POSITIONS_AROUND) break;
  }
  return [begin, end - 1];
}

function limitless(plan: PlanSlice): number {
  return plan.cost - BROKEN_LIMIT * plan.limits;
}

/** A change is due to black keys where the fingers would have stayed on the white keys of the letters. */
function causeOf({ baseline, colourless }: HandStudy, events: readonly number[]): Cause {
  const { passage, printed, neutral } = baseline;
  const due = events.filter((t) => !departs(neutral.fingering, printed, struckAt(passage, t)));
  // Where most of the run would have changed anyway, the printed fingering itself is unusual.
  if (due.length * 2 <= events.length) return 'none';
  const byColour = due.filter((t) => colourless && !departs(colourless.fingering, printed, struckAt(passage, t)));
  if (byColour.length === due.length) return 'colour';
  return byColour.length === 0 ? 'spacing' : 'both';
}

/** Other fingers that work at the first note of a change, each with how much more it costs than the plan, cheapest first. */
export function alternatives(
  study: HandStudy,
  change: FingerChange,
): readonly { readonly finger: Finger; readonly price: number }[] {
  const { passage } = study.baseline;
  const plan = study.offered ?? study.plan;
  const { lattice, fingering } = plan;
  const [first] = struckAt(passage, change.from);
  if (first === undefined || struckAt(passage, change.from).length > 1) return [];
  const inRun = new Set(change.notes);
  const free = fingering.map((finger, i) => (inRun.has(i) ? null : finger));
  const [begin, end] = surroundings(plan, change.from, change.to);
  const best = playSlice(lattice, fingering, begin, end);
  const taken = [change.before[0], change.after[0]];
  return ([1, 2, 3, 4, 5] as const)
    .filter((finger) => !taken.includes(finger))
    .map((finger) => ({ finger, plan: playSlice(lattice, free.with(first, finger), begin, end) }))
    .filter(({ plan }) => plan.limits <= best.limits)
    .map(({ finger, plan }) => ({ finger, price: Math.max(0, rounded(limitless(plan) - limitless(best))) }))
    .filter(({ price }) => price <= DEAREST)
    .sort((a, b) => a.price - b.price);
}

/** What costs more than this is no alternative any more: as much as a move in the middle of a line. Our own choice. */
const DEAREST = 5;

/** Events at which the hand begins a new position that it would not need on white keys, and the reverse. A start next to one of
 * the other plan is the same move a note earlier or later. */
export function forcedMoves({ baseline, plan }: HandStudy): {
  readonly added: readonly number[];
  readonly removed: readonly number[];
} {
  const [real, neutral, printed] = [startsOf(plan), startsOf(baseline.neutral), startsOf(baseline.asPrinted)];
  // What either of them does on white keys is no matter of black ones.
  return {
    added: without(without(real, neutral), printed),
    removed: without(
      neutral.filter((t) => printed.includes(t)),
      real,
    ),
  };
}

function startsOf(plan: HandPlan): readonly number[] {
  return plan.steps.flatMap(({ transition: join }, t) => (join === 'stay' || join === 'begin' ? [] : [t]));
}

function without(these: readonly number[], those: readonly number[]): readonly number[] {
  const near = new Set(those.flatMap((t) => [t - BRIDGED, t, t + BRIDGED]));
  return these.filter((t) => !near.has(t));
}
