import { PLAIN_TICKS } from '../../../plain-piece';
import { fromLowest, wayBetween, type RoteNote, type RoteSeat, type RoteWay, type Saying } from '../../../rote';
import type { Hand } from '../../../score';
import { beatTicks, type Meter } from '../../../time';
import { lengthRead } from './lengths';
import type { RoteHead } from './read-head';
import { readNote, readSeat, type NoteGround } from './read-notes';

/** What is known of a hand while its rows are read. */
export interface HandState {
  readonly hand: Hand;
  seat: RoteSeat | null;
  /** The single note that was struck last, from which ways are told. */
  before: RoteNote | null;
  /** The length of all notes of this row, where it is said once. */
  each: number | null;
}

export type SentenceFault = 'sentence' | 'contradiction';

/** Reads a sentence of a hand and adds what it says; the reason where it cannot be read. */
export function readSaying(
  text: string,
  state: HandState,
  { head, meter }: { readonly head: RoteHead; readonly meter: Meter },
  sayings: Saying[],
): SentenceFault | null {
  const words = text.replace(/\.$/, '');
  const ticks = (length: string): number | null => lengthTicks(length, meter);
  const ground: NoteGround = { names: head.names, key: head.key, seat: state.seat };
  const [, lead = '', rest = ''] =
    /^(Each note|Rest|Keep holding|The next comes after|Quick|With it|Now|Put|Then|Move the hand|Set the hand|Leave) (.+)$/.exec(
      words,
    ) ?? [];
  switch (lead) {
    case 'Each note':
      state.each = ticks(rest);
      return state.each === null ? 'sentence' : null;
    case 'Rest':
    case 'Keep holding':
      return addTime(ticks(rest), lead, sayings);
    case 'The next comes after':
      return setNext(ticks(rest), sayings);
    case 'Quick': {
      const note = readNote(ground, rest.replace(/ first$/, ''));
      if (note) sayings.push({ kind: 'grace', note: { ...note, ticks: 0 } });
      return note ? null : 'sentence';
    }
    case 'Move the hand':
    case 'Set the hand':
    case 'Leave':
      // Where it goes is said next.
      return null;
    case 'Now':
    case 'Put':
    case 'Then':
      return sit(lead, rest, { state, ground, sayings });
    case 'With it':
      return strike(rest, { state, ground, sayings, ticks }, 'too');
    default:
      return strike(words, { state, ground, sayings, ticks }, 'next');
  }
}

/** A length in words as ticks. */
export function lengthTicks(words: string, meter: Meter): number | null {
  const length = lengthRead(words);
  return length && Math.round((length.parts * beatTicks(meter, PLAIN_TICKS)) / length.of);
}

function addTime(ticks: number | null, lead: string, sayings: Saying[]): SentenceFault | null {
  if (ticks === null) return 'sentence';
  sayings.push({ kind: lead === 'Rest' ? 'rest' : 'hold', ticks });
  return null;
}

function setNext(ticks: number | null, sayings: Saying[]): SentenceFault | null {
  const last = sayings.at(-1);
  if (ticks === null || last?.kind !== 'strike') return 'sentence';
  sayings[sayings.length - 1] = { ...last, strike: { ...last.strike, next: ticks } };
  return null;
}

interface Reading {
  readonly state: HandState;
  readonly ground: NoteGround;
  readonly sayings: Saying[];
}

function sit(lead: string, words: string, { state, ground, sayings }: Reading): SentenceFault | null {
  const seat = readSeat(lead === 'Then' ? ground : { ...ground, seat: null }, state.hand, words);
  if (!seat) return 'sentence';
  state.seat = seat;
  const last = sayings.at(-1);
  if (lead === 'Now') sayings.push({ kind: 'move', seat, direction: 'same', keeps: null });
  else if (lead === 'Then' && last?.kind === 'move') sayings[sayings.length - 1] = { ...last, seat };
  return null;
}

function strike(
  words: string,
  { state, ground, sayings, ticks }: Reading & { readonly ticks: (length: string) => number | null },
  when: 'next' | 'too',
): SentenceFault | null {
  const parts = words
    .split(', ')
    .flatMap((part) => (NOTE.test(part) ? part.replace(/ together$/, '').split(' and ') : [part]));
  const notes = parts.filter((part) => NOTE.test(part)).map((part) => readNote(ground, part));
  const others = parts.filter((part) => !NOTE.test(part));
  const length = others.map(ticks).find((found) => found !== null) ?? state.each;
  if (notes.length === 0 || notes.includes(null) || length === null) return 'sentence';
  const struck = notes.flatMap((note) => (note ? [{ ...note, ticks: length }] : []));
  const last = sayings.at(-1);
  if (when === 'too') {
    if (last?.kind !== 'strike') return 'sentence';
    const together = fromLowest([...last.strike.notes, ...struck]);
    sayings[sayings.length - 1] = { ...last, strike: { ...last.strike, notes: together, way: null } };
    state.before = null;
    return null;
  }
  const [first] = struck;
  const way = struck.length === 1 && first && state.before ? wayBetween(state.before.pitch, first.pitch) : null;
  for (const said of others) if (way && ticks(said) === null && !fits(said, way)) return 'contradiction';
  sayings.push({ kind: 'strike', strike: { notes: fromLowest(struck), way, next: null } });
  state.before = struck.length === 1 && first ? first : null;
  return null;
}

const NOTE = /^(?:(?:finger )?[1-5]|any finger) on /i;

/** Whether a way goes as the words say: in this direction, and by so many keys where they tell. */
function fits(words: string, { semitones }: RoteWay): boolean {
  if (words === 'again') return semitones === 0;
  const [, size = '', direction = ''] = /^(.+) (up|down)$/.exec(words) ?? [];
  const keys = /^(?:half|small) step$/.test(size)
    ? 1
    : /^(?:whole|big) step$/.test(size)
      ? 2
      : Number(/^(\d+) keys$/.exec(size)?.[1] ?? Math.abs(semitones));
  return Math.abs(semitones) === keys && (direction === 'up' ? semitones > 0 : direction === 'down' && semitones < 0);
}
