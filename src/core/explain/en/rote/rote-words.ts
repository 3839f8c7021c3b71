import { PLAIN_TICKS } from '../../../plain-piece';
import { timeOf, type RoteBar, type RoteLine, type RoteRow, type RoteSheet } from '../../../rote';
import type { Hand } from '../../../score';
import { beatTicks, type Meter } from '../../../time';
import { keyOfSignature, signatureOf, type Key } from '../../../pitch';
import { countWord, listed } from '../common';
import type { Terms } from '../terms';
import { BEAT_VALUES } from './beat-values';
import { lengthSaid } from './lengths';
import { namesRead } from './names-read';
import { lengthWordOf, rowSentences, seatSentences, type SayingTerms } from './saying-words';
import {
  ROW_LABELS,
  type RoteBlock,
  type RoteStyle,
  type RoteTold,
  type RoteToldLine,
  type RoteToldRow,
} from './rote-told';

const HANDS: readonly Hand[] = ['right', 'left'];

/** A piece in words and finger numbers, complete: `readRote` makes the piece of them again. */
export function roteWords(t: Terms, sheet: RoteSheet, style: RoteStyle): RoteTold {
  const meters = metersOf(sheet);
  const names = namesRead(style.names, sheet.key);
  const bars = sheet.lines.flatMap((line) => line.bars);
  const place = new Map(bars.map((bar, i) => [bar, i]));
  const barBlock = (bar: RoteBar): RoteBlock => {
    const meter = meters[place.get(bar) ?? 0] ?? sheet.meter;
    return toldBar({ t, style, names, beat: beatTicks(meter, PLAIN_TICKS), hand: 'right' }, bar);
  };
  return {
    title: sheet.title,
    head: headSentences(t, sheet, style),
    legend: legendSentences(style),
    begins: beginBlock({ t, style, names }, sheet),
    lines: sheet.lines.map((line) => toldLine(t, sheet, line, barBlock)),
    end: orderSentences(t, sheet),
  };
}

/** The meter of each bar. */
function metersOf({ meter, lines }: RoteSheet): readonly Meter[] {
  let now = meter;
  return lines.flatMap((line) =>
    line.bars.map((bar) => {
      now = bar.meter ?? now;
      return now;
    }),
  );
}

function beatName(t: Terms, { beatType }: Meter): string {
  return t.valueNote(BEAT_VALUES.find(([, lower]) => lower === beatType)?.[0] ?? 'quarter');
}

function headSentences(t: Terms, { key, meter, quartersPerMinute }: RoteSheet, style: RoteStyle): readonly string[] {
  return [
    `The key is ${keyWords(t, key, style)}.`,
    `Count ${meter.beats} in each ${t.bar}.`,
    `A ${lengthWordOf(style)} is one ${beatName(t, meter)}.`,
    ...(quartersPerMinute === null
      ? []
      : [`Play ${tempoNumber(quartersPerMinute)} ${t.valueNote('quarter')}s a minute.`]),
    namesSentence(t, key, style),
  ];
}

/** A key by its name; where keys have none, by its signs. */
function keyWords(t: Terms, key: Key, { names }: RoteStyle): string {
  if (names !== 'none') return t.key(key);
  const signs = signatureOf(key);
  if (signs === 0) return `${key.mode}, no signs`;
  const kind = signs > 0 ? 'sharp' : 'flat';
  return `${key.mode}, ${countWord(Math.abs(signs))} ${kind}${Math.abs(signs) === 1 ? '' : 's'}`;
}

function tempoNumber(quartersPerMinute: number): string {
  return String(Number(quartersPerMinute.toFixed(2)));
}

function namesSentence(t: Terms, key: RoteSheet['key'], { names }: RoteStyle): string {
  switch (names) {
    case 'none':
      return 'Keys are told by the black keys around them.';
    case 'letters':
      return 'Keys are called by letters.';
    case 'letters-h':
      return 'Keys are called by letters, with H.';
    case 'fixed-do':
      return 'Keys are called by syllables, C is always do.';
    default:
      return `Keys are called by syllables, ${t.place(key.tonic)} is ${t.name(key.tonic)}.`;
  }
}

function legendSentences({ voice }: RoteStyle): readonly string[] {
  const [half, whole] = voice === 'child' ? ['small', 'big'] : ['half', 'whole'];
  return [
    `A ${half} step is the very next key.`,
    `A ${whole} step leaves one key out.`,
    `A skip leaves out one ${voice === 'child' ? 'finger' : 'letter'}.`,
    'Up is to the right.',
  ];
}

function beginBlock(terms: Pick<SayingTerms, 't' | 'style' | 'names'>, { begins }: RoteSheet): RoteBlock {
  const rows = HANDS.flatMap((hand): readonly RoteToldRow[] => {
    const seat = begins[hand];
    if (!seat) return [];
    return [{ of: hand, label: ROW_LABELS[hand], sentences: seatSentences({ ...terms, beat: 1, hand }, seat, 'Put') }];
  });
  return { heading: 'To begin:', rows };
}

function toldLine(
  t: Terms,
  { lines }: RoteSheet,
  { number, like, bars }: RoteLine,
  barBlock: (bar: RoteBar) => RoteBlock,
): RoteToldLine {
  const span = barSpan(t, bars);
  if (like !== null) return { heading: `Line ${number} is line ${like} again, ${span}.`, bars: [] };
  const heading = lines.length === 1 ? 'The piece:' : `Line ${number}, ${span}:`;
  return { heading, bars: bars.map(barBlock) };
}

/** `bar 3`, `bars 5 to 8`; where numbers do not follow one another, each by itself. */
function barSpan(t: Terms, bars: readonly RoteBar[]): string {
  const numbers = bars.map(({ number }) => number);
  const [first] = numbers;
  if (numbers.length < 2) return `${t.bar} ${first}`;
  const isRow = numbers.every((number, i) => number === String(Number(first) + i));
  return `${t.bars} ${isRow ? `${first} to ${numbers.at(-1)}` : listed(numbers)}`;
}

function toldBar(terms: SayingTerms, bar: RoteBar): RoteBlock {
  const rows = HANDS.flatMap((hand): readonly RoteToldRow[] => {
    const row = bar.hands[hand];
    return row ? [{ of: hand, label: ROW_LABELS[hand], sentences: toldRow({ ...terms, hand }, row) }] : [];
  });
  const together = togetherSentences(terms, bar);
  return {
    heading: `${[`${terms.t.Bar} ${bar.number}`, ...changesOf(terms, bar), ...shortWords(terms, bar)].join(', ')}:`,
    rows: together.length === 0 ? rows : [...rows, { of: 'both', label: ROW_LABELS.both, sentences: together }],
  };
}

function shortWords({ beat, style }: SayingTerms, { isShort, length }: RoteBar): readonly string[] {
  return isShort ? [`${lengthSaid(length, beat, lengthWordOf(style))} only`] : [];
}

function changesOf({ t, style }: SayingTerms, { meter, key }: RoteBar): readonly string[] {
  const changed = key && keyOfSignature(key.fifths, key.mode ?? 'major');
  return [
    ...(changed?.ok ? [`now ${keyWords(t, changed.value, style)}`] : []),
    ...(meter ? [`now count ${meter.beats} of one ${beatName(t, meter)}`] : []),
  ];
}

function toldRow(terms: SayingTerms, { like, sayings }: RoteRow): readonly string[] {
  return like === null ? rowSentences(terms, sayings) : [`As in ${terms.t.bar} ${like}.`];
}

/** When both hands strike together, and when one of them alone. */
function togetherSentences({ beat, style }: SayingTerms, { hands }: RoteBar): readonly string[] {
  const [right, left] = [strikePlaces(hands.right, beat), strikePlaces(hands.left, beat)];
  if (right.length === 0 || left.length === 0) return [];
  const both = right.filter((place) => left.includes(place));
  const alone = [
    { hand: 'Right', at: right.filter((place) => !left.includes(place)) },
    { hand: 'Left', at: left.filter((place) => !right.includes(place)) },
  ].filter(({ at }) => at.length > 0);
  if (alone.length === 0) return ['Always together.'];
  const word = lengthWordOf(style);
  const on = (places: readonly number[]): string =>
    `on ${word}${places.length === 1 ? '' : 's'} ${listed(places.map(placeNumber))}`;
  return [
    both.length === 0 ? 'Never together.' : `Together ${on(both)}.`,
    ...alone.map(({ hand, at }) => `${hand} alone ${on(at)}.`),
  ];
}

function placeNumber(place: number): string {
  const whole = Math.floor(place + 1e-6);
  const rest = place - whole;
  return Math.abs(rest) < 1e-3
    ? String(whole)
    : Math.abs(rest - 0.5) < 1e-3
      ? `${whole}½`
      : String(Number(place.toFixed(2)));
}

function strikePlaces(row: RoteRow | undefined, beat: number): readonly number[] {
  let at = 0;
  return (row?.sayings ?? []).flatMap((saying) => {
    const here = at;
    at += timeOf(saying);
    return saying.kind === 'strike' ? [1 + here / beat] : [];
  });
}

/** In which order the bars are played, where it is not that of the page. */
function orderSentences(t: Terms, { order, lines }: RoteSheet): readonly string[] {
  if (order === null) return [];
  const bars = lines.flatMap((line) => line.bars);
  return order.map(({ from, to }, i) => `${i === 0 ? 'Play' : 'Then play'} ${barSpan(t, bars.slice(from, to + 1))}.`);
}
