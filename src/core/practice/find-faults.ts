import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import type { KeyFate } from './alignment';
import { correctedKeys } from './corrected-keys';
import { faultAt, type FaultFacts } from './fault-at';
import type { Heard } from './heard';
import type { HeardNote, Run } from './heard-moments';
import { heldFaults } from './held-notes';
import { leftOutFaults } from './left-out';
import type { PlayFault } from './play-fault';
import { strayKeys } from './stray-keys';
import { timeFaults, type RunPulse, type TimeFault } from './time-faults';
import { wrongKeysOf } from './wrong-keys';

export interface FoundFaults {
  readonly faults: readonly PlayFault[];
  /** The pulse of each run. */
  readonly pulses: readonly RunPulse[];
  /** What became of each key, those too that came at the wrong time. */
  readonly fates: readonly KeyFate[];
}

/** Everything that went wrong, each once for its one cause, in order of time. */
export function findFaults(heard: Heard): FoundFaults {
  const { music, keys, runs, tolerance } = heard;
  const pulses = runs.map((run) => timeFaults(music, keys, run, tolerance));
  const stray = strayKeys(heard, pulses);
  const { corrected, others } = correctedKeys(heard, stray.extra, pulses);
  const excused = new Set(corrected.map(({ run, at }) => `${run}/${at}`));
  const found: FaultFacts[] = [
    ...runs.flatMap((run, r) => wrongKeyFaults(music, keys, run, r)),
    ...pulses.flatMap(({ faults }, r) =>
      faults.filter(({ at }) => !excused.has(`${r}/${at}`)).map((fault) => timeFault(fault, r)),
    ),
    ...corrected.map(({ fault }) => fault),
    ...stray.displaced,
    ...others,
    ...leftOutFaults(heard, new Set(stray.displaced.flatMap(({ heard: own }) => own.map(({ note }) => note)))),
    ...runs.flatMap((_, r) => heldFaults(heard, r, pulses[r]?.msPerQuarter ?? null)),
    ...beginFaults(heard),
  ];
  const fates = heard.alignment.fates.map((fate, key): KeyFate => {
    const own = stray.displaced.flatMap((fault) => fault.heard).find((one) => one.key === key);
    return own ? { ...fate, note: own.note } : fate;
  });
  const faults = found
    .map((facts) => ({ facts, atMs: timeOf(heard, facts) }))
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ facts }) => faultAt(music, keys, facts));
  return { faults, pulses, fates };
}

function wrongKeyFaults(music: AskedMusic, keys: readonly StruckKey[], run: Run, r: number): readonly FaultFacts[] {
  const all = run.flatMap(({ notes }) => notes);
  const of = (hand: AskedNote['hand']): readonly HeardNote[] =>
    all
      .filter(({ note }) => (music.notes[note] as AskedNote).hand === hand)
      .sort((a, b) => a.note - b.note || a.key - b.key);
  return (['right', 'left'] as const).flatMap((hand) =>
    wrongKeysOf(music, keys, hand, of(hand)).map(({ kind, heard }) => ({ kind, heard, run: r, offMs: null })),
  );
}

function timeFault({ kind, heard, offMs }: TimeFault, run: number): FaultFacts {
  return { kind, heard, run, offMs };
}

/** Where bars were counted in, the first note was due at a time. */
function beginFaults({ runs, beginMs, tolerance }: Heard): readonly FaultFacts[] {
  const first = runs[0]?.[0];
  if (beginMs === null || first?.moment !== 0) return [];
  const offMs = first.atMs - beginMs;
  if (Math.abs(offMs) <= Math.max(tolerance.ms, BEGIN_MS)) return [];
  return [{ kind: offMs < 0 ? 'early' : 'late', heard: first.notes, run: 0, offMs }];
}

/** Beginning with the count is harder than going on. Unit: ms. */
const BEGIN_MS = 350;

/** When a fault was heard: with its first key, or where its note would have come. */
function timeOf({ keys, runs }: Heard, { heard, place, run }: FaultFacts): number {
  const first = heard[0];
  if (first) return (keys[first.key] as StruckKey).downMs;
  if (place?.key !== undefined) return (keys[place.key] as StruckKey).downMs;
  const own = runs[run] ?? [];
  const before = own.findLast(({ moment }) => moment < (place?.moment ?? 0)) ?? own[0];
  return (before?.atMs ?? 0) + 1;
}
