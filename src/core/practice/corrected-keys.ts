import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '../asked';
import type { FaultFacts } from './fault-at';
import type { Heard } from './heard';
import type { HeardMoment } from './heard-moments';
import type { StrayKey } from './stray-keys';
import type { RunPulse } from './time-faults';

/** A wrong key that the player put right at once: the fault, and the moment of the run that came late through it. */
export interface CorrectedKey {
  readonly fault: FaultFacts;
  readonly run: number;
  readonly at: number;
}

/** How far beside the right key a wrong one is a slip of the finger that is put right. Unit: semitones. */
const SLIP = 2;
/** From so many keys of the other hand on it is that hand that plays. */
const LEAST_OTHERS = 3;

/** Keys that stand for no note, by their causes: put right at once, the other hand's, or simply too many. */
export function correctedKeys(
  heard: Heard,
  extra: readonly StrayKey[],
  pulses: readonly RunPulse[],
): { readonly corrected: readonly CorrectedKey[]; readonly others: readonly FaultFacts[] } {
  const corrected: CorrectedKey[] = [];
  const left: StrayKey[] = [];
  for (const stray of extra) {
    const found = correctionOf(heard, stray, pulses[stray.run]);
    if (found) corrected.push(found);
    else left.push(stray);
  }
  return { corrected, others: otherHand(heard, left) ?? groupExtra(heard, left) };
}

/** A wrong key in time, and the right one after it. */
function correctionOf(
  { music, keys, runs }: Heard,
  { key, run, after }: StrayKey,
  pulse: RunPulse | undefined,
): CorrectedKey | null {
  const at = after + 1;
  const next = runs[run]?.[at];
  if (!next) return null;
  const { midi, downMs } = keys[key] as StruckKey;
  const right = next.notes.find(({ note }) => {
    const off = Math.abs((music.notes[note] as AskedNote).midi - midi);
    return off > 0 && off <= SLIP;
  });
  if (!right) return null;
  const before = runs[run]?.[after];
  if (!isInItsPlace({ before, next, pulse, at, wrongMs: downMs, rightMs: (keys[right.key] as StruckKey).downMs })) {
    return null;
  }
  return { run, at, fault: { kind: 'corrected', heard: [{ key, note: right.note }], run, offMs: null } };
}

interface TwoKeys {
  readonly before: HeardMoment | undefined;
  readonly next: HeardMoment;
  readonly pulse: RunPulse | undefined;
  readonly at: number;
  readonly wrongMs: number;
  readonly rightMs: number;
}

/** Whether a wrong key came where the right one was due, and not on the way to it: the right one is then late for it, or further from its time. */
function isInItsPlace({ before, next, pulse, at, wrongMs, rightMs }: TwoKeys): boolean {
  const isLate = pulse?.faults.some(
    (fault) => fault.at === at && (fault.kind === 'hesitation' || fault.kind === 'late'),
  );
  if (isLate) return true;
  const gapMs = rightMs - wrongMs;
  if (gapMs < ONE_AFTER_THE_OTHER_MS || gapMs > AT_ONCE_MS) return false;
  const pace = pulse?.msPerQuarter ?? null;
  if (!before || pace === null) return true;
  const dueMs = before.atMs + (next.quarters - before.quarters) * pace;
  return Math.abs(wrongMs - dueMs) < Math.abs(rightMs - dueMs);
}

/** Keys that are closer are struck together: one of them is too many. */
const ONE_AFTER_THE_OTHER_MS = 100;
/** What is put right at once is put right within so long. */
const AT_ONCE_MS = 1500;

/** Where one hand is asked for and the other is heard: one fault, whatever it plays. */
function otherHand({ music, keys }: Heard, extra: readonly StrayKey[]): readonly FaultFacts[] | null {
  const theirs = new Set(music.others.map(({ midi }) => midi));
  const own = extra.filter(({ key }) => theirs.has((keys[key] as StruckKey).midi));
  const [first] = own;
  if (!first || own.length < LEAST_OTHERS || own.length * 2 < extra.length) return null;
  const hand = music.others[0]?.hand ?? null;
  return [
    {
      kind: 'other-hand',
      heard: [],
      run: first.run,
      offMs: null,
      place: { moment: 0, key: first.key },
      extra: own.map(({ key }) => key),
      hand,
    },
  ];
}

/** Keys that are struck one after the other for nothing are one fault. */
function groupExtra(heard: Heard, extra: readonly StrayKey[]): readonly FaultFacts[] {
  const groups: StrayKey[][] = [];
  for (const stray of extra) {
    const last = groups.at(-1)?.at(-1);
    if (last && last.key === stray.key - 1) (groups.at(-1) as StrayKey[]).push(stray);
    else groups.push([stray]);
  }
  return groups.map((group) => {
    const first = group[0] as StrayKey;
    const near = nearest(heard, first);
    return {
      kind: 'extra',
      heard: [],
      run: first.run,
      offMs: null,
      place: { moment: near?.moment ?? 0, key: first.key },
      extra: group.map(({ key }) => key),
      hand: near ? handNear(heard.music, near, (heard.keys[first.key] as StruckKey).midi) : null,
    };
  });
}

/** The moment that a key was struck with or after. */
function nearest({ runs, keys }: Heard, { key, run, after }: StrayKey): HeardMoment | undefined {
  const { downMs } = keys[key] as StruckKey;
  const [before, next] = [runs[run]?.[after], runs[run]?.[after + 1]];
  if (!before || !next) return before ?? next;
  return next.atMs - downMs < WITH_NEXT_MS ? next : before;
}

/** A key so close before a moment belongs to it. Unit: ms. */
const WITH_NEXT_MS = 120;

/** The hand whose notes lie nearest to a key. */
function handNear(music: AskedMusic, { moment }: HeardMoment, midi: number): AskedNote['hand'] | null {
  const own = [moment - 1, moment, moment + 1].flatMap(
    (m) => (music.moments[m] as AskedMoment | undefined)?.notes ?? [],
  );
  const notes = own.map((note) => music.notes[note] as AskedNote);
  const near = notes.toSorted((a, b) => Math.abs(a.midi - midi) - Math.abs(b.midi - midi))[0];
  return near?.hand ?? null;
}
