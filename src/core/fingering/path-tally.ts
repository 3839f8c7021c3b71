import { tallyGrip } from './grip-cost';
import { opensBeyond, type KeysDown } from './grip';
import type { Lattice } from './lattice';
import { growth, meetingOf, middle } from './meeting';
import { tallyMove } from './move-cost';
import { tallyPass } from './pass-cost';
import type { PassageEvent } from './passage';
import type { PlannedGrip } from './plan-path';
import { tallyStay } from './stay-cost';
import { add, RULE, ruleTally } from './tally';

/** What the steps of a plan cost by rule, from one event to another, both included; the transition into the first of them counts with it. */
export function tallySteps(
  lattice: Lattice,
  steps: readonly PlannedGrip[],
  from: number = 0,
  to: number = steps.length - 1,
): ReturnType<typeof ruleTally> {
  const { passage, demands, keysDown } = lattice;
  const tally = ruleTally(demands.weights);
  for (let t = from; t <= to; t += 1) {
    const step = steps[t] as PlannedGrip;
    const keys = keysDown[t] as KeysDown;
    tallyGrip(tally, lattice, keys, step.grip);
    if (opensBeyond(demands, keys, step.grip, lattice.widest) > 0) tally.limits += 1;
    const before = steps[t - 1];
    if (step.transition !== 'stay') add(tally, RULE.open, step.high - step.low);
    if (!before) continue;
    const meeting = meetingOf(lattice.view, passage.events[t] as PassageEvent, keysDown[t - 1] as KeysDown, keys);
    if (step.transition === 'stay') {
      const [opened, contracted] = growth(
        middle(step.grip, meeting.to) - middle(before.grip, meeting.from),
        before.low - step.low,
        step.high - before.high,
      );
      add(tally, RULE.open, opened);
      add(tally, RULE.contract, contracted);
      tallyStay(tally, lattice, meeting, before.grip, step.grip);
    } else if (step.transition === 'pass') tallyPass(tally, lattice, meeting, before.grip, step.grip);
    else tallyMove(tally, lattice, meeting, before.grip, step.grip);
  }
  return tally;
}
