import type { Grip } from './grip';
import { movesByCrossing, type TransitionTable } from './transition-table';
import { TRANSITIONS, type Transition } from './meeting';
import type { Path, PlannedGrip } from './plan-path';
import type { Search } from './search';

/** The way back from the best state of the last event. */
export function trace(search: Search): Path {
  const { lattice, backs, values, alive, count, windows } = search;
  let state = alive[0] as number;
  for (let a = 1; a < count; a += 1) {
    const other = alive[a] as number;
    if ((values[other] as number) < (values[state] as number)) state = other;
  }
  const cost = values[state] as number;
  const steps: PlannedGrip[] = [];
  for (let t = lattice.grips.length - 1; t >= 0; t -= 1) {
    const base = lattice.keysDown[t]?.base ?? 0;
    const [g, window] = [Math.floor(state / windows.count), state % windows.count];
    const grip = lattice.grips[t]?.[g] as Grip;
    const back = t === 0 ? -1 : (backs[t]?.[state] as number);
    steps.push({
      grip,
      index: g,
      transition: transitionOf(
        search,
        t,
        g,
        back < 0 ? null : { state: back >> 1, stayed: back % 2 === 1, windows: windows.count },
      ),
      low: base + grip.low - (windows.below[window] as number),
      high: base + grip.high + (windows.above[window] as number),
    });
    state = back >> 1;
  }
  return { steps: steps.reverse(), cost };
}

function transitionOf(
  { lattice, extra }: Search,
  t: number,
  g: number,
  from: { readonly state: number; readonly stayed: boolean; readonly windows: number } | null,
): PlannedGrip['transition'] {
  if (from === null) return 'begin';
  if (from.stayed) return 'stay';
  const before = Math.floor(from.state / from.windows);
  const pair = before * (lattice.grips[t]?.length ?? 0) + g;
  return movesByCrossing(lattice.transitions[t] as TransitionTable, extra.technique?.transitions[t], pair)
    ? 'pass'
    : (TRANSITIONS[lattice.transitions[t]?.kinds[pair] as number] as Transition);
}
