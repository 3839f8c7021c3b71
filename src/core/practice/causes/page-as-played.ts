import {
  inOrder,
  momentsOf,
  SAME_TIME,
  type AskedBar,
  type AskedMusic,
  type AskedNote,
  type StruckKey,
} from '../../asked';
import { midiNumber, signatureAlter, type Step } from '../../pitch';
import type { Alignment } from '../alignment';
import type { Cause, Shift } from './cause';

/** A page as it was played for some causes: `asPlayed` with the keys and times that they make of it, `asWritten` the same notes at the same times with the keys that
 * are written. Notes and moments of both have the same indexes. */
export interface Page {
  readonly asPlayed: AskedMusic;
  readonly asWritten: AskedMusic;
  /** Which note of the page each of them is, by its index. */
  readonly origins: readonly number[];
}

export function pageWith(music: AskedMusic, causes: readonly Cause[]): Page {
  if (causes.length === 0) return { asPlayed: music, asWritten: music, origins: music.notes.map((_, i) => i) };
  const origins = new Map<AskedNote, number>();
  const notes = inOrder(
    music.notes.flatMap((note, i) => {
      const own = causes.filter((cause) => concerns(music, cause, note));
      if (own.some(({ kind }) => kind === 'one-hand')) return [];
      const played = own.reduce((moved, cause) => movedBy(music, cause, moved), note);
      origins.set(played, i);
      return [played];
    }),
  );
  const originOf = (note: AskedNote): number => origins.get(note) as number;
  const midiOf = (note: AskedNote): number => (music.notes[originOf(note)] as AskedNote).midi;
  const asPlayed = { ...music, notes, moments: momentsOf(notes, music.bars, cutsOf(music)) };
  return {
    asPlayed,
    asWritten: { ...asPlayed, notes: notes.map((note) => ({ ...note, midi: midiOf(note) })) },
    origins: notes.map(originOf),
  };
}

/** The notes that a cause is about, as indexes. */
export function notesOfCause(music: AskedMusic, cause: Cause): readonly number[] {
  return music.notes.flatMap((note, i) => (concerns(music, cause, note) ? [i] : []));
}

function concerns(music: AskedMusic, cause: Cause, note: AskedNote): boolean {
  if (cause.hand !== null && cause.hand !== note.hand) return false;
  const bar = barPlace(music, note.at);
  return bar >= cause.from && bar <= cause.to;
}

/** Which of the bars a time lies in, by its place. */
export function barPlace({ bars }: AskedMusic, at: number): number {
  const after = bars.findIndex((bar) => bar.at > at + SAME_TIME);
  return Math.max(0, (after < 0 ? bars.length : after) - 1);
}

function movedBy(music: AskedMusic, cause: Cause, note: AskedNote): AskedNote {
  switch (cause.kind) {
    case 'transposed':
      return { ...note, midi: midiAt(music, note, cause.shift) };
    case 'hand-late':
      return {
        ...note,
        at: Math.max(0, note.at + cause.quarters),
        tiedFrom: note.tiedFrom === null ? null : note.tiedFrom + cause.quarters,
      };
    case 'one-hand':
      return note;
  }
}

/** The key that is struck for a note so far off. */
export function midiAt(music: AskedMusic, note: AskedNote, { letters, halfSteps }: Shift): number {
  if (halfSteps !== null) return note.midi + halfSteps;
  const step = note.pitch.step + letters;
  const octaves = Math.floor(step / 7);
  const letter = (step - 7 * octaves) as Step;
  const { fifths } = music.bars[barPlace(music, note.at)] as AskedBar;
  return midiNumber({ step: letter, octave: note.pitch.octave + octaves, alter: signatureAlter(fifths, letter) });
}

/** The bars, by their places, in front of which bars were left out. */
function cutsOf(music: AskedMusic): ReadonlySet<number> {
  return new Set(music.moments.flatMap(({ at, isAfterCut }) => (isAfterCut ? [barPlace(music, at)] : [])));
}

/** The keys as they would have been without what moved them elsewhere: what is told of single keys is told against the page. */
export function keysAgainstPage(
  keys: readonly StruckKey[],
  { fates }: Alignment,
  { asPlayed, asWritten }: Page,
): readonly StruckKey[] {
  if (asPlayed === asWritten) return keys;
  let off = 0;
  return keys.map((key, i) => {
    const note = fates[i]?.note ?? null;
    // A key that stands for no note was struck by a hand that sat where it sat before.
    if (note !== null) off = (asPlayed.notes[note] as AskedNote).midi - (asWritten.notes[note] as AskedNote).midi;
    return off === 0 ? key : { ...key, midi: key.midi - off };
  });
}
