import { BROKEN_LIMIT, playSlice, struckAt, type PlanSlice } from '../fingering';
import type { Finger } from '../score';
import { surroundings } from './changes';
import { rounded } from './prices';
import type { HandStudy } from './study-hand';

/** What it would cost to take a finger at a note. */
export interface FingerChoice {
  readonly finger: Finger;
  /** How much more it costs than the plan; null where the hand cannot play on from there at this level and reach. */
  readonly price: number | null;
}

const FINGERS = [1, 2, 3, 4, 5] as const;

/** All five fingers at a note of the passage, each with its price: the notes around it may take other fingers to make room, but not those that
 * the teacher decided on. */
export function fingerChoices(study: HandStudy, note: number): readonly FingerChoice[] {
  const { plan, decided, baseline } = study;
  const t = baseline.passage.events.findIndex((_, event) => struckAt(baseline.passage, event).includes(note));
  if (t < 0) return [];
  const [begin, end] = surroundings(plan, t, t);
  const around = new Set(
    Array.from({ length: end - begin + 1 }, (_, i) => struckAt(baseline.passage, begin + i)).flat(),
  );
  // At the edges the hand is where it was: what lies beyond stays as it is.
  const edges = new Set([...struckAt(baseline.passage, begin), ...struckAt(baseline.passage, end)]);
  const free = plan.fingering.map((finger, i) => (around.has(i) && !edges.has(i) ? (decided[i] ?? null) : finger));
  const best = playSlice(plan.lattice, plan.fingering, begin, end);
  return FINGERS.map((finger) => ({
    finger,
    price: priceOf(playSlice(plan.lattice, free.with(note, finger), begin, end), best),
  }));
}

/** A finger that no grip of the moment has cannot be played there. */
function priceOf(tried: PlanSlice, best: PlanSlice): number | null {
  if (tried.limits > best.limits || tried.cost - best.cost > BROKEN_LIMIT) return null;
  return Math.max(0, rounded(tried.cost - best.cost));
}
