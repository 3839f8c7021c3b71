import { samePitch, type Pitch } from '../pitch';
import type { Measure, NoteId, NoteItem, Part, Score } from '../score';
import { drawAccidentals } from '../notation';
import { withTies } from './make-entry';
import { openBar } from './open-bar';
import { editsBetween } from './score-edit';

/** Puts in order what a change touched: ties that lost their other end go, and signs are drawn by the bar rule. Only the bars that changed and
 * the ones next to them are looked at; everything else stays as the file has it. */
export function normaliseScore(before: Score, after: Score): Score {
  const bars = editsBetween(before, after).find((step) => step.kind === 'replace-bars');
  if (!bars) return after;
  const [from, to] = [Math.max(0, bars.at - 1), bars.at + bars.put.length];
  const broken = new Set(
    before.parts.flatMap((part) => brokenTies(part, from, bars.at + bars.remove).map(({ id }) => id)),
  );
  const parts = after.parts.map((part) => withSigns(withoutBrokenTies(part, from, to, broken), bars.at, to));
  return parts.every((part, i) => part === after.parts[i]) ? after : { ...after, parts };
}

interface BrokenTie {
  readonly id: NoteId;
  readonly tieStop: boolean;
  readonly tieStart: boolean;
}

/** Ties between neighbours in a voice of which one end is missing, with what each note keeps. */
function brokenTies(part: Part, from: number, to: number): readonly BrokenTie[] {
  const voices = new Map<string, (readonly NoteItem[])[]>();
  for (const measure of part.measures.slice(from, to + 1)) {
    for (const voice of openBar(measure).voices) {
      const name = `${voice.staff}/${voice.voice}`;
      voices.set(name, [...(voices.get(name) ?? []), ...voice.entries.map(({ notes }) => notes)]);
    }
  }
  return [...voices.values()].flatMap((chords) =>
    chords.flatMap((notes, i) =>
      notes.flatMap((note): readonly BrokenTie[] => {
        // What lies beyond the bars that are looked at is taken to be there.
        const tieStop = note.tieStop && (i === 0 || hasTie(chords[i - 1], note.pitch, 'tieStart'));
        const tieStart =
          note.tieStart &&
          (i === chords.length - 1 ? !isLastBar(part, to) : hasTie(chords[i + 1], note.pitch, 'tieStop'));
        return tieStop === note.tieStop && tieStart === note.tieStart ? [] : [{ id: note.id, tieStop, tieStart }];
      }),
    ),
  );
}

function isLastBar(part: Part, to: number): boolean {
  return to >= part.measures.length - 1;
}

function hasTie(notes: readonly NoteItem[] | undefined, pitch: Pitch | null, end: 'tieStart' | 'tieStop'): boolean {
  return (notes ?? []).some(
    (other) => other[end] && other.pitch !== null && pitch !== null && samePitch(other.pitch, pitch),
  );
}

function withoutBrokenTies(part: Part, from: number, to: number, before: ReadonlySet<NoteId>): Part {
  const broken = new Map(
    brokenTies(part, from, to)
      .filter(({ id }) => !before.has(id))
      .map((tie) => [tie.id, tie]),
  );
  if (broken.size === 0) return part;
  return mapBars(part, from, to, (note) => {
    const mended = broken.get(note.id);
    return mended ? withTies(note, mended.tieStop, mended.tieStart) : note;
  });
}

/** Signs by the bar rule, in the bars that changed and the one after. */
function withSigns(part: Part, from: number, to: number): Part {
  const drawn = drawAccidentals(part, 'bar');
  const signs = new Map(
    drawn.measures
      .slice(from, to + 1)
      .flatMap(({ items }) =>
        items.flatMap((item) => (item.kind === 'note' ? [[item.id, item.accidental] as const] : [])),
      ),
  );
  return mapBars(part, from, to, (note) => {
    const sign = signs.get(note.id);
    if (sign === undefined || (sign?.sign === note.accidental?.sign && sign?.courtesy === note.accidental?.courtesy))
      return note;
    return { ...note, accidental: sign };
  });
}

function mapBars(part: Part, from: number, to: number, change: (note: NoteItem) => NoteItem): Part {
  const measures = part.measures.map((measure): Measure => {
    if (measure.index < from || measure.index > to) return measure;
    const items = measure.items.map((item) => (item.kind === 'note' ? change(item) : item));
    return items.every((item, i) => item === measure.items[i]) ? measure : { ...measure, items };
  });
  return measures.every((measure, i) => measure === part.measures[i]) ? part : { ...part, measures };
}
