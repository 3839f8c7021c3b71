import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '../asked';
import type { FaultFacts } from './fault-at';
import type { Heard } from './heard';
import type { HeardMoment, Run } from './heard-moments';
import type { RunPulse } from './time-faults';

/** A key that stands for no note, where it was struck: after which moment of which run (-1 in front of all). */
export interface StrayKey {
  readonly key: number;
  readonly run: number;
  readonly after: number;
}

/** How far from its time a note is looked for. Unit: quarter notes. */
const LOOKED_FOR = 1.5;
/** An ornament's notes lie beside its own. Unit: semitones. */
const ORNAMENT = 2;

/** Keys that stand for no note: those that are a note which did not come at its time, and the others. */
export function strayKeys(
  heard: Heard,
  pulses: readonly RunPulse[],
): { readonly displaced: readonly FaultFacts[]; readonly extra: readonly StrayKey[] } {
  const { music, keys, runs } = heard;
  const displaced: FaultFacts[] = [];
  const extra: StrayKey[] = [];
  const taken = new Set<number>();
  for (const stray of strays(heard)) {
    const { midi, downMs } = keys[stray.key] as StruckKey;
    const run = runs[stray.run];
    const pace = pulses[stray.run]?.msPerQuarter ?? null;
    const near = run && pace !== null ? absentNear(music, run, { midi, downMs, pace }, taken) : null;
    if (near) {
      taken.add(near.note);
      const kind = near.offMs > 0 ? 'late' : 'early';
      displaced.push({ kind, heard: [{ key: stray.key, note: near.note }], run: stray.run, offMs: near.offMs });
    } else if (!run || !isOrnament(music, run, stray, midi)) extra.push(stray);
  }
  return { displaced, extra };
}

function strays({ alignment, runs }: Heard): readonly StrayKey[] {
  const found: StrayKey[] = [];
  let run = 0;
  let after = -1;
  let begun = false;
  alignment.fates.forEach(({ note, moment, begins }, key) => {
    if (note === null || moment === null) {
      found.push({ key, run, after });
      return;
    }
    if (begins && begun) {
      run += 1;
      after = -1;
    }
    begun = true;
    after = (runs[run] ?? []).findIndex((one) => one.moment === moment);
  });
  return found;
}

interface Sought {
  readonly midi: number;
  readonly downMs: number;
  /** Length of a quarter. Unit: ms. */
  readonly pace: number;
}

/** A note of this key that did not come, written near the time at which the key was struck. */
function absentNear(
  music: AskedMusic,
  run: Run,
  { midi, downMs, pace }: Sought,
  taken: ReadonlySet<number>,
): { readonly note: number; readonly offMs: number } | null {
  const struck = new Set(run.flatMap(({ notes }) => notes.map(({ note }) => note)));
  const [first, last] = [run[0] as HeardMoment, run.at(-1) as HeardMoment];
  let best: { note: number; offMs: number } | null = null;
  for (const { at, notes } of music.moments.slice(first.moment, last.moment + 1)) {
    const before = run.findLast(({ quarters }) => quarters <= at) ?? first;
    const offMs = downMs - (before.atMs + (at - before.quarters) * pace);
    if (Math.abs(offMs) > LOOKED_FOR * pace) continue;
    for (const note of notes) {
      const asked = music.notes[note] as AskedNote;
      if (asked.midi !== midi || struck.has(note) || taken.has(note) || asked.isGrace) continue;
      if (best === null || Math.abs(offMs) < Math.abs(best.offMs)) best = { note, offMs };
    }
  }
  return best;
}

/** Whether a key belongs to an ornament that the page asks for. */
function isOrnament(music: AskedMusic, run: Run, { after }: StrayKey, midi: number): boolean {
  const around = [run[after], run[after + 1]].flatMap((one) => (one ? [one] : []));
  return around.some(({ moment }) =>
    (music.moments[moment] as AskedMoment).notes.some((note) => {
      const { hasOrnament, midi: own } = music.notes[note] as AskedNote;
      return hasOrnament && Math.abs(own - midi) <= ORNAMENT;
    }),
  );
}
