import type { AskedMusic, AskedNote, StruckKey } from '../asked';
import type { HeardMoment, HeardNote, Run } from './heard-moments';
import { medianOf, steadySpreadOf } from './statistics';
import { paceOf } from './tempo';
import type { Tolerance } from './tolerances.table';

/** Where a run was out of its pulse. `at` is the moment in the run; `moves` tells whether all that came after it was moved too, or it stood alone. */
export interface TimeFault {
  readonly kind: 'hesitation' | 'early' | 'late' | 'spread-chord';
  readonly at: number;
  readonly moves: 'all-after' | 'alone';
  readonly heard: readonly HeardNote[];
  /** Later is positive. */
  readonly offMs: number;
}

/** The pulse of a run: length of a quarter in its middle, null where there is too little of it; and how uneven it was beside what is named. Unit: ms. */
export interface RunPulse {
  readonly faults: readonly TimeFault[];
  readonly msPerQuarter: number | null;
  readonly spreadMs: number;
}

/** Where the pulse is uneven altogether, only what stands out of that is told. Unit: standard deviations. */
const STANDS_OUT = 4.5;
/** The tempo is never known exactly: so much of a long note is let pass beside the tolerance. */
const SHARE_OF_LONG = 0.04;
/** What goes back by at least so much of the tolerance stood alone. */
const GOES_BACK = 0.6;
/** Fewer moments have no pulse. */
const LEAST_MOMENTS = 4;
const ROUNDS = 3;

/** What was out of time in a run. */
export function timeFaults(music: AskedMusic, keys: readonly StruckKey[], run: Run, tolerance: Tolerance): RunPulse {
  const apart = run.flatMap((heard, at) => strokeFaults(music, keys, { ...heard, at }, tolerance));
  if (run.length < LEAST_MOMENTS) return { faults: apart, msPerQuarter: null, spreadMs: 0 };
  const cuts = cutsIn(music, run);
  // What was lost at one place hides what was lost at others: it is taken out, and the pulse is looked at again.
  let lost: ReadonlyMap<number, number> = new Map();
  let found: readonly TimeFault[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const gaps = slowedAtEnd(music, run, gapsOf(run, paceOf(run, lost), tolerance));
    found = gapFaults(run, gaps, cuts);
    lost = new Map([
      ...[...cuts].map((at) => [at, (gaps[at - 1] as Gap).offMs] as const),
      ...found.flatMap(({ moves, at, offMs }) => (moves === 'all-after' ? [[at, offMs] as const] : [])),
    ]);
  }
  const pace = paceOf(run, lost);
  // A step is told off for where it began and where it went: those beside a fault say nothing of the pulse.
  const beside = new Set(found.flatMap(({ at, moves }) => (moves === 'alone' ? [at - 1, at] : [at - 1])));
  const steps = slowedAtEnd(music, run, gapsOf(run, pace, tolerance)).flatMap(({ offMs, slowingMs }, i) =>
    beside.has(i) || cuts.has(i + 1) || slowingMs > 0 ? [] : [offMs],
  );
  return {
    faults: [...found, ...apart],
    msPerQuarter: medianOf(pace),
    // Each end of a step strays by itself: the step strays by as much more.
    spreadMs: Math.sqrt(steps.reduce((sum, ms) => sum + ms ** 2, 0) / Math.max(1, steps.length) / 2),
  };
}

/** The moments of a run in front of which bars were left out: nobody counts the time there. */
function cutsIn({ moments }: AskedMusic, run: Run): ReadonlySet<number> {
  return new Set(
    run.flatMap(({ moment }, i) => {
      const before = run[i - 1];
      const isCut = before && moments.slice(before.moment + 1, moment + 1).some(({ isAfterCut }) => isAfterCut);
      return isCut ? [i] : [];
    }),
  );
}

/** By how much a step of a run was too long, and how much of that is let pass. */
interface Gap {
  /** Unit: quarter notes. */
  readonly length: number;
  readonly offMs: number;
  readonly allowedMs: number;
  /** How much more is let pass in a ritardando at the end; 0 where there is none. */
  readonly slowingMs: number;
}

function gapsOf(run: Run, pace: readonly number[], tolerance: Tolerance): readonly Gap[] {
  const steps = run.slice(1).map(({ quarters, atMs }, i) => {
    const before = run[i] as HeardMoment;
    const msPerQuarter = ((pace[i] as number) + (pace[i + 1] as number)) / 2;
    const length = quarters - before.quarters;
    return { msPerQuarter, length, offMs: atMs - before.atMs - length * msPerQuarter };
  });
  const usual = steadySpreadOf(steps.map(({ offMs }) => offMs));
  return steps.map(({ msPerQuarter, length, offMs }) => ({
    slowingMs: 0,
    length,
    offMs,
    allowedMs:
      Math.max(tolerance.ms, tolerance.share * msPerQuarter, STANDS_OUT * usual) +
      SHARE_OF_LONG * length * msPerQuarter,
  }));
}

/** In so many bars before the end a player may slow down. */
const ENDING_BARS = 2;
/** A step may be so many times as slow as the one before it, beside what is let pass. Our own choice: a ritardando grows from step to step, a stop comes at once. */
const SLOWS_BY = 2;

/** Steps towards the end of the piece, in which what was slow already may become slower still. */
function slowedAtEnd({ bars, moments }: AskedMusic, run: Run, gaps: readonly Gap[]): readonly Gap[] {
  const from = bars.at(-ENDING_BARS)?.at ?? 0;
  const isEnd = run.at(-1)?.moment === moments.length - 1;
  if (!isEnd) return gaps;
  return gaps.map((gap, i) => {
    const before = gaps[i - 1];
    const to = run[i + 1] as HeardMoment;
    if (!before || before.offMs <= 0 || to.quarters < from) return gap;
    const slower = SLOWS_BY * (before.offMs / before.length) * gap.length;
    return gap.offMs > 0 ? { ...gap, slowingMs: slower } : gap;
  });
}

function gapFaults(run: Run, gaps: readonly Gap[], cuts: ReadonlySet<number>): readonly TimeFault[] {
  const faults: TimeFault[] = [];
  for (let at = 1; at < run.length; at += 1) {
    const gap = gaps[at - 1] as Gap;
    if (cuts.has(at)) continue;
    const isAlone = standsAlone(gap, gaps[at]);
    if (!isAlone && Math.abs(gap.offMs) <= gap.allowedMs + gap.slowingMs) continue;
    faults.push({
      kind: gap.offMs < 0 ? 'early' : isAlone ? 'late' : 'hesitation',
      at,
      moves: isAlone ? 'alone' : 'all-after',
      heard: (run[at] as HeardMoment).notes,
      offMs: gap.offMs,
    });
    if (isAlone) at += 1;
  }
  return faults;
}

/** Whether the step after one that was too long is too short by as much, or the other way round. One of the two at least is beyond what is let pass, the other not far below. */
function standsAlone(gap: Gap, next: Gap | undefined): boolean {
  if (!next || gap.offMs * next.offMs >= 0) return false;
  const shares = [gap, next].map(({ offMs, allowedMs }) => Math.abs(offMs) / allowedMs);
  return (
    Math.max(...shares) > 1 &&
    Math.min(...shares) > GOES_BACK &&
    Math.abs(gap.offMs + next.offMs) < Math.max(gap.allowedMs, next.allowedMs)
  );
}

/** What was not struck together: the keys of one hand, or one hand against the other. */
function strokeFaults(
  music: AskedMusic,
  keys: readonly StruckKey[],
  { notes, atMs, at }: HeardMoment & { readonly at: number },
  tolerance: Tolerance,
): readonly TimeFault[] {
  return (['right', 'left'] as const).flatMap((hand): readonly TimeFault[] => {
    const own = notes.filter(({ note }) => {
      const asked = music.notes[note] as AskedNote;
      return asked.hand === hand && !asked.isGrace;
    });
    if (own.length === 0) return [];
    const times = own.map(({ key }) => (keys[key] as StruckKey).downMs);
    const spread = Math.max(...times) - Math.min(...times);
    const isRolled = own.some(({ note }) => (music.notes[note] as AskedNote).isRolled);
    if (isRolled) return [];
    if (spread > tolerance.chordMs) return [{ kind: 'spread-chord', at, moves: 'alone', heard: own, offMs: spread }];
    const offMs = medianOf(times) - atMs;
    if (Math.abs(offMs) <= tolerance.ms) return [];
    return [{ kind: offMs < 0 ? 'early' : 'late', at, moves: 'alone', heard: own, offMs }];
  });
}
