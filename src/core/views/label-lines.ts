import { labelWords } from '../explain';
import { labelsOf, type LabelKind } from '../annotate';
import type { Key } from '../pitch';
import type { HandNote, NoteId } from '../score';
import { beatTicks } from '../time';
import type { OpenedPiece } from '../piece';

/** The lines of labels under the notes of a version, one a kind. */
export function labelLines(
  { score, part }: OpenedPiece,
  notes: readonly HandNote[],
  key: Key,
  kinds: readonly LabelKind[],
): readonly ReadonlyMap<NoteId, string>[] {
  const beatsOf = ({ barIndex, duration }: HandNote): number =>
    duration / beatTicks(part.measures[barIndex]?.meter ?? { beats: 4, beatType: 4 }, score.ticksPerQuarter);
  return kinds.map(
    (kind) => new Map([...labelsOf(kind, notes, key, beatsOf)].map(([id, label]) => [id, labelWords(label)])),
  );
}
