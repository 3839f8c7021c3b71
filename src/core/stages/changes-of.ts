import { assertNever } from '../base';
import { tiedFrom, type HandNote, type NoteId, type Part } from '../score';
import { barTicks, noteValue, type Ticks } from '../time';
import { feltBeat } from './felt-beat';
import { blocked, onBeats, rootsOnly, withSplitOctaves } from './left-hand';
import { NO_CHANGES, type NoteChanges } from './note-changes';
import { foldOctaves } from './one-place';
import { lowestOf, strikesOf, type Strike } from './strikes';
import type { Easing, Transformation } from './transformation';

/** What takes notes out or changes them; the others change bars and staves. */
export type NoteTransformation =
  Extract<Transformation, { readonly kind: 'hand' | 'notes' }> | { readonly kind: Exclude<Easing, 'tapping'> };

/** The notes of a part, and how its time is counted. */
export interface NotesOf {
  readonly notes: readonly HandNote[];
  readonly part: Part;
  readonly ticksPerQuarter: number;
}

/** What a transformation does to each note. */
export function noteChanges(transformation: NoteTransformation, of: NotesOf): NoteChanges {
  return alongTies(changesOf(transformation, of), of.notes);
}

function changesOf(transformation: NoteTransformation, of: NotesOf): NoteChanges {
  switch (transformation.kind) {
    case 'hand':
      return onlyThose(of.notes, ({ hand }) => hand === transformation.hand);
    case 'notes': {
      const wanted = new Set(transformation.notes);
      return onlyThose(of.notes, ({ id }) => wanted.has(id));
    }
    case 'one-place':
      return foldOctaves(of);
    case 'beats':
      return onBeats(of);
    case 'split-octave':
      return withSplitOctaves(of);
    case 'blocked':
      return blocked(of);
    case 'roots':
      return rootsOnly(of);
    case 'long':
      return asLongNotes(of);
    default:
      return assertNever(transformation);
  }
}

function onlyThose(notes: readonly HandNote[], isWanted: (note: HandNote) => boolean): NoteChanges {
  return { ...NO_CHANGES, dropped: new Set(notes.filter((note) => !isWanted(note)).map(({ id }) => id)) };
}

/** One note a bar becomes as long as the bar, two share it. */
function asLongNotes({ notes, part, ticksPerQuarter }: NotesOf): NoteChanges {
  const times = new Map<NoteId, { readonly onset: Ticks; readonly duration: Ticks }>();
  for (const hand of ['right', 'left'] as const) {
    const strikes = strikesOf(notes, hand);
    for (const measure of part.measures) {
      const own = strikes.filter((strike) => lowestOf(strike).barIndex === measure.index);
      const bar = barTicks(measure.meter, ticksPerQuarter);
      if (measure.lead > 0 || own.length === 0 || own.length > 2 || measure.length !== bar) continue;
      const beat = feltBeat(measure.meter, ticksPerQuarter);
      const first = own.length === 1 ? bar : Math.ceil(bar / beat / 2) * beat;
      const lengths = [first, bar - first];
      if (lengths.some((length) => length > 0 && !noteValue(length, ticksPerQuarter))) continue;
      own.forEach((strike: Strike, i) =>
        strike.notes.forEach(({ id }) => times.set(id, { onset: i * first, duration: lengths[i] as Ticks })),
      );
    }
  }
  return { ...NO_CHANGES, times };
}

/** A tie goes the way of the note that it begins with; what is struck at another time is tied no longer. */
function alongTies(changes: NoteChanges, notes: readonly HandNote[]): NoteChanges {
  if (notes.every(({ tieStop }) => !tieStop)) return changes;
  const first = tiedFrom(notes);
  const dropped = new Set(changes.dropped);
  const octaves = new Map(changes.octaves);
  for (const [id, head] of first) {
    if (changes.dropped.has(head) || changes.times.has(head)) dropped.add(id);
    else dropped.delete(id);
    const by = changes.octaves.get(head);
    if (by !== undefined) octaves.set(id, by);
  }
  return { ...changes, dropped, octaves };
}
