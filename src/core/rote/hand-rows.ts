import type { AskedBar, AskedNote } from '../asked';
import { groupBy } from '../base';
import { diatonicNumber, samePitch } from '../pitch';
import { PLAIN_TICKS } from '../plain-piece';
import type { Finger } from '../score';
import type { Ticks } from '../time';
import { wayBetween } from './key-place';
import type { RoteNote, RoteSeat, RoteWay, Saying, Strike } from './rote-sheet';

/** What a hand does, bar by bar, and where it sits first. */
export interface HandRows {
  readonly begins: RoteSeat | null;
  readonly rows: readonly (readonly Saying[])[];
}

/** A hand's notes, ties joined, in order of time, with the seats that they are played from: `seats[note.frame]`. */
export interface RoteHand {
  readonly notes: readonly AskedNote[];
  readonly seats: readonly RoteSeat[];
}

export function ticksOf(quarters: number): Ticks {
  return Math.round(quarters * PLAIN_TICKS);
}

/** What is struck by one hand at one time, with the grace notes in front of it. */
interface Struck {
  readonly at: Ticks;
  readonly notes: readonly AskedNote[];
  readonly graces: readonly AskedNote[];
}

/** Tells a hand bar by bar. */
export function handRows({ notes, seats }: RoteHand, bars: readonly AskedBar[]): HandRows {
  const struck = strikesOf(notes);
  const begins = seats[firstFrame(struck) ?? -1] ?? null;
  const teller = { seats, seat: begins, frame: firstFrame(struck), before: null as Struck | null, until: 0 };
  const rows = bars.map((bar) => {
    const [from, to] = [ticksOf(bar.at), ticksOf(bar.at + bar.length)];
    const here = struck.filter(({ at }) => at >= from && at < to);
    return rowOf(teller, here, { from, to }, struck);
  });
  return { begins, rows };
}

/** What is known of a hand while it is told. */
interface Teller {
  readonly seats: readonly RoteSeat[];
  seat: RoteSeat | null;
  frame: number | null;
  before: Struck | null;
  /** When the last of the keys that are down is let go. */
  until: Ticks;
}

function rowOf(
  teller: Teller,
  here: readonly Struck[],
  { from, to }: { readonly from: Ticks; readonly to: Ticks },
  all: readonly Struck[],
): readonly Saying[] {
  const sayings: Saying[] = [];
  let now = from;
  const pass = (until: Ticks): void => {
    const held = Math.min(teller.until, until);
    if (held > now) sayings.push({ kind: 'hold', ticks: held - now });
    const silent = Math.max(now, held);
    if (until > silent) sayings.push({ kind: 'rest', ticks: until - silent });
    now = Math.max(now, until);
  };
  here.forEach((struck) => {
    pass(struck.at);
    sayings.push(...movesTo(teller, struck));
    const strike = strikeOf(teller, struck, all);
    sayings.push(...struck.graces.map((note): Saying => ({ kind: 'grace', note: roteNote(note, teller.seat) })));
    if (strike) sayings.push({ kind: 'strike', strike });
    teller.until = Math.max(teller.until, ...struck.notes.map((note) => struck.at + ticksOf(note.length)));
    teller.before = struck;
    now = strike ? struck.at + (strike.next ?? shortest(strike)) : now;
  });
  pass(to);
  return sayings;
}

function shortest({ notes }: Strike): Ticks {
  return Math.min(...notes.map(({ ticks }) => ticks));
}

function strikesOf(notes: readonly AskedNote[]): readonly Struck[] {
  return [...groupBy(notes, ({ at }) => ticksOf(at)).entries()]
    .map(([at, together]) => ({
      at,
      notes: together.filter(({ isGrace }) => !isGrace).toSorted((a, b) => a.midi - b.midi),
      graces: together.filter(({ isGrace }) => isGrace),
    }))
    .toSorted((a, b) => a.at - b.at);
}

function firstFrame(struck: readonly Struck[]): number | null {
  return (
    struck.flatMap(({ graces, notes }) => [...graces, ...notes]).find(({ frame }) => frame !== null)?.frame ?? null
  );
}

/** The hand goes to its next place before the first note that it plays from there. */
function movesTo(teller: Teller, { graces, notes }: Struck): readonly Saying[] {
  const frame = [...graces, ...notes].find((note) => note.frame !== null)?.frame ?? null;
  const seat = frame === null ? null : (teller.seats[frame] ?? null);
  if (frame === null || seat === null || frame === teller.frame) return [];
  const last = teller.seat;
  teller.frame = frame;
  teller.seat = seat;
  if (last !== null && sameSeat(last, seat)) return [];
  const direction = last === null ? 'same' : directionOf(last, seat);
  return [{ kind: 'move', seat, direction, keeps: last === null ? null : keptFinger(last, seat) }];
}

function sameSeat(a: RoteSeat, b: RoteSeat): boolean {
  return a.every((key, i) => {
    const other = b[i] ?? null;
    return key === null || other === null ? key === other : samePitch(key, other);
  });
}

/** The first finger that stays on its key. */
function keptFinger(from: RoteSeat, to: RoteSeat): Finger | null {
  const at = from.findIndex((key, i) => {
    const other = to[i] ?? null;
    return key !== null && other !== null && samePitch(key, other);
  });
  return at < 0 ? null : ((at + 1) as Finger);
}

function directionOf(from: RoteSeat, to: RoteSeat): 'up' | 'down' | 'same' {
  const middle = (seat: RoteSeat): number => {
    const letters = seat.flatMap((key) => (key === null ? [] : [diatonicNumber(key)]));
    return letters.reduce((sum, letter) => sum + letter, 0) / Math.max(1, letters.length);
  };
  const by = middle(to) - middle(from);
  return by > 0.5 ? 'up' : by < -0.5 ? 'down' : 'same';
}

function strikeOf(teller: Teller, struck: Struck, all: readonly Struck[]): Strike | null {
  if (struck.notes.length === 0) return null;
  const notes = struck.notes.map((note) => roteNote(note, teller.seat));
  const ends = struck.at + Math.min(...notes.map(({ ticks }) => ticks));
  const after = all.find(({ at }) => at > struck.at);
  return {
    notes,
    way: wayTo(teller.before, struck),
    next: after && after.at < ends ? after.at - struck.at : null,
  };
}

function roteNote({ pitch, finger, length }: AskedNote, seat: RoteSeat | null): RoteNote {
  const under = finger === null ? null : (seat?.[finger - 1] ?? null);
  return { pitch, finger, ticks: ticksOf(length), isSeated: under !== null && samePitch(under, pitch) };
}

function wayTo(before: Struck | null, { notes }: Struck): RoteWay | null {
  const [from, to] = [before?.notes[0], notes[0]];
  if (before?.notes.length !== 1 || notes.length !== 1 || !from || !to) return null;
  return wayBetween(from.pitch, to.pitch);
}
