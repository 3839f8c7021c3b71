import type { AskedMoment, AskedMusic } from '../asked';
import type { Run } from '../practice';

/** A note that should have come, in a performance as far as it is known. Times in ms. */
export interface Expected {
  readonly note: number;
  readonly atMs: number;
  readonly aroundMs: number;
  /** Between which times it must have come at any rate: after the moment before and before the one after, where these were heard. */
  readonly afterMs: number;
  readonly beforeMs: number;
  /** Which sure key was laid to it, as an index; null for none. */
  readonly key: number | null;
}

/** How far from its time a note is looked for: so much, or so much of a quarter where that is more. Unit: ms; share. */
const AROUND_MS = 130;
const AROUND_SHARE = 0.3;
/** Two moments are at least so far apart; within so much a note comes once. Unit: ms. */
const APART_MS = 90;
const ONE_STROKE_MS = 300;
/** So many moments before the first that was heard and after the last are looked for. */
const REACHES = 2;
/** Where neither the tempo that was set nor the one that was played is known. Unit: ms a quarter. */
const USUAL_PACE_MS = 600;

/** When each note of what was played should have come: with the others of its moment, or between the moments around it. `givenMsPerQuarter`: the tempo that was set, or null. */
export function expectedNotes(
  music: AskedMusic,
  runs: readonly Run[],
  givenMsPerQuarter: number | null,
): readonly Expected[] {
  const whole = joined(runs);
  return onceEach(
    whole.flatMap((run, r) => {
      const pace = paceOf(run) ?? givenMsPerQuarter ?? USUAL_PACE_MS;
      const isLast = r === whole.length - 1;
      return expectedInRun(music, run, { pace, isFirst: r === 0, isLast });
    }),
  );
}

interface RunPlace {
  readonly pace: number;
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

function expectedInRun({ moments }: AskedMusic, run: Run, { pace, isFirst, isLast }: RunPlace): readonly Expected[] {
  const first = run[0];
  const last = run.at(-1);
  if (!first || !last) return [];
  const end = moments.length - 1;
  const from = isFirst && first.moment <= REACHES ? 0 : first.moment;
  const to = isLast && end - last.moment <= REACHES ? end : last.moment;
  const all: Expected[] = [];
  for (let m = from; m <= to; m += 1) {
    const { at, notes } = moments[m] as AskedMoment;
    const own = run.find(({ moment }) => moment === m);
    const before = run.findLast(({ moment }) => moment < m) ?? first;
    const next = run.find(({ moment }) => moment > m);
    const atMs = own?.atMs ?? between(at, before, next, pace);
    const aroundMs = own ? AROUND_MS : Math.max(AROUND_MS, AROUND_SHARE * pace);
    const afterMs = own || before.moment >= m ? atMs - aroundMs : before.atMs + APART_MS;
    const beforeMs = own || !next ? atMs + aroundMs : next.atMs - APART_MS;
    for (const note of notes) {
      const key = own?.notes.find((one) => one.note === note)?.key ?? null;
      all.push({ note, atMs, aroundMs, afterMs, beforeMs, key });
    }
  }
  return all;
}

/** A few notes that were not surely heard are no reason to begin anew: runs that go on a little later in the music are one. */
function joined(runs: readonly Run[]): readonly Run[] {
  const all: Run[] = [];
  for (const run of runs) {
    const before = all.at(-1);
    const gap = (run[0]?.moment ?? 0) - (before?.at(-1)?.moment ?? 0);
    if (before && gap > 0 && gap <= REACHES + 1) all.splice(-1, 1, [...before, ...run]);
    else all.push(run);
  }
  return all;
}

/** Where one run ends and the next begins with the same stroke, its notes are expected once: those that a key was laid to go first. */
function onceEach(expected: readonly Expected[]): readonly Expected[] {
  const kept: Expected[] = [];
  for (const one of [...expected.filter(({ key }) => key !== null), ...expected.filter(({ key }) => key === null)])
    if (!kept.some(({ note, atMs }) => note === one.note && Math.abs(atMs - one.atMs) < ONE_STROKE_MS)) kept.push(one);
  return kept.sort((a, b) => a.atMs - b.atMs);
}

function between(at: number, before: Run[number], next: Run[number] | undefined, pace: number): number {
  if (!next || next.quarters <= before.quarters || at < before.quarters)
    return before.atMs + (at - before.quarters) * pace;
  return before.atMs + ((at - before.quarters) / (next.quarters - before.quarters)) * (next.atMs - before.atMs);
}

function paceOf(run: Run): number | null {
  const paces = run.slice(1).flatMap((moment, i) => {
    const before = run[i] as Run[number];
    return moment.quarters > before.quarters ? [(moment.atMs - before.atMs) / (moment.quarters - before.quarters)] : [];
  });
  return paces.length === 0 ? null : (paces.toSorted((a, b) => a - b)[Math.floor(paces.length / 2)] as number);
}
