import { diatonicNumber } from '../pitch';
import type { Finger, Hand, HandNote } from '../score';

/** A stretch of notes over which one hand stays where it is.
 * `lowest` is the letter, counted from C0, under the hand's lowest finger; `spread` by how many letters the hand
 * opens beyond five (0 is closed). `fingers` has the finger of each note, printed or implied by the closed hand. */
export interface HandPosition {
  readonly hand: Hand;
  readonly lowest: number;
  readonly spread: number;
  readonly notes: readonly HandNote[];
  readonly fingers: ReadonlyMap<string, Finger>;
}

/** The widest opening of a hand that is still one position: two letters beyond five.
 * Source: the fingering model of the project, level 3. */
const WIDEST_SPREAD = 2;

/** A silence, in quarter notes, in which the hand is free to go elsewhere. Source: the same, timing table. */
const FREE_REST_QUARTERS = 2;

/** Letters between the lowest and the highest finger of a closed hand. */
const CLOSED = 4;

/** The letter under the lowest finger when this finger plays this letter and the hand is closed:
 * the thumb is lowest in the right hand, the fifth finger in the left. */
function lowestLetter(hand: Hand, letter: number, finger: Finger): number {
  return letter - (hand === 'right' ? finger - 1 : 5 - finger);
}

/** The finger over a letter in a closed hand; undefined outside it. */
export function fingerAt(hand: Hand, lowest: number, letter: number): Finger | undefined {
  const place = letter - lowest;
  if (place < 0 || place > CLOSED) return undefined;
  return (hand === 'right' ? place + 1 : 5 - place) as Finger;
}

interface Run {
  from: number;
  to: number;
  notes: HandNote[];
  fingerOfKey: Map<number, Finger>;
}

/** Where one hand sits, from the fingers that are printed; nothing is guessed. Notes without a finger belong to the
 * position around them where a closed hand has their letter. A hand without any finger has a position only where its
 * letters are exactly five. Notes are one hand's, struck, in order of time; `ticksPerQuarter` is the score's. */
export function handPositions(notes: readonly HandNote[], ticksPerQuarter: number): readonly HandPosition[] {
  if (notes.length === 0) return [];
  if (!notes.some((note) => note.finger !== null)) return positionOfFiveLetters(notes);
  const runs: Run[] = [];
  let waiting: HandNote[] = [];
  for (const note of notes) {
    const run = runs.at(-1);
    if (note.finger === null) {
      if (run && waiting.length === 0 && fits(run, diatonicNumber(note.pitch))) run.notes.push(note);
      else waiting.push(note);
      continue;
    }
    const lowest = lowestLetter(note.hand, diatonicNumber(note.pitch), note.finger);
    if (run && waiting.length === 0 && staysIn(run, note, lowest, ticksPerQuarter)) {
      extend(run, note, lowest);
      continue;
    }
    runs.push(startRun(note, lowest, run, waiting));
    waiting = [];
  }
  return runs.map(finish);
}

function fits(run: Run, letter: number): boolean {
  return letter >= run.from && letter <= run.to + CLOSED;
}

/** A note with a finger stays in the position when the hand need not open too far, no key changes its finger,
 * the fingers keep their order on the keys, and no long rest invites the hand to move. */
function staysIn(run: Run, note: HandNote, lowest: number, ticksPerQuarter: number): boolean {
  const spread = Math.max(run.to, lowest) - Math.min(run.from, lowest);
  if (spread === 0) return true;
  if (spread > WIDEST_SPREAD) return false;
  const printed = run.fingerOfKey.get(note.midi);
  if (printed !== undefined && printed !== note.finger) return false;
  const last = run.notes.at(-1) as HandNote;
  const isInside = lowest >= run.from && lowest <= run.to;
  const rest = note.onset - (last.onset + last.duration);
  if (!isInside && rest >= FREE_REST_QUARTERS * ticksPerQuarter) return false;
  return keepsOrder(run, note);
}

/** Fingers keep their order when a higher key has, seen from the left, a finger further to the right. Within a chord
 * and from chord to chord a finger may serve two keys; in a line that would be a hop, and the hand has moved. */
function keepsOrder(run: Run, note: HandNote): boolean {
  const last = run.notes.at(-1) as HandNote;
  const struck = run.notes.slice(run.notes.findLastIndex(({ onset }) => onset !== last.onset) + 1);
  const isChordal = struck.length > 1 || last.onset === note.onset;
  const before = struck.filter((other) => other.finger !== null);
  return before.every((other) => {
    const rising = Math.sign(note.midi - other.midi);
    const sideways = Math.sign((note.finger as number) - (other.finger as number)) * (note.hand === 'right' ? 1 : -1);
    return rising === sideways || (sideways === 0 && (isChordal || diatonicNumber(note.pitch) === diatonicNumber(other.pitch)));
  });
}

function extend(run: Run, note: HandNote, lowest: number): void {
  run.from = Math.min(run.from, lowest);
  run.to = Math.max(run.to, lowest);
  run.notes.push(note);
  run.fingerOfKey.set(note.midi, note.finger as Finger);
}

/** A new position begins. The notes just before it that already lay in the new place, and those without a finger that
 * waited for one, come along. */
function startRun(note: HandNote, lowest: number, before: Run | undefined, waiting: readonly HandNote[]): Run {
  const run: Run = { from: lowest, to: lowest, notes: [], fingerOfKey: new Map() };
  const taken = before && waiting.length === 0 ? takeBack(before, lowest) : [];
  const led = waiting.slice(waiting.findLastIndex((other) => !fits(run, diatonicNumber(other.pitch))) + 1);
  for (const other of [...taken, ...led, note]) {
    run.notes.push(other);
    if (other.finger !== null) run.fingerOfKey.set(other.midi, other.finger);
  }
  return run;
}

/** Gives up the end of an opened position that already lay closed in the new place. */
function takeBack(before: Run, lowest: number): readonly HandNote[] {
  const isThere = (note: HandNote): boolean =>
    note.finger !== null && lowestLetter(note.hand, diatonicNumber(note.pitch), note.finger) === lowest;
  const from = before.notes.findLastIndex((note) => !isThere(note)) + 1;
  if (from === 0 || from === before.notes.length) return [];
  const taken = before.notes.slice(from);
  const kept = before.notes.slice(0, from);
  const places = kept.flatMap((note) => (note.finger === null ? [] : [lowestLetter(note.hand, diatonicNumber(note.pitch), note.finger)]));
  before.notes = kept;
  before.from = Math.min(...places);
  before.to = Math.max(...places);
  return taken;
}

function finish(run: Run): HandPosition {
  const hand = (run.notes[0] as HandNote).hand;
  const spread = run.to - run.from;
  const fingers = new Map<string, Finger>();
  for (const note of run.notes) {
    const finger = note.finger ?? (spread === 0 ? fingerAt(hand, run.from, diatonicNumber(note.pitch)) : undefined);
    if (finger !== undefined) fingers.set(note.id, finger);
  }
  return { hand, lowest: run.from, spread, notes: run.notes, fingers };
}

function positionOfFiveLetters(notes: readonly HandNote[]): readonly HandPosition[] {
  const letters = notes.map((note) => diatonicNumber(note.pitch));
  const lowest = Math.min(...letters);
  if (Math.max(...letters) - lowest !== CLOSED) return [];
  return [finish({ from: lowest, to: lowest, notes: [...notes], fingerOfKey: new Map() })];
}
