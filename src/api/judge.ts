import { mixed, number, type Schema } from 'yup';
import { err, ok, type Fault, type Result } from '@/core/base';
import { shortened, type Language } from '@/core/explain';
import { askedIn } from '@/core/piece';
import { intervalName, intervalOf, pitchText } from '@/core/pitch';
import {
  judgePlaying,
  STRICTNESSES,
  type Judgement,
  type PlayFault,
  type PlayFaultKind,
  type Shift,
  type Strictness,
} from '@/core/practice';
import { readPlayedFile } from '@/core/read';
import type { Hand, Part } from '@/core/score';
import { movedOrStaying, type SentPiece } from './sent';

/** What is asked of `judge` beside the queries of moving. Bars as indexes. */
interface JudgeQuery {
  readonly hand: Hand | 'both';
  readonly bars: { readonly from: number; readonly to: number } | null;
  readonly bpm: number | null;
  readonly countIn: number | null;
  readonly strictness: Strictness;
}

/** What the scripting interface promises to send for `judge`. */
export interface JudgeAnswer extends Pick<Judgement, 'clean' | 'written' | 'right' | 'pulse' | 'evenness' | 'runs'> {
  readonly piece: { readonly title: string };
  readonly faults: readonly FaultAnswer[];
  /** Not faults, but told. */
  readonly heard: readonly { readonly kind: string; readonly message: string }[];
  readonly tempo: Judgement['tempo'];
  readonly next: { readonly bars: string; readonly hand: Hand | 'both'; readonly message: string } | null;
}

export interface FaultAnswer {
  readonly kind: PlayFaultKind;
  readonly hand: Hand | null;
  readonly bar: string;
  readonly beat: number;
  /** The first note that it concerns, and all of them. */
  readonly note: string | null;
  readonly notes: readonly string[];
  readonly written: string | null;
  readonly played: string | null;
  readonly offMs: number | null;
  /** The bars that it concerns: `3-6` for a cause of a whole stretch. */
  readonly bars: string;
  /** How far from the page a stretch was played, as an interval (`P8`, `-m3`; `-3` for a third within the key); by how many beats a hand was behind. */
  readonly by: string | null;
  readonly beats: number | null;
  readonly message: string;
}

/** Judges what was played, as it lies in a Standard MIDI file. Errors: `query.value`, those of moving, and `read.*` of that file. */
export function judgeAnswer(sent: SentPiece, played: Uint8Array, search: URLSearchParams): Result<JudgeAnswer, Fault> {
  const moved = movedOrStaying(sent);
  if (!moved.ok) return moved;
  const query = readJudgeQuery(search, sent.piece.part);
  if (!query.ok) return query;
  const keys = readPlayedFile(played);
  if (!keys.ok) return keys;
  const { hand, bars, ...options } = query.value;
  const { piece, says } = sent;
  const { after } = moved.value;
  const judged = judgePlaying(askedIn(piece, after, { hand, bars }), keys.value, options);
  return ok(answerOf(says.inKey(after.key), piece.score.title, judged));
}

function answerOf(says: Language, title: string, judged: Judgement): JudgeAnswer {
  const { clean, written, right, pulse, evenness, runs, faults, heard, tempo, next } = judged;
  return {
    piece: { title: shortened(title) },
    clean,
    written,
    right,
    pulse: { ...pulse, bpm: pulse.bpm && tenth(pulse.bpm), spreadMs: Math.round(pulse.spreadMs) },
    evenness: {
      loudness: {
        right: evenness.loudness.right && tenth(evenness.loudness.right),
        left: evenness.loudness.left && tenth(evenness.loudness.left),
      },
      balance: evenness.balance && tenth(evenness.balance),
    },
    runs,
    faults: faults.map((fault) => faultAnswer(says, fault)),
    heard: heard.map((fact) => ({ kind: fact.kind, message: says.heardFactWords(fact) })),
    tempo: tempo.map(({ bar, bpm }) => ({ bar, bpm: tenth(bpm) })),
    next: next && {
      bars: next.from === next.to ? next.from : `${next.from}-${next.to}`,
      hand: next.hand,
      message: says.nextThingWords(next),
    },
  };
}

function faultAnswer(says: Language, fault: PlayFault): FaultAnswer {
  const { kind, hand, bar, beat, notes, written, played, offMs, stretch } = fault;
  return {
    kind,
    hand,
    bar,
    beat,
    note: notes[0] ?? null,
    notes,
    written: written && pitchText(written),
    played: played && pitchText(played),
    offMs,
    bars: stretch && stretch.toBar !== bar ? `${bar}-${stretch.toBar}` : bar,
    by: stretch?.shift ? shiftText(stretch.shift) : null,
    beats: stretch?.beats ?? null,
    message: says.playFaultWords(fault),
  };
}

function shiftText({ letters, halfSteps }: Shift): string {
  if (halfSteps !== null) return intervalName(intervalOf(letters, halfSteps));
  return `${letters < 0 ? '-' : ''}${Math.abs(letters) + 1}`;
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

const MOST_BEATS = 64;

function readJudgeQuery(search: URLSearchParams, part: Part): Result<JudgeQuery, Fault> {
  const faults: Fault[] = [];
  const checked = <T>(name: string, schema: Schema<T>, usual: T, allowed: string): T => {
    const value = search.get(name);
    if (value === null) return usual;
    if (schema.isValidSync(value)) return schema.cast(value) as T;
    faults.push({ code: 'query.value', name, value, allowed });
    return usual;
  };
  const oneOf = <T extends string>(name: string, values: readonly T[], usual: T): T =>
    checked<T>(name, mixed<T>().oneOf(values).required() as Schema<T>, usual, values.join(', '));
  const amount = (name: string, low: number, high: number, allowed: string): number | null =>
    checked<number | null>(name, number().min(low).max(high).required() as Schema<number | null>, null, allowed);
  const query: JudgeQuery = {
    hand: oneOf<Hand | 'both'>('hand', ['both', 'right', 'left'], 'both'),
    bars: readSpan(search.get('bars'), part, faults),
    bpm: amount('bpm', 10, 400, 'beats a minute from 10 to 400'),
    countIn: amount('countIn', 0, MOST_BEATS, `beats from 0 to ${MOST_BEATS}`),
    strictness: oneOf('strict', STRICTNESSES, 'usual'),
  };
  const [first] = faults;
  return first ? err(first) : ok(query);
}

/** Bars as printed, `3-6` or `4`, as indexes. */
function readSpan(text: string | null, { measures }: Part, faults: Fault[]): JudgeQuery['bars'] {
  if (text === null) return null;
  const numbers = measures.map(({ number: printed }) => printed);
  const [first = '', last = first] = text.split('-').map((one) => one.trim());
  const [from, to] = [numbers.indexOf(first), numbers.lastIndexOf(last)];
  if (from >= 0 && to >= from) return { from, to };
  const allowed = `bars from ${numbers[0] ?? ''} to ${numbers.at(-1) ?? ''}, as 3-6`;
  faults.push({ code: 'query.value', name: 'bars', value: text, allowed });
  return null;
}
