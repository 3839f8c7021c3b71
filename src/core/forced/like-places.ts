import { struckAt, type Passage } from '../fingering';
import type { NoteId } from '../score';

/** The same notes once more: where, and which note stands for which. */
export interface LikePlace {
  readonly bar: string;
  readonly notes: readonly NoteId[];
}

/** Where a hand has the same passage again: the same letters, in the same order and at the same distances in time. `ids` are its notes.
 * None for stretches longer than `LONGEST`. */
export function likePlaces(passage: Passage, ids: readonly NoteId[]): readonly LikePlace[] {
  const wanted = new Set(ids);
  const events = passage.events.flatMap((_, t) =>
    struckAt(passage, t).some((note) => wanted.has(passage.notes[note]?.note.id ?? '')) ? [t] : [],
  );
  const [from, to] = [events[0], events.at(-1)];
  if (from === undefined || to === undefined || to - from + 1 > LONGEST) return [];
  const length = to - from + 1;
  const own = shapeOf(passage, from, length);
  const starts = passage.events.flatMap((_, t) =>
    Math.abs(t - from) >= length && shapeOf(passage, t, length) === own ? [t] : [],
  );
  return starts.map((start) => {
    const twin = new Map(pairs(passage, from, start, length));
    const first = passage.notes[struckAt(passage, start)[0] as number]?.note;
    return { bar: first?.bar ?? '', notes: ids.flatMap((id) => twin.get(id) ?? []) };
  });
}

/** Longer passages are not looked for. Unit: moments. */
const LONGEST = 32;

function shapeOf(passage: Passage, from: number, length: number): string | null {
  if (from + length > passage.events.length) return null;
  const first = passage.notes[struckAt(passage, from)[0] as number]?.note;
  return Array.from({ length }, (_, i) => {
    const struck = struckAt(passage, from + i).map((note) => passage.notes[note]);
    const onset = struck[0]?.note.onset ?? 0;
    return `${onset - (first?.onset ?? 0)}:${struck.map((note) => `${note?.letter}/${note?.altered}`).join('+')}`;
  }).join(' ');
}

function pairs(passage: Passage, from: number, to: number, length: number): readonly (readonly [NoteId, NoteId])[] {
  return Array.from({ length }, (_, i) => {
    const twins = struckAt(passage, to + i);
    return struckAt(passage, from + i).flatMap((note, k) => {
      const [one, other] = [passage.notes[note]?.note.id, passage.notes[twins[k] as number]?.note.id];
      return one && other ? [[one, other] as const] : [];
    });
  }).flat();
}
