import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '../asked';
import type { Alignment } from './alignment';
import { medianOf } from './statistics';

/** A key that was struck for a note. Both as indexes. */
export interface HeardNote {
  readonly key: number;
  readonly note: number;
}

/** A moment of the music as it was heard: `atMs` is when it came, by the keys that agree best; `quarters` where it is written. */
export interface HeardMoment {
  readonly moment: number;
  readonly quarters: number;
  readonly atMs: number;
  readonly notes: readonly HeardNote[];
}

/** A stretch that was played without beginning anew. */
export type Run = readonly HeardMoment[];

/** Keys of one moment that are closer than this are one stroke. Unit: ms. Our own choice: more than hands differ, less than a beginner's shortest note. */
const ONE_STROKE_MS = 150;

/** What was heard, run by run, moment by moment. */
export function heardRuns(music: AskedMusic, keys: readonly StruckKey[], { fates }: Alignment): readonly Run[] {
  const runs: { moment: number; notes: HeardNote[] }[][] = [];
  fates.forEach(({ note, moment, begins }, key) => {
    if (note === null || moment === null) return;
    if (begins || runs.length === 0) runs.push([]);
    const run = runs.at(-1) as { moment: number; notes: HeardNote[] }[];
    const last = run.at(-1);
    if (last?.moment === moment && !begins) last.notes.push({ key, note });
    else run.push({ moment, notes: [{ key, note }] });
  });
  return runs.map((run) => {
    const tempo = msPerQuarterIn(music, keys, run);
    const heard: HeardMoment[] = [];
    for (const { moment, notes } of run) {
      const { at } = music.moments[moment] as AskedMoment;
      const before = heard.at(-1);
      const expected = before && tempo !== null ? before.atMs + (at - before.quarters) * tempo : null;
      const paired = pairByPitch(music, keys, notes);
      heard.push({ moment, quarters: at, atMs: strokeOf(music, keys, notes, expected), notes: paired });
    }
    return heard;
  });
}

/** Of a chord that a hand strikes wrong, the lowest key is for the lowest note, and so on up: it is one hand. */
function pairByPitch(music: AskedMusic, keys: readonly StruckKey[], notes: readonly HeardNote[]): readonly HeardNote[] {
  const noteOf = ({ note }: HeardNote): AskedNote => music.notes[note] as AskedNote;
  const midiOf = (key: number): number => (keys[key] as StruckKey).midi;
  const isRight = (one: HeardNote): boolean => noteOf(one).midi === midiOf(one.key);
  const wrong = (['right', 'left'] as const).flatMap((hand) => {
    const own = notes.filter((one) => !isRight(one) && noteOf(one).hand === hand);
    const inOrder = own.map(({ key }) => key).sort((a, b) => midiOf(a) - midiOf(b));
    return own
      .toSorted((a, b) => noteOf(a).midi - noteOf(b).midi)
      .map(({ note }, i) => ({ note, key: inOrder[i] as number }));
  });
  return [...notes.filter(isRight), ...wrong];
}

function msPerQuarterIn(
  { moments }: AskedMusic,
  keys: readonly StruckKey[],
  run: readonly { readonly moment: number; readonly notes: readonly HeardNote[] }[],
): number | null {
  const ratios = run.slice(1).flatMap(({ moment, notes }, i) => {
    const before = run[i] as (typeof run)[number];
    const quarters = (moments[moment] as AskedMoment).at - (moments[before.moment] as AskedMoment).at;
    const ms = downOf(keys, notes[0] as HeardNote) - downOf(keys, before.notes[0] as HeardNote);
    return quarters > 0 ? [ms / quarters] : [];
  });
  return ratios.length === 0 ? null : medianOf(ratios);
}

/** When a moment came: the middle of those keys that are one stroke; where there are several strokes, of the one nearest to where it was expected, or of the fullest. Grace notes
 * come before it. */
function strokeOf(
  music: AskedMusic,
  keys: readonly StruckKey[],
  notes: readonly HeardNote[],
  expectedMs: number | null,
): number {
  const struck = notes.filter(({ note }) => !(music.notes[note] as AskedNote).isGrace);
  const times = (struck.length > 0 ? struck : notes).map((one) => downOf(keys, one)).sort((a, b) => a - b);
  const strokes: number[][] = [];
  for (const ms of times) {
    const stroke = strokes.at(-1);
    if (stroke && ms - (stroke[0] as number) <= ONE_STROKE_MS) stroke.push(ms);
    else strokes.push([ms]);
  }
  const middles = strokes.map((stroke) => medianOf(stroke));
  const fullest = strokes.reduce((most, stroke) => (stroke.length > most.length ? stroke : most));
  if (expectedMs === null) return medianOf(fullest);
  return middles.reduce((nearest, ms) => (Math.abs(ms - expectedMs) < Math.abs(nearest - expectedMs) ? ms : nearest));
}

function downOf(keys: readonly StruckKey[], { key }: HeardNote): number {
  return (keys[key] as StruckKey).downMs;
}
