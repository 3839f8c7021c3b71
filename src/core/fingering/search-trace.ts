import type { Grip } from './grip';
import { TRANSITIONS, type Transition } from './meeting';
import type { Path, PlannedGrip } from './plan-path';
import type { Search } from './search';
import { movesByCrossing, type TransitionTable } from './transition-table';

/** Which grip each event has on the way back from a state of the last one, by its place among all of the event. */
export function gripsOnTheWay({ stages, windows, backs }: Search, end: number): Int32Array {
  const grips = new Int32Array(stages.length);
  for (let t = stages.length - 1, state = end; t >= 0; t -= 1) {
    grips[t] = Math.floor(state / windows.count);
    state = (backs[(stages[t]?.firstState as number) + state] as number) >> 1;
  }
  return grips;
}

/** What the way to a state of the last event costs, once the search came to it. */
export function costOf({ states }: Search, end: number): number {
  return states.values[end] as number;
}

/** The way back from a state of the last event. */
export function trace(search: Search, end: number): Path {
  const { lattice, stages, windows, backs } = search;
  const steps: PlannedGrip[] = [];
  let state = end;
  for (let t = stages.length - 1; t >= 0; t -= 1) {
    const base = lattice.keysDown[t]?.base ?? 0;
    const [g, window] = [Math.floor(state / windows.count), state % windows.count];
    const grip = lattice.grips[t]?.[g] as Grip;
    const back = t === 0 ? -1 : (backs[(stages[t]?.firstState as number) + state] as number);
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
  return { steps: steps.reverse(), cost: costOf(search, end) };
}

function transitionOf(
  { lattice }: Search,
  t: number,
  g: number,
  from: { readonly state: number; readonly stayed: boolean; readonly windows: number } | null,
): PlannedGrip['transition'] {
  if (from === null) return 'begin';
  if (from.stayed) return 'stay';
  const before = Math.floor(from.state / from.windows);
  const pair = before * (lattice.grips[t]?.length ?? 0) + g;
  return movesByCrossing(lattice.transitions[t] as TransitionTable, pair)
    ? 'pass'
    : (TRANSITIONS[lattice.transitions[t]?.kinds[pair] as number] as Transition);
}
