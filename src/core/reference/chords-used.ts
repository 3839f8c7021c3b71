import { groupBy } from '../base';
import type { Key } from '../pitch';
import type { Hand, HandNote, NoteId } from '../score';
import { chordOf, type Chord } from './chord';

/** A chord of one hand in the music: struck at once or note by note. */
export interface ChordUse {
  readonly hand: Hand;
  readonly chord: Chord;
  readonly texture: 'blocked' | 'broken';
  readonly bar: string;
  /** Its notes, low ones first, each key once. */
  readonly notes: readonly HandNote[];
}

/** The chords of a hand in order of time. `notes` are its struck notes, `halfOf` tells in which half of its bar a note begins. Keys struck together are a chord where they make
 * one; single notes of a whole bar, else of half a bar, are a broken chord where all of them belong to one and nothing of it is missing. */
export function chordsUsed(
  notes: readonly HandNote[],
  key: Key,
  halfOf: (note: HandNote) => 1 | 2,
): readonly ChordUse[] {
  const main = notes.filter(({ isGrace }) => !isGrace);
  const moments = [...groupBy(main, ({ onset }) => onset).values()];
  const blocked = moments.flatMap((moment) => asChord(moment, key, 'blocked') ?? []);
  const singles = moments.flatMap((moment) => (moment.length === 1 ? moment : []));
  const bars = [...groupBy(singles, ({ barIndex }) => barIndex).values()];
  const broken = bars.flatMap((bar) => {
    const whole = brokenOf(bar, main, key);
    return whole ? [whole] : [...groupBy(bar, halfOf).values()].flatMap((half) => brokenOf(half, main, key) ?? []);
  });
  return [...blocked, ...broken].sort((a, b) => firstOnset(a) - firstOnset(b));
}

/** How many keys a broken chord has at least. Fewer might be any step of a tune. */
const BROKEN_KEYS = 3;

function brokenOf(notes: readonly HandNote[], all: readonly HandNote[], key: Key): ChordUse | null {
  const from = notes[0]?.onset ?? 0;
  const to = notes.at(-1)?.onset ?? 0;
  const isAlone = all.filter(({ onset }) => onset >= from && onset <= to).length === notes.length;
  const use = isAlone ? asChord(notes, key, 'broken') : null;
  return use && use.notes.length >= BROKEN_KEYS && use.chord.without.length === 0 ? use : null;
}

function asChord(notes: readonly HandNote[], key: Key, way: ChordUse['texture']): ChordUse | null {
  const low = notes.toSorted((a, b) => a.midi - b.midi);
  const once = low.filter((note, i) => note.midi !== low[i - 1]?.midi);
  const chord = chordOf(
    once.map(({ pitch }) => pitch),
    key,
  );
  const [first] = notes;
  return chord && first ? { hand: first.hand, chord, texture: way, bar: first.bar, notes: once } : null;
}

function firstOnset({ notes }: ChordUse): number {
  return Math.min(...notes.map(({ onset }) => onset));
}

/** Uses of one shape: the same chord on the same keys. */
export interface ChordShape {
  readonly use: ChordUse;
  readonly bars: readonly string[];
}

/** The shapes that a hand needs, in the order in which they come. */
export function shapesOf(uses: readonly ChordUse[]): readonly ChordShape[] {
  const groups = groupBy(
    uses,
    ({ hand, texture: way, notes }) => `${hand}/${way}/${notes.map(({ midi }) => midi).join()}`,
  );
  return [...groups.values()].map((group) => ({
    use: group[0] as ChordUse,
    bars: [...new Set(group.map(({ bar }) => bar))],
  }));
}

/** From one chord of a hand to the next: what each finger does. Half steps up are above 0; null where the finger was not down before. */
export interface ChordStep {
  readonly finger: number;
  readonly halfSteps: number | null;
  readonly note: NoteId;
}

export function chordSteps(
  from: ChordUse,
  to: ChordUse,
  fingerOf: (id: NoteId) => number | null,
): readonly ChordStep[] {
  const before = new Map(from.notes.map((note) => [fingerOf(note.id), note.midi]));
  return to.notes.flatMap((note) => {
    const finger = fingerOf(note.id);
    if (finger === null) return [];
    const was = before.get(finger);
    return [{ finger, halfSteps: was === undefined ? null : note.midi - was, note: note.id }];
  });
}
