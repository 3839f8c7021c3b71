import type { Finger } from '../score';
import { type HandPlan, struckAt } from './hand-plan';
import type { Transition } from './meeting';
import type { HandPosition } from './hand-position';
import type { PlannedGrip } from './plan-path';

/** Where the hand sits, one position after the other: a new one begins wherever the plan moves the hand. */
export function positionsOf(plan: HandPlan): readonly HandPosition[] {
  const { passage } = plan.lattice;
  const starts = plan.steps.flatMap((step, t) => (step.transition === 'stay' ? [] : [t]));
  return starts.map((from, i) => {
    const to = (starts[i + 1] ?? plan.steps.length) - 1;
    const last = plan.steps[to] as PlannedGrip;
    const indexes = Array.from({ length: to - from + 1 }, (_, k) => struckAt(passage, from + k)).flat();
    const fingers = new Map<string, Finger>();
    for (const index of indexes) {
      const finger = plan.fingering[index];
      const note = passage.notes[index]?.note;
      if (finger && note) fingers.set(note.id, finger);
    }
    const spread = last.high - last.low;
    return {
      hand: passage.hand,
      lowest: passage.hand === 'right' ? last.low : -(last.high + CLOSED),
      spread,
      notes: indexes.map((index) => (passage.notes[index] as (typeof passage.notes)[number]).note),
      fingers,
      arrival: arrivalOf(plan, from),
    };
  });
}

/** Letters between the lowest and the highest finger of a closed hand. */
const CLOSED = 4;

function arrivalOf(plan: HandPlan, t: number): HandPosition['arrival'] {
  const transition = (plan.steps[t] as PlannedGrip).transition;
  if (transition === 'begin') return null;
  return { transition: transition as Exclude<Transition, 'stay'>, bond: plan.lattice.passage.events[t]?.bond ?? 1 };
}
