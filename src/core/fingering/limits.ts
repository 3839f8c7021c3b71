import { opensBeyond, type KeysDown } from './grip';
import { keyPair, spanOfPair } from './key-pair';
import type { Lattice } from './lattice';
import { isLine, linePair, meetingOf } from './meeting';
import { isCrossing } from './move-cost';
import { FREE_BOND, type PassageEvent } from './passage';
import type { PlannedGrip } from './plan-path';

/** What a step of a plan asks for that the level or the reach does not allow. `reach`: keys too far apart, or too close, for two fingers;
 * `held-reach`: a held key has to be let go; `held-finger`: a finger is wanted elsewhere while it holds a key; `open`: a wider hand
 * than the level has; `move`: a new position at level 1; `change`: another finger on a repeated key below level 3; `cross`: a crossing
 * below level 4. */
export const LIMITS = ['reach', 'held-reach', 'held-finger', 'open', 'move', 'change', 'cross'] as const;
export type Limit = (typeof LIMITS)[number];

/** The limits that one step of a plan breaks. They are the same that the cost counts. */
export function stepLimits(lattice: Lattice, steps: readonly PlannedGrip[], t: number): readonly Limit[] {
  const { keysDown, demands, passage, widest } = lattice;
  const { grip, transition } = steps[t] as PlannedGrip;
  const keys = keysDown[t] as KeysDown;
  const limits: Limit[] = [];
  if (pairsOutOfReach(lattice, keys, grip.fingers)) limits.push('reach');
  if (keys.dropped.length > 0) limits.push('held-reach');
  if (opensBeyond(demands, keys, grip, widest) > 0) limits.push('open');
  if (transition === 'begin' || transition === 'stay') return limits;
  if (changesHeldFinger(lattice, steps, t)) limits.push('held-finger');
  if (demands.player.level === 1) limits.push('move');
  else if (transition === 'change' && demands.player.level === 2 && (passage.events[t]?.bond ?? 0) > FREE_BOND)
    limits.push('change');
  else if (isForbiddenCrossing(lattice, steps, t)) limits.push('cross');
  return limits;
}

function isForbiddenCrossing(lattice: Lattice, steps: readonly PlannedGrip[], t: number): boolean {
  const { view, passage, demands, keysDown } = lattice;
  const [before, now] = [keysDown[t - 1] as KeysDown, keysDown[t] as KeysDown];
  const meeting = meetingOf(view, passage.events[t] as PassageEvent, before, now);
  return (
    isLine(meeting) &&
    isCrossing(
      demands,
      linePair(view, meeting, (steps[t - 1] as PlannedGrip).grip, (steps[t] as PlannedGrip).grip),
      meeting.event.bond,
    )
  );
}

function pairsOutOfReach({ view, demands }: Lattice, { down, isHeld }: KeysDown, fingers: readonly number[]): boolean {
  return down.some((low, i) =>
    down.slice(i + 1).some((high, j) => {
      const k = i + 1 + j;
      if (isHeld[i] && isHeld[k]) return false;
      const pair = keyPair(view, low, fingers[i] as number, high, fingers[k] as number);
      const span = spanOfPair(demands, pair);
      return pair.distance > span.greatestPractical || pair.distance < span.leastPractical;
    }),
  );
}

function changesHeldFinger({ keysDown }: Lattice, steps: readonly PlannedGrip[], t: number): boolean {
  const [before, now] = [keysDown[t - 1] as KeysDown, keysDown[t] as KeysDown];
  return now.down.some((note, k) => {
    const i = before.down.indexOf(note);
    return now.isHeld[k] === true && i >= 0 && steps[t - 1]?.grip.fingers[i] !== steps[t]?.grip.fingers[k];
  });
}
