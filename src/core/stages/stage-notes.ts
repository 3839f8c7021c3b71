import { tiedFrom, type HandNote, type NoteId, type Part } from '../score';
import { noteChanges } from './changes-of';
import type { NoteChanges } from './note-changes';
import type { ChangedNote, Transformation } from './transformation';

/** What a stage does to the notes of a piece. */
export interface ComparedNotes {
  readonly kept: readonly NoteId[];
  readonly dropped: readonly NoteId[];
  readonly changed: readonly ChangedNote[];
}

/** The notes of a stage as the hands play them, without the music being written: enough to tell what is difficult in it. `stageScore` gives the very same notes. */
export function stageNotes(
  notes: readonly HandNote[],
  part: Part,
  ticksPerQuarter: number,
  transformations: readonly Transformation[],
): readonly HandNote[] {
  return transformations.reduce((at, one): readonly HandNote[] => {
    if (one.kind === 'tapping') return at;
    if (one.kind === 'bars') return inBars(at, part, one.bars);
    return changed(at, noteChanges(one, { notes: at, part, ticksPerQuarter }));
  }, notes);
}

export function comparedNotes(before: readonly HandNote[], after: readonly HandNote[]): ComparedNotes {
  const there = new Map(after.map((note) => [note.id, note]));
  const [kept, dropped, changed]: [NoteId[], NoteId[], ChangedNote[]] = [[], [], []];
  for (const note of before) {
    const now = there.get(note.id);
    if (now === undefined) dropped.push(note.id);
    else kept.push(note.id);
    if (now !== undefined && now !== note) changed.push(...changesAt(note, now));
  }
  return { kept, dropped, changed };
}

function changesAt(before: HandNote, after: HandNote): readonly ChangedNote[] {
  const { id } = before;
  const octaves = after.pitch.octave - before.pitch.octave;
  const isLater = after.item.onset !== before.item.onset || after.duration !== before.duration;
  return [
    ...(octaves === 0 ? [] : [{ id, how: 'octave', octaves } as const]),
    ...(isLater ? [{ id, how: 'time' } as const] : []),
    ...(after.finger === before.finger ? [] : [{ id, how: 'finger', finger: after.finger } as const]),
  ];
}

/** Bars that are kept; a note that is tied on from a bar that is gone is struck, with its finger. */
function inBars(notes: readonly HandNote[], part: Part, bars: readonly number[]): readonly HandNote[] {
  const wanted = new Set(bars);
  const there = part.measures.filter(({ index }) => wanted.has(index)).length;
  if (there === 0 || there === part.measures.length) return notes;
  return notes.flatMap((note) => {
    if (!wanted.has(note.barIndex)) return [];
    const isCutBefore = note.tieStop && note.item.onset === 0 && note.barIndex > 0 && !wanted.has(note.barIndex - 1);
    const measure = part.measures[note.barIndex];
    const isCutAfter =
      note.tieStart && note.item.onset + note.duration >= (measure?.length ?? 0) && !wanted.has(note.barIndex + 1);
    if (!isCutBefore && !isCutAfter) return [note];
    const head = isCutBefore ? tiedFrom(notes).get(note.id) : undefined;
    const finger = note.finger ?? notes.find(({ id }) => id === head)?.finger ?? null;
    return [
      {
        ...note,
        tieStop: note.tieStop && !isCutBefore,
        tieStart: note.tieStart && !isCutAfter,
        finger: isCutBefore ? finger : note.finger,
      },
    ];
  });
}

function changed(notes: readonly HandNote[], { dropped, octaves, fingers, times }: NoteChanges): readonly HandNote[] {
  return notes
    .flatMap((note) => {
      if (dropped.has(note.id)) return [];
      const [by, finger, time] = [octaves.get(note.id), fingers.get(note.id), times.get(note.id)];
      if (by === undefined && finger === undefined && time === undefined) return [note];
      const item = time ? { ...note.item, onset: time.onset } : note.item;
      return [
        {
          ...note,
          item,
          pitch: { ...note.pitch, octave: note.pitch.octave + (by ?? 0) },
          midi: note.midi + 12 * (by ?? 0),
          onset: note.onset + item.onset - note.item.onset,
          duration: time?.duration ?? note.duration,
          finger: finger === undefined ? note.finger : finger,
          ...(time ? { tieStart: false, tieStop: false } : {}),
        },
      ];
    })
    .sort((a, b) => a.onset - b.onset || Number(b.isGrace) - Number(a.isGrace) || (a.isGrace ? 0 : a.midi - b.midi));
}
