import type { AskedMoment, AskedMusic, AskedNote, StruckKey } from '../asked';
import { layAlong, type Run } from '../practice';
import { BARS, type Ears } from './credit.table';
import { kinOf } from './kin';
import { isPlain } from './plain';
import type { PossibleStroke } from './possible';

/** What was heard of a performance, with the page beside it. */
export interface Credited {
  /** What counts as struck, in order of time: expected notes that either ear heard, others that both did, and what nobody could tell. */
  readonly keys: readonly StruckKey[];
  /** Notes that were not heard clearly, as indexes of the asked notes: they count as played. */
  readonly unclear: readonly number[];
}

/** How far from its time a note is looked for: so much, or so much of a quarter where that is more. Unit: ms; share. */
const AROUND_MS = 130;
const AROUND_SHARE = 0.3;
/** Half steps that a slip is beside the note it was for. */
const BESIDE = 2;
const USUAL_VELOCITY = 64;

/** Judges with two ears, or with one of them, what counts as struck. `msPerQuarter`: the tempo that was set, or null. */
export function creditHeard(
  music: AskedMusic,
  possible: readonly PossibleStroke[],
  { ears, msPerQuarter }: { readonly ears: Ears; readonly msPerQuarter: number | null },
): Credited {
  const bars = BARS[ears];
  const sureOf = ({ live, after }: PossibleStroke): number => bars.sure({ live, after });
  const sure = possible.filter((one) => sureOf(one) > 0);
  const keysOf = (strokes: readonly PossibleStroke[]): readonly StruckKey[] =>
    strokes.map(({ midi, atMs }) => ({ midi, downMs: atMs, upMs: atMs + 200, velocity: USUAL_VELOCITY }));
  const runs = joined(layAlong(music, keysOf(sure), msPerQuarter));
  const taken = new Map<PossibleStroke, number>();
  const expected = onceEach(expectedNotes(music, runs, msPerQuarter));
  // What was surely heard stands for its note first; then each note that is still open takes the likeliest stroke near its time.
  const open: Expected[] = [];
  for (const one of expected) {
    const stroke = one.key === null ? undefined : sure[one.key];
    if (stroke && stroke.midi === noteOf(music, one.note).midi && !taken.has(stroke)) taken.set(stroke, one.note);
    else open.push(one);
  }
  const absent: { readonly one: Expected; readonly odds: number }[] = [];
  for (const one of open) {
    const isOpen = (stroke: PossibleStroke): boolean =>
      stroke.midi === noteOf(music, one.note).midi && !taken.has(stroke);
    const best = bestOf(
      possible.filter((stroke) => isOpen(stroke) && Math.abs(stroke.atMs - one.atMs) <= one.aroundMs),
      bars.credit,
    );
    // Who stopped to think did not come when it was due: what was surely heard counts whenever it came.
    const late = bestOf(
      possible.filter((stroke) => isOpen(stroke) && stroke.atMs > one.afterMs && stroke.atMs < one.beforeMs),
      bars.credit,
    );
    if (best && bars.credit(best) > 0) taken.set(best, one.note);
    else if (late && bars.credit(late) > SURELY) taken.set(late, one.note);
    else absent.push({ one, odds: best ? bars.credit(best) : -Infinity });
  }
  return settle({ music, possible, taken, absent, bars, sure: new Set(sure), runs });
}

interface Expected {
  readonly note: number;
  readonly moment: number;
  readonly atMs: number;
  readonly aroundMs: number;
  /** Between which times it must have come at any rate: after the moment before and before the one after, where these were heard. */
  readonly afterMs: number;
  readonly beforeMs: number;
  /** Which sure key was laid to it, as an index; null for none. */
  readonly key: number | null;
}

const noteOf = (music: AskedMusic, note: number): AskedNote => music.notes[note] as AskedNote;

/** When each note of what was played should have come: with the others of its moment, or between the moments around it. */
function expectedNotes(music: AskedMusic, runs: readonly Run[], given: number | null): readonly Expected[] {
  return runs.flatMap((run, r) => {
    const first = run[0];
    const last = run.at(-1);
    if (!first || !last) return [];
    const pace = paceOf(run) ?? given ?? 600;
    const from = r === 0 && first.moment <= REACHES ? 0 : first.moment;
    const to =
      r === runs.length - 1 && music.moments.length - 1 - last.moment <= REACHES
        ? music.moments.length - 1
        : last.moment;
    const heard = new Map(run.map((moment) => [moment.moment, moment]));
    const all: Expected[] = [];
    for (let m = from; m <= to; m += 1) {
      const { at, notes } = music.moments[m] as AskedMoment;
      const own = heard.get(m);
      const before = run.findLast(({ moment }) => moment < m) ?? first;
      const next = run.find(({ moment }) => moment > m);
      const atMs = own?.atMs ?? between(at, before, next, pace);
      const aroundMs = own ? AROUND_MS : Math.max(AROUND_MS, AROUND_SHARE * pace);
      const afterMs = own ? atMs - aroundMs : before.moment < m ? before.atMs + APART_MS : atMs - aroundMs;
      const beforeMs = own || !next ? atMs + aroundMs : next.atMs - APART_MS;
      for (const note of notes)
        all.push({
          note,
          moment: m,
          atMs,
          aroundMs,
          afterMs,
          beforeMs,
          key: own?.notes.find((one) => one.note === note)?.key ?? null,
        });
    }
    return all;
  });
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

const ONE_STROKE_MS = 300;
/** What either ear heard like this near a note that did not come is a doubt: nobody says that it is missing. Unit: log odds. */
const DOUBTED = 0.5;
/** So sure must be what came when it was not due. */
const SURELY = 2;
/** Two moments are at least so far apart. Unit: ms. */
const APART_MS = 90;

/** So many moments before the first that was heard and after the last are looked for. */
const REACHES = 2;

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

type Odds = Pick<PossibleStroke, 'live' | 'after'>;

function bestOf(strokes: readonly PossibleStroke[], odds: (stroke: Odds) => number): PossibleStroke | undefined {
  return strokes.toSorted((a, b) => odds(b) - odds(a))[0];
}

interface Settling {
  readonly music: AskedMusic;
  readonly possible: readonly PossibleStroke[];
  readonly taken: ReadonlyMap<PossibleStroke, number>;
  readonly absent: readonly { readonly one: Expected; readonly odds: number }[];
  readonly bars: (typeof BARS)[Ears];
  readonly sure: ReadonlySet<PossibleStroke>;
  readonly runs: readonly Run[];
}

/** Says of each stroke that is left whether it is told, and of each note that is absent whether that can be said. */
function settle({ music, possible, taken, absent, bars }: Settling): Credited {
  const sounding = [...taken.keys()];
  const told: PossibleStroke[] = [];
  const excused = new Set<number>();
  const doubted = new Set<number>();
  for (const stroke of possible) {
    if (taken.has(stroke)) continue;
    const near = absent.filter(({ one }) => !excused.has(one.note) && Math.abs(one.atMs - stroke.atMs) <= one.aroundMs);
    const far = (other: number): number => Math.abs(noteOf(music, other).midi - stroke.midi);
    const octave = near.find(({ one }) => far(one.note) === 12 || far(one.note) === 24);
    if (octave && bars.slip(stroke) > 0) {
      // Which octave it was, this ear does not judge.
      excused.add(octave.one.note);
      continue;
    }
    const beside = near.find(({ one }) => far(one.note) <= BESIDE);
    const kin = kinOf(stroke, [...sounding, ...told]);
    const needs = beside ? bars.slip(stroke) : bars.other(stroke);
    if (needs > bars.kin[kin]) told.push(stroke);
    else if (Math.max(stroke.live, stroke.after) > DOUBTED)
      near.filter(({ one }) => far(one.note) <= BESIDE).forEach(({ one }) => doubted.add(one.note));
  }
  const unclear: number[] = [];
  const assumed: StruckKey[] = [];
  const used = new Set<PossibleStroke>();
  for (const { one, odds } of absent) {
    const inPlace = told.find(
      (stroke) =>
        !used.has(stroke) &&
        Math.abs(stroke.atMs - one.atMs) <= one.aroundMs &&
        Math.abs(stroke.midi - noteOf(music, one.note).midi) <= 9,
    );
    if (inPlace && !excused.has(one.note)) {
      used.add(inPlace);
      continue;
    }
    if (!excused.has(one.note) && !doubted.has(one.note) && odds < bars.absent && isPlain(music, one.note)) continue;
    if (!excused.has(one.note)) unclear.push(one.note);
    assumed.push(struck(music, one.note, one.atMs));
  }
  const keys = [
    ...[...taken].map(([{ atMs }, note]) => struck(music, note, atMs)),
    ...told.map(({ midi, atMs }) => ({ midi, downMs: atMs, upMs: atMs + 200, velocity: USUAL_VELOCITY })),
    ...assumed,
  ];
  return { keys: keys.sort((a, b) => a.downMs - b.downMs || a.midi - b.midi), unclear: unclear.sort((a, b) => a - b) };
}

/** How long a note was held, the ear cannot tell: it counts as written. */
function struck(music: AskedMusic, note: number, atMs: number): StruckKey {
  const { midi, length } = noteOf(music, note);
  return { midi, downMs: atMs, upMs: atMs + length * 500, velocity: USUAL_VELOCITY };
}
