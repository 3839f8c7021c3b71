import { diatonicNumber, type Step } from '../pitch';
import type { Finger } from '../score';
import { type HandPlan, struckAt } from './hand-plan';
import type { Transition } from './meeting';
import { fingerAt, type HandPosition } from './hand-position';
import type { PlannedGrip } from './plan-path';

/** Where the hand sits, one position after the other: a new one begins wherever the plan moves the hand. `tonic` is that of the piece where it stands. */
export function positionsOf(plan: HandPlan, tonic: Step): readonly HandPosition[] {
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
    const lowest = passage.hand === 'right' ? last.low : -(last.high + CLOSED);
    const notes = indexes.map((index) => (passage.notes[index] as (typeof passage.notes)[number]).note);
    return {
      hand: passage.hand,
      lowest,
      spread,
      home: spread === 0 ? lowest : homeOf({ hand: passage.hand, lowest, spread, notes, fingers }, tonic),
      notes,
      fingers,
      arrival: arrivalOf(plan, from),
    };
  });
}

/** Letters between the lowest and the highest finger of a closed hand. */
const CLOSED = 4;

/** From which five letters an open hand opens: those over the tonic, as the primary chords have them; else those whose fingers it has most of, the lowest of
 * them a letter that it plays. */
function homeOf(
  { hand, lowest, spread, notes, fingers }: Pick<HandPosition, 'hand' | 'lowest' | 'spread' | 'notes' | 'fingers'>,
  tonic: Step,
): number {
  const letters = Array.from({ length: spread + 1 }, (_, i) => lowest + i);
  const overTonic = letters.find((letter) => ((letter % 7) + 7) % 7 === tonic);
  if (overTonic !== undefined) return overTonic;
  const inPlace = (home: number): number =>
    notes.filter(({ id, pitch }) => fingerAt(hand, home, diatonicNumber(pitch)) === fingers.get(id)).length;
  const played = letters.filter((letter) => notes.some(({ pitch }) => diatonicNumber(pitch) === letter));
  return played.reduce((best, letter) => (inPlace(letter) > inPlace(best) ? letter : best), played[0] ?? lowest);
}

function arrivalOf(plan: HandPlan, t: number): HandPosition['arrival'] {
  const transition = (plan.steps[t] as PlannedGrip).transition;
  if (transition === 'begin') return null;
  return { transition: transition as Exclude<Transition, 'stay'>, bond: plan.lattice.passage.events[t]?.bond ?? 1 };
}
