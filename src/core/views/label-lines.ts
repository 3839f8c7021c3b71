import { groupBy } from '../base';
import { type Language } from '../explain';
import { labelsOf, type LabelKind } from '../annotate';
import { struckNotes, type HandNote, type NoteId } from '../score';
import { beatTicks } from '../time';
import type { OpenedPiece, Version } from '../piece';

/** The lines of labels under the notes of a version, one a kind. */
export function labelLines(
  says: Language,
  { score, part }: OpenedPiece,
  version: Version,
  kinds: readonly LabelKind[],
): readonly ReadonlyMap<NoteId, string>[] {
  const notes = struckNotes(version.notes);
  const beatsOf = ({ barIndex, duration }: HandNote): number =>
    duration / beatTicks(part.measures[barIndex]?.meter ?? { beats: 4, beatType: 4 }, score.ticksPerQuarter);
  return kinds.map((kind) => {
    const words = new Map(
      [...labelsOf(kind, notes, version.key, beatsOf)].map(([id, label]) => [id, says.labelWords(label)]),
    );
    return oneAMoment(words, notes);
  });
}

/** Notes that one hand strikes together stand over one another, so that their labels would too: the lowest has them all, from low to high, each once. */
function oneAMoment(words: ReadonlyMap<NoteId, string>, notes: readonly HandNote[]): ReadonlyMap<NoteId, string> {
  const labelled = notes.filter(({ id }) => words.has(id));
  const moments = groupBy(labelled, ({ id, hand, onset, isGrace }) => (isGrace ? id : `${hand}/${onset}`));
  return new Map(
    [...moments.values()].map((moment) => {
      const lowFirst = moment.toSorted((a, b) => a.midi - b.midi);
      const said = new Set(lowFirst.map(({ id }) => words.get(id) as string));
      return [(lowFirst[0] as HandNote).id, [...said].join(' ')];
    }),
  );
}
