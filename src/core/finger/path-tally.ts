import { tallyGrip } from './grip-cost';
import type { Stand } from './grip';
import type { Lattice } from './lattice';
import { growth, meetingOf, middle } from './meeting';
import { tallyMove } from './move-cost';
import { tallyPass } from './pass-cost';
import type { PassageEvent } from './passage';
import type { Step } from './solve';
import { tallyStay } from './stay-cost';
import { add, RULE, ruleTally } from './tally';

/** What the steps of a plan cost by rule, from one event to another, both included; the join into the first of them counts with it. */
export function tallySteps(lattice: Lattice, steps: readonly Step[], from: number = 0, to: number = steps.length - 1): ReturnType<typeof ruleTally> {
  const { passage, demands, stands } = lattice;
  const tally = ruleTally(demands.weights);
  for (let t = from; t <= to; t += 1) {
    const step = steps[t] as Step;
    const stand = stands[t] as Stand;
    tallyGrip(tally, lattice, stand, step.grip);
    if (step.grip.high - step.grip.low > lattice.widest) tally.limits += 1;
    const before = steps[t - 1];
    if (step.join !== 'stay') add(tally, RULE.open, step.high - step.low);
    if (!before) continue;
    const meeting = meetingOf(lattice.view, passage.events[t] as PassageEvent, stands[t - 1] as Stand, stand);
    if (step.join === 'stay') {
      const [opened, contracted] = growth(middle(step.grip, meeting.to) - middle(before.grip, meeting.from), before.low - step.low, step.high - before.high);
      add(tally, RULE.open, opened);
      add(tally, RULE.contract, contracted);
      tallyStay(tally, lattice, meeting, before.grip, step.grip);
    } else if (step.join === 'pass') tallyPass(tally, lattice, meeting, before.grip, step.grip);
    else tallyMove(tally, lattice, meeting, before.grip, step.grip);
  }
  return tally;
}
