import type { AskedMusic, StruckKey } from '../asked';
import type { Alignment, TempoAt } from './alignment';
import { heardRuns, type Run } from './heard-moments';
import { medianOf, slopeThrough } from './statistics';

/** How many moments before and after a place make its tempo. */
const AROUND = 8;

/** How long a quarter is around each key, from what is known so far of how keys and notes go together. `given` counts where too little was played to tell. Unit: ms. */
export function tempoAround(
  music: AskedMusic,
  keys: readonly StruckKey[],
  alignment: Alignment,
  given: number | null,
): TempoAt {
  const paces = heardRuns(music, keys, alignment).flatMap((run) =>
    run.slice(1).map(({ quarters, atMs, notes }, i) => {
      const before = run[i] as Run[number];
      return { key: notes[0]?.key ?? 0, ms: (atMs - before.atMs) / (quarters - before.quarters) };
    }),
  );
  const usable = paces.filter(({ ms }) => ms > 0 && Number.isFinite(ms));
  if (usable.length < 3) return given === null ? null : () => given;
  const middles = usable.map((_, i) =>
    medianOf(usable.slice(Math.max(0, i - AROUND), i + AROUND + 1).map(({ ms }) => ms)),
  );
  const tempi: number[] = [];
  let at = 0;
  for (let key = 0; key < keys.length; key += 1) {
    while (at + 1 < usable.length && (usable[at] as (typeof usable)[number]).key < key) at += 1;
    tempi.push(middles[at] as number);
  }
  return (key) => tempi[key] as number;
}

/** How long a quarter is at each moment of a run. `lostMs` is time that counts for nothing, by the moment of the run that came after it. Unit: ms. */
export function paceOf(run: Run, lostMs: ReadonlyMap<number, number>): readonly number[] {
  let lost = 0;
  const points = run.map(({ quarters, atMs }, i) => {
    lost += lostMs.get(i) ?? 0;
    return { x: quarters, y: atMs - lost };
  });
  const overall = medianOf(
    points.slice(1).flatMap(({ x, y }, i) => {
      const before = points[i] as (typeof points)[number];
      return x > before.x ? [(y - before.y) / (x - before.x)] : [];
    }),
  );
  return points.map((_, i) => slopeThrough(points.slice(Math.max(0, i - AROUND), i + AROUND + 1)) ?? overall);
}
