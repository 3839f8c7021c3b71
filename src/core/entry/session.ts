import {
  NO_HISTORY,
  barCount,
  voiceAt,
  voiceTicks,
  staffOfHand,
  voicesOf,
  wantedTicks,
  type Edited,
  type Entry,
  type History,
  type Voice,
} from '../edit';
import type { Finger, Hand, Part, Score } from '../score';
import { barTicks, type Meter, type Ticks } from '../time';
import { homeSeats, type Opening } from './seats';

/** Where entering stands: before the `index`-th entry of a voice in a bar, or behind the last. `fresh` right after something was entered:
 * what is changed next is then the entry just entered, not the one the caret has come to. `bar` may be one behind the last. */
export interface Caret {
  readonly hand: Hand;
  readonly voice: string;
  readonly bar: number;
  readonly index: number;
  readonly fresh: boolean;
}

/** By what notes are entered. */
export const INPUT_METHODS = ['fingers', 'letters', 'keys'] as const;
export type InputMethod = (typeof INPUT_METHODS)[number];

/** The rows of keys for fingers: each has a length of its own. */
export const ROWS = ['beat', 'longer', 'bar', 'shorter'] as const;
export type Row = (typeof ROWS)[number];

/** What has been said of the next note and holds for it alone. `alter` is the sign in front of it. */
export interface Next {
  readonly alter: -1 | 0 | 1 | null;
  readonly letters: number;
  readonly octaves: number;
  readonly joins: 'chord' | 'tie' | null;
}

export const NOTHING_SAID: Next = { alter: null, letters: 0, octaves: 0, joins: null };

/** Where a hand is being moved to, in several key presses: the finger that is to come to another finger's key. */
export type Moving = { readonly kind: 'asked' } | { readonly kind: 'finger'; readonly finger: Finger };

/** Everything that entering remembers beside the score and its history. */
export interface Typing {
  readonly partId: string;
  readonly method: InputMethod;
  readonly caret: Caret;
  /** The other end of the selection, in the same voice. */
  readonly anchor: { readonly bar: number; readonly index: number } | null;
  readonly rows: Readonly<Record<Row, Ticks>>;
  /** The length of what is entered by letter or key. */
  readonly length: Ticks;
  /** The lowest key of each hand's position, as letters from C0. */
  readonly seats: Readonly<Record<Hand, number>>;
  readonly openings: Readonly<Record<Hand, Opening | null>>;
  readonly next: Next;
  /** Whether what is entered goes in front of what is there, or over it. */
  readonly mode: 'over' | 'between';
  /** How much of a triplet is still to come, as printed; 0 before its first note, null outside of one. */
  readonly triplet: Ticks | null;
  readonly moving: Moving | null;
}

/** A piece while it is entered. */
export interface Session {
  readonly edited: Edited<Caret>;
  readonly typing: Typing;
}

/** Begins with a score that is ready to be edited, at its beginning. */
export function beginSession(score: Score, partId: string, history: History<Caret> = NO_HISTORY): Session {
  const part = score.parts.find(({ id }) => id === partId) ?? (score.parts[0] as Part);
  const [voice] = voicesOf(part, staffOfHand(part, 'right'));
  const meter = part.measures[0]?.meter ?? { beats: 4, beatType: 4 };
  const typing: Typing = {
    partId: part.id,
    method: 'fingers',
    caret: { hand: 'right', voice: voice ?? '1', bar: 0, index: 0, fresh: false },
    anchor: null,
    rows: rowsFor(meter, score.ticksPerQuarter),
    length: score.ticksPerQuarter,
    seats: homeSeats(part),
    openings: { right: null, left: null },
    next: NOTHING_SAID,
    mode: 'over',
    triplet: null,
    moving: null,
  };
  return { edited: { score, history }, typing };
}

/** The lengths of the rows in a meter: a beat, twice that, the whole bar, half a beat. In compound time the beat that is counted is the eighth,
 * and the row of the whole bar has three of them. */
export function rowsFor(meter: Meter, ticksPerQuarter: number): Readonly<Record<Row, Ticks>> {
  const beat = (4 * ticksPerQuarter) / meter.beatType;
  const isCompound = meter.beatType >= 8 && meter.beats % 3 === 0;
  const bar = barTicks(meter, ticksPerQuarter);
  // A bar that no single note fills (5/4) leaves that row to the whole note.
  const whole = isCompound ? 3 * beat : [1, 2, 3, 4, 6, 8].includes(meter.beats) ? bar : 4 * ticksPerQuarter;
  return { beat, longer: 2 * beat, bar: whole, shorter: beat / 2 };
}

export function partOf({ edited, typing }: Session): Part {
  return edited.score.parts.find(({ id }) => id === typing.partId) as Part;
}

/** The voice the caret is in, as it is in a bar. */
export function voiceOfCaret(session: Session, bar = session.typing.caret.bar): Voice {
  const { caret } = session.typing;
  const part = partOf(session);
  return voiceAt(part, { bar, staff: staffOfHand(part, caret.hand), voice: caret.voice });
}

/** Whether the caret's voice fills a bar. */
export function isFull(session: Session, bar: number): boolean {
  const measure = partOf(session).measures[bar];
  return (
    measure !== undefined &&
    voiceTicks(voiceOfCaret(session, bar)) >= wantedTicks(measure, session.edited.score.ticksPerQuarter)
  );
}

/** An entry with its place. */
export interface Found {
  readonly bar: number;
  readonly index: number;
  readonly entry: Entry;
}

/** The entry that changes are for: the one just entered, else the one at the caret, else the one before it. */
export function currentEntry(session: Session): Found | null {
  const { bar, index, fresh } = session.typing.caret;
  const here = voiceOfCaret(session).entries[index];
  return here && !fresh ? { bar, index, entry: here } : entryBefore(session);
}

/** The entry in front of the caret, in this bar or an earlier one. */
export function entryBefore(session: Session): Found | null {
  const { bar, index } = session.typing.caret;
  const here = voiceOfCaret(session).entries[index - 1];
  if (here) return { bar, index: index - 1, entry: here };
  for (let before = bar - 1; before >= 0; before -= 1) {
    const { entries } = voiceOfCaret(session, before);
    const entry = entries.at(-1);
    if (entry) return { bar: before, index: entries.length - 1, entry };
  }
  return null;
}

/** When the caret's place begins in its bar. */
export function caretOnset(session: Session): Ticks {
  return voiceTicks({
    ...voiceOfCaret(session),
    entries: voiceOfCaret(session).entries.slice(0, session.typing.caret.index),
  });
}

/** How many bars there are. */
export function barsOf({ edited }: Session): number {
  return barCount(edited.score);
}

/** The printed number of a bar; that of one behind the last follows on. */
export function barNumber(session: Session, bar: number): string {
  const { measures } = partOf(session);
  return measures[bar]?.number ?? String(Number(measures.at(-1)?.number ?? 0) + 1);
}

/** Whether something is a caret, as a kept history has it. */
export function isCaret(value: unknown): value is Caret {
  if (typeof value !== 'object' || value === null) return false;
  const { hand, voice, bar, index, fresh } = value as Readonly<Record<string, unknown>>;
  return (
    (hand === 'right' || hand === 'left') &&
    typeof voice === 'string' &&
    Number.isInteger(bar) &&
    Number.isInteger(index) &&
    typeof fresh === 'boolean'
  );
}
