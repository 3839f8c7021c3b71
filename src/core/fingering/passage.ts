import { diatonicNumber, type Step } from '../pitch';
import type { Finger, Hand, HandNote } from '../score';
import type { Ticks } from '../time';

/** A note of one hand as the planner sees it. Letters and alterations are mirrored for the left hand, so that in either hand
 * larger numbers lie towards finger 5: what is true of one hand is then true of the other. */
export interface PassageNote {
  readonly note: HandNote;
  /** Letters from C0, mirrored in the left hand. */
  readonly letter: number;
  /** How much higher than its signature says, in semitones, mirrored in the left hand. */
  readonly altered: number;
  readonly end: Ticks;
  readonly printed: Finger | null;
}

/** A moment at which the hand strikes keys. Notes are indexes into the passage's, in order from the thumb's side. */
export interface PassageEvent {
  readonly struck: readonly number[];
  /** Struck earlier and still down. */
  readonly held: readonly number[];
  /** Down at the event before, and up by now. */
  readonly released: readonly number[];
  /** How much the transition to the event before binds: 1 in a line without a break, less where there is time to move. */
  readonly bond: number;
  /** Whether this key and the one before lie at finger 5's end of four keys over an octave in one direction: of just these four, or of a
   * longer arpeggio. */
  readonly octaveEnd: 'pattern' | 'arpeggio' | null;
  /** Name of what it has in common with like moments: same letters with the same neighbours. */
  readonly likeness: string;
}

/** A moment before it is compared with the others. */
type UnlikedEvent = Omit<PassageEvent, 'likeness' | 'octaveEnd'>;

/** Everything that one hand plays, the same in every key. */
export interface Passage {
  readonly hand: Hand;
  readonly notes: readonly PassageNote[];
  readonly events: readonly PassageEvent[];
  /** Whether any note is altered: a closed hand must then open to reach the neighbouring key. */
  readonly isChromatic: boolean;
  readonly ticksPerQuarter: number;
  /** The tonic's letter in the piece's own key. */
  readonly tonic: Step;
}

/** What the key of a piece says of its notes: the letter of the tonic, and what the signature does to a note's letter. */
export interface OwnKey {
  readonly tonic: Step;
  readonly alterOf: (note: HandNote, step: Step) => number;
}

/** How much a transition binds. Unit: none, 0..1; lengths in quarter notes. Source: the project's fingering model, timing table;
 * that a single note and a chord in turn (a waltz bass)
 * and whole chords bind less is our own choice. */
const LEGATO = 1;
const DETACHED = 0.6;
const PHRASE_END = 0.4;
const REST = 0.2;
const LONG_REST = 0.1;
const LONG_NOTE_QUARTERS = 2;
const CHORD_KEYS = 3;

/** Letters between the ends of an octave pattern, and how many keys it has. Source: handbook, octave patterns. */
export const OCTAVE_LETTERS = 7;
const OCTAVE_KEYS = 4;

/** Transitions up to this bond leave the hand free to go anywhere. Source: the fingering model. */
export const FREE_BOND = PHRASE_END;

/** Puts the notes of one hand into moments. Notes are struck and in order of time; `alterOf` is what the signature does to
 * the letter of a note. O(notes) time, apart from notes held for long. */
export function passageOf(
  hand: Hand,
  struck: readonly HandNote[],
  ticksPerQuarter: number,
  { tonic, alterOf }: OwnKey,
): Passage {
  const direction = hand === 'right' ? 1 : -1;
  const notes = struck.map((note) => ({
    note,
    letter: direction * diatonicNumber(note.pitch),
    altered: direction * (note.pitch.alter - alterOf(note, note.pitch.step)),
    end: note.onset + (note.isGrace ? 0 : note.duration),
    printed: note.finger,
  }));
  const events: UnlikedEvent[] = [];
  let down: number[] = [];
  for (let i = 0; i < notes.length;) {
    const first = notes[i] as PassageNote;
    const group: number[] = [];
    while (i < notes.length && isTogether(first, notes[i] as PassageNote, group.length)) group.push(i++);
    const onset = first.note.onset;
    const held = down.filter((index) => (notes[index] as PassageNote).end > onset && !sharesKey(notes, index, group));
    const released = down.filter((index) => !held.includes(index));
    const bond = events.length === 0 ? LONG_REST : bondOf(notes, { released, group, held, onset, ticksPerQuarter });
    const order = (indexes: readonly number[]): readonly number[] =>
      indexes.toSorted(
        (a, b) => direction * ((notes[a] as PassageNote).note.midi - (notes[b] as PassageNote).note.midi),
      );
    const once = order(group).filter(
      (index, k, all) =>
        k === 0 || (notes[index] as PassageNote).note.midi !== (notes[all[k - 1] as number] as PassageNote).note.midi,
    );
    events.push({ struck: once, held: order(held), released: order(released), bond });
    down = [...held, ...once];
  }
  return {
    hand,
    notes,
    events: compared(notes, events),
    isChromatic: notes.some(({ altered }) => altered !== 0),
    ticksPerQuarter,
    tonic,
  };
}

/** Grace notes are played one after the other before their note; all else that begins together is one moment. */
function isTogether(first: PassageNote, other: PassageNote, taken: number): boolean {
  if (taken === 0) return true;
  return !first.note.isGrace && !other.note.isGrace && first.note.onset === other.note.onset;
}

function sharesKey(notes: readonly PassageNote[], index: number, group: readonly number[]): boolean {
  return group.some((other) => (notes[other] as PassageNote).note.midi === (notes[index] as PassageNote).note.midi);
}

function bondOf(
  notes: readonly PassageNote[],
  {
    released,
    group,
    held,
    onset,
    ticksPerQuarter,
  }: {
    readonly released: readonly number[];
    readonly group: readonly number[];
    readonly held: readonly number[];
    readonly onset: Ticks;
    readonly ticksPerQuarter: number;
  },
): number {
  const left = released.map((index) => notes[index] as PassageNote);
  if (left.length === 0) return LEGATO;
  const last = Math.max(...left.map(({ end }) => end));
  const latest = left.filter(({ end }) => end === last);
  const rest = (onset - last) / ticksPerQuarter;
  const letters = group.map((index) => (notes[index] as PassageNote).letter);
  // An octave is prepared by the note before it, in one line with it.
  const isOctave = Math.max(...letters) - Math.min(...letters) >= OCTAVE_LETTERS;
  const isAccompaniment =
    held.length === 0 &&
    (left.length === 1) !== (group.length === 1) &&
    !isOctave &&
    !left.some(({ note }) => note.isGrace);
  if (rest >= 2) return LONG_REST;
  if (rest >= 1) return REST;
  if (rest >= 0.5 || latest.some(({ note }) => note.slurEnds)) return PHRASE_END;
  const areChords = left.length >= CHORD_KEYS && group.length >= CHORD_KEYS;
  const isLong = latest.some(({ note }) => note.duration >= LONG_NOTE_QUARTERS * ticksPerQuarter);
  return isLong || isAccompaniment || areChords || latest.every(({ note }) => note.detached) ? DETACHED : LEGATO;
}

/** Adds what a moment has in common with others. Two are alike when their letters, counted within the octave, and the steps to the moments
 * on either side are the same, whichever comes first: a scale then has the same fingers up and down. */
function compared(notes: readonly PassageNote[], events: readonly UnlikedEvent[]): readonly PassageEvent[] {
  const lowest = events.map(({ struck }) => notes[struck[0] as number] as PassageNote);
  const step = (from: PassageNote, to: PassageNote | undefined): string =>
    to ? `${to.letter - from.letter}/${to.altered}` : '-';
  const ends = octaveEnds(notes, events);
  return events.map((event, t) => {
    const base = lowest[t] as PassageNote;
    let shape = '';
    for (const index of event.struck) {
      const { letter, altered } = notes[index] as PassageNote;
      shape += `${letter - base.letter}/${altered},`;
    }
    const [before, after] = [step(base, lowest[t - 1]), step(base, lowest[t + 1])];
    const around = before < after ? `${before}|${after}` : `${after}|${before}`;
    const likeness = `${((base.letter % 7) + 7) % 7}:${shape}:${event.held.length}:${around}`;
    return { ...event, likeness, octaveEnd: ends.get(t) ?? null };
  });
}

function octaveEnds(
  notes: readonly PassageNote[],
  events: readonly UnlikedEvent[],
): ReadonlyMap<number, 'pattern' | 'arpeggio'> {
  const ends = new Map<number, 'pattern' | 'arpeggio'>();
  const letters = events.map(({ struck, held }) =>
    struck.length === 1 && held.length === 0 ? (notes[struck[0] as number] as PassageNote).letter : NaN,
  );
  const directionTo = (t: number): number => Math.sign((letters[t] ?? NaN) - (letters[t - 1] ?? NaN));
  for (let t = OCTAVE_KEYS - 1; t < events.length; t += 1) {
    const begin = t - OCTAVE_KEYS + 1;
    const direction = directionTo(t);
    if (
      (letters[t] as number) - (letters[begin] as number) !== direction * OCTAVE_LETTERS ||
      directionTo(t - 1) !== direction ||
      directionTo(t - 2) !== direction
    )
      continue;
    const goesOn = directionTo(begin) === direction || directionTo(t + 1) === direction;
    ends.set(direction > 0 ? t : begin + 1, goesOn ? 'arpeggio' : 'pattern');
  }
  return ends;
}
