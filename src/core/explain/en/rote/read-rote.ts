import { err, ok, type Fault, type Result } from '../../../base';
import { PLAIN_TICKS } from '../../../plain-piece';
import { signatureOf } from '../../../pitch';
import {
  timeOf,
  type RoteBar,
  type RoteLine,
  type RoteSeat,
  type RoteSheet,
  type RoteStretch,
  type Saying,
} from '../../../rote';
import type { Hand } from '../../../score';
import { barTicks, type Meter } from '../../../time';
import { readBeat, readHead, readKey, roteFault, type RoteHead } from './read-head';
import { CAUTION } from '../sheets';
import { lengthTicks, readSaying, type HandState } from './read-row';
import { ROW_LABELS } from './rote-told';
import { sentencesOf, type Sentence } from './sentences';

/** Reads a rote sheet: what `roteWords` says of a piece, as one text. Errors: `read.rote`, with the sentence that could not be read, or the bar that does not add up. */
export function readRote(text: string): Result<RoteSheet, Fault> {
  const all = sentencesOf(text);
  const caution = all.findIndex((sentence) => sentence.text === CAUTION);
  const sentences = caution < 0 ? all : all.slice(0, caution);
  const begins = sentences.findIndex((sentence) => BEGINS.test(sentence.text));
  const head = readHead(begins < 0 ? sentences : sentences.slice(0, begins));
  if (!head.ok) return head;
  if (begins < 0) return err(roteFault('head', sentences[0] ?? { text: '', line: 1 }));
  const reading: Reading = {
    head: head.value,
    hands: { right: openHand('right'), left: openHand('left') },
    begins: {},
    lines: [],
    order: [],
    meter: head.value.meter,
    of: null,
  };
  for (const sentence of sentences.slice(begins + 1)) {
    const fault = readSentence(reading, sentence);
    if (fault) return err(fault);
  }
  const sum = closeBar(reading);
  return sum ? err(sum) : ok(sheetOf(reading));
}

/** The pictures in front of these words on paper have fingers and names, and no end of a sentence. */
const BEGINS = /(?:^|\s)To begin:$/;

interface OpenBar extends Omit<RoteBar, 'hands'> {
  readonly hands: Partial<Record<Hand, { readonly like: string | null; readonly sayings: Saying[] }>>;
  readonly at: Sentence;
}

interface OpenLine {
  readonly number: number;
  readonly like: number | null;
  readonly bars: OpenBar[];
}

/** What was read so far, and where the reading stands. */
interface Reading {
  readonly head: RoteHead;
  readonly hands: Readonly<Record<Hand, HandState>>;
  readonly begins: Partial<Record<Hand, RoteSeat>>;
  readonly lines: OpenLine[];
  readonly order: RoteStretch[];
  meter: Meter;
  of: Hand | 'both' | null;
}

const BAR = /^(?:Bar|Measure) ([^,:]+)(?:, (.+))?:$/;
const LINE = /^(?:Line (\d+), .+|The piece):$/;
const LINE_AGAIN = /^Line (\d+) is line (\d+) again, (.+)\.$/;
const ROW_AGAIN = /^As in (?:bar|measure) (.+)\.$/;
const ORDER = /^(?:Play|Then play) (.+)\.$/;
const ROWS = ['right', 'left', 'both'] as const;

function openHand(hand: Hand): HandState {
  return { hand, seat: null, before: null, each: null };
}

function barsOf({ lines }: Reading): readonly OpenBar[] {
  return lines.flatMap(({ bars }) => bars);
}

function readSentence(reading: Reading, sentence: Sentence): Fault | null {
  const { text } = sentence;
  const label = ROWS.find((row) => ROW_LABELS[row] === text);
  if (label) {
    reading.of = label;
    if (label !== 'both') reading.hands[label].each = null;
    return null;
  }
  const again = LINE_AGAIN.exec(text);
  const line = LINE.exec(text);
  const bar = BAR.exec(text);
  const order = ORDER.exec(text);
  if (again || line || bar || order) {
    const sum = closeBar(reading);
    reading.of = null;
    if (sum) return sum;
  }
  if (again) return repeatLine(reading, again, sentence);
  if (line) {
    reading.lines.push({ number: Number(line[1] ?? 1), like: null, bars: [] });
    return null;
  }
  if (bar) return openBar(reading, bar, sentence);
  if (order) return addOrder(reading, order[1] ?? '', sentence);
  return readInRow(reading, sentence);
}

function openBar(reading: Reading, [, number = '', said]: readonly string[], at: Sentence): Fault | null {
  const line = reading.lines.at(-1);
  if (!line) return roteFault('sentence', at);
  let [key, meter, short]: [RoteBar['key'], Meter | null, number | null] = [null, null, null];
  // A key by its signs holds a comma itself.
  for (const part of (said ?? '').split(/, (?=now |[^,]* only$)/).filter(Boolean)) {
    const counted = /^now count (\d+) of one (.+)$/.exec(part);
    const beatType = counted ? readBeat(counted[2] ?? '') : null;
    const found = counted ? null : readKey(part.replace(/^now /, ''), reading.head.system);
    if (counted && beatType !== null) meter = { beats: Number(counted[1]), beatType };
    else if (found) key = { fifths: signatureOf(found), mode: found.mode };
    else short = lengthTicks(part.replace(/ only$/, ''), meter ?? reading.meter);
    if (!meter && !key && short === null) return roteFault('sentence', at);
  }
  reading.meter = meter ?? reading.meter;
  const length = short ?? barTicks(reading.meter, PLAIN_TICKS);
  line.bars.push({ number, length, isShort: short !== null, meter, key, hands: {}, at });
  return null;
}

function readInRow(reading: Reading, sentence: Sentence): Fault | null {
  if (reading.of === 'both') return null;
  const { of, head, meter } = reading;
  if (of === null) return roteFault('sentence', sentence);
  const state = reading.hands[of];
  const bar = reading.lines.at(-1)?.bars.at(-1);
  if (!bar) {
    const fault = readSaying(sentence.text, state, { head, meter }, []);
    if (state.seat) reading.begins[of] = state.seat;
    return fault && roteFault(fault, sentence);
  }
  const row = (bar.hands[of] ??= { like: null, sayings: [] });
  const like = ROW_AGAIN.exec(sentence.text);
  if (!like) {
    const fault = readSaying(sentence.text, state, { head, meter }, row.sayings);
    return fault && roteFault(fault, sentence);
  }
  const other = barsOf(reading).find((one) => one !== bar && one.number === like[1])?.hands[of];
  if (!other) return roteFault('reference', sentence);
  bar.hands[of] = { like: like[1] ?? null, sayings: [...other.sayings] };
  follow(state, other.sayings);
  return null;
}

/** The hand is where it is after what was said elsewhere. */
function follow(state: HandState, sayings: readonly Saying[]): void {
  for (const saying of sayings) {
    if (saying.kind === 'move') state.seat = saying.seat;
    if (saying.kind === 'strike')
      state.before = saying.strike.notes.length === 1 ? (saying.strike.notes[0] ?? null) : null;
  }
}

function repeatLine(reading: Reading, [, number, like, span = '']: readonly string[], at: Sentence): Fault | null {
  const line = reading.lines.find((one) => one.number === Number(like));
  const numbers = numbersIn(span);
  if (!line || numbers.length !== line.bars.length) return roteFault('reference', at);
  const bars = line.bars.map((bar, i): OpenBar => ({ ...bar, number: numbers[i] ?? '', at }));
  reading.lines.push({ number: Number(number), like: line.number, bars });
  for (const bar of bars)
    for (const hand of ['right', 'left'] as const) follow(reading.hands[hand], bar.hands[hand]?.sayings ?? []);
  return null;
}

/** Bar numbers from `bar 3`, `bars 5 to 8`, `bars 3, 5 and 7`. */
function numbersIn(span: string): readonly string[] {
  const words = span.replace(/^(?:bars?|measures?) /, '');
  const [, from, to] = /^(\d+) to (\d+)$/.exec(words) ?? [];
  if (from === undefined || to === undefined) return words.split(/, | and /);
  return Array.from({ length: Math.max(0, Number(to) - Number(from) + 1) }, (_, i) => String(Number(from) + i));
}

function addOrder(reading: Reading, span: string, at: Sentence): Fault | null {
  const numbers = numbersIn(span);
  const bars = barsOf(reading);
  const from = bars.findIndex(({ number }) => number === numbers[0]);
  const to = bars.findIndex(({ number }, i) => i >= from && number === numbers.at(-1));
  if (from < 0 || to < 0) return roteFault('reference', at);
  reading.order.push({ from, to });
  return null;
}

/** What each hand does in the bar that was read last must fill it. */
function closeBar(reading: Reading): Fault | null {
  const bar = reading.lines.at(-1)?.bars.at(-1);
  if (!bar) return null;
  for (const hand of ['right', 'left'] as const) {
    const sayings = bar.hands[hand]?.sayings ?? [];
    const last = sayings.findLast((saying) => timeOf(saying) > 0);
    const sum = sayings.reduce((time, saying) => time + timeOf(saying), 0);
    if (sayings.length > 0 && (sum < bar.length || (sum > bar.length && last?.kind !== 'strike')))
      return { code: 'read.rote-sum', bar: bar.number, hand, at: { line: bar.at.line, column: 1 } };
  }
  return null;
}

function sheetOf({ head, begins, lines, order }: Reading): RoteSheet {
  return {
    title: head.title,
    key: head.key,
    meter: head.meter,
    quartersPerMinute: head.quartersPerMinute,
    begins,
    lines: lines.map(({ number, like, bars }): RoteLine => ({
      number,
      like,
      bars: bars.map(({ at: _, ...bar }): RoteBar => bar),
    })),
    order: order.length === 0 ? null : order,
  };
}
