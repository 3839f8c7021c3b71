import type { Extra, Lattice, KeysDown } from '@/core/fingering';
import { tallyGrip } from '@/core/fingering/grip-cost';
import { growth, meetingOf, middle } from '@/core/fingering/meeting';
import { tallyMove } from '@/core/fingering/move-cost';
import { tallyPass } from '@/core/fingering/pass-cost';
import { BROKEN_LIMIT } from '@/core/fingering/rules.table';
import { tallyStay } from '@/core/fingering/stay-cost';
import { costTally, RULE, totalCost } from '@/core/fingering/tally';

/** The cost of the best fingering, found by trying every grip of every event and every way from one to the next. It shares the
 * cost rules with the planner and nothing else: no state, no pruning. For a handful of events only. */
export function cheapestByTrying(lattice: Lattice, extra: Extra): number {
  const { passage, demands, widest, keysDown, grips } = lattice;
  const open = demands.weights[RULE.open] as number;
  const places = grips.map((own, t) =>
    own.map((grip) => ({ grip, low: baseOf(t) + grip.low, high: baseOf(t) + grip.high })),
  );
  const alone = places.map((own, t) =>
    own.map(({ grip, low, high }, g) => {
      const tally = costTally(demands.weights);
      tallyGrip(tally, lattice, keysDown[t] as KeysDown, grip);
      // A struck chord of three keys may open the hand by a step at level 2, and so may thumb and 2 over a bass.
      const isStruck = keysDown[t]?.isHeld.every((one) => !one) === true;
      const isPair = grip.fingers.join() === '1,2' && high - low <= 1;
      const mayOpen = isStruck && (keysDown[t]?.down.length === 3 || isPair);
      const most = mayOpen && demands.player.level === 2 ? Math.max(widest, 1) : widest;
      return totalCost(tally) + BROKEN_LIMIT * (high - low > most ? 1 : 0) + (extra.own?.[t]?.[g] ?? 0);
    }),
  );
  // Costs of the joins from each grip to each of the next event: staying, and the ways to move.
  const joins = places.slice(1).map((own, i) => {
    const t = i + 1;
    const meeting = meetingOf(
      lattice.view,
      passage.events[t] as Lattice['passage']['events'][number],
      keysDown[i] as KeysDown,
      keysDown[t] as KeysDown,
    );
    return (places[i] ?? []).map(({ grip: from }, p) =>
      own.map(({ grip: to }, q) => {
        const opens = isChanged(t, q) && !isChanged(i, p) ? extra.opens : 0;
        const [stay, plain, pass] = [
          costTally(demands.weights),
          costTally(demands.weights),
          costTally(demands.weights),
        ];
        tallyMove(plain, lattice, meeting, from, to);
        const moves = [totalCost(plain) + opens];
        if (tallyPass(pass, lattice, meeting, from, to)) moves.push(totalCost(pass) + opens);
        const grow = (down: number, up: number): number => {
          const [opened, contracted] = growth(middle(to, meeting.to) - middle(from, meeting.from), down, up);
          return open * opened + (demands.weights[RULE.contract] as number) * contracted;
        };
        const stayed = tallyStay(stay, lattice, meeting, from, to) ? totalCost(stay) + opens : null;
        return { stayed, moves, grow };
      }),
    );
  });

  function baseOf(t: number): number {
    return keysDown[t]?.base ?? 0;
  }
  function isChanged(t: number, g: number): boolean {
    return extra.changed?.[t]?.[g] === 1;
  }
  const onwards = (t: number, g: number, low: number, high: number): number => {
    if (t === keysDown.length - 1) return 0;
    let best = Infinity;
    (places[t + 1] ?? []).forEach((to, q) => {
      const { stayed, moves, grow } = joins[t]?.[g]?.[q] as {
        stayed: number | null;
        moves: number[];
        grow: (down: number, up: number) => number;
      };
      const own = alone[t + 1]?.[q] as number;
      for (const move of moves)
        best = Math.min(best, own + move + open * (to.high - to.low) + onwards(t + 1, q, to.low, to.high));
      if (stayed === null) return;
      const [lowest, highest] = [Math.min(low, to.low), Math.max(high, to.high)];
      const isUnmoved = to.low === low && to.high === high;
      if (highest - lowest > widest && !isUnmoved) return;
      best = Math.min(best, own + stayed + grow(low - lowest, highest - high) + onwards(t + 1, q, lowest, highest));
    });
    return best;
  };
  return Math.min(
    ...(places[0] ?? []).map(
      ({ low, high }, g) =>
        (alone[0]?.[g] as number) +
        (isChanged(0, g) ? extra.opens : 0) +
        open * (high - low) +
        onwards(0, g, low, high),
    ),
  );
}

/** How many complete sequences there are to try, at most. */
export function choices({ grips }: Lattice): number {
  return grips.reduce((product, own, t) => product * own.length * (t === 0 ? 1 : 2), 1);
}
