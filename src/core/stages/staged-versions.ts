import { ok, type Fault, type Result } from '../base';
import { asWritten, moveTo, type MoveOptions, type OpenedPiece, type Version } from '../piece';
import type { Key } from '../pitch';
import { handNotes, type NoteId, type Score } from '../score';
import { stageScore } from './stage-score';
import type { Transformation } from './transformation';

/** A stage of a piece, where the piece stands and in another key; `piece` is the stage where it stands. */
export interface StagedVersions {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
}

/** A stage of a piece as a piece of its own: what was found out about the whole (its key, the pupil's part, what its file holds) goes along. */
export function stagePiece(
  piece: OpenedPiece,
  { score, key }: Pick<Version, 'score' | 'key'>,
  transformations: readonly Transformation[],
  courtesy: MoveOptions['courtesy'],
): OpenedPiece {
  const staged = stageScore(score, { partId: piece.part.id, courtesy }, transformations);
  return reopened(piece, staged.score, key);
}

function reopened(piece: OpenedPiece, score: Score, key: Key): OpenedPiece {
  const part = score.parts.find(({ id }) => id === piece.part.id) ?? piece.part;
  const notes = handNotes(part, score.ticksPerQuarter);
  return { ...piece, score, part, notes, key: { ...piece.key, key }, remarks: [] };
}

/** Takes a piece that was moved and makes a stage of it in both keys. The fingers of the whole piece are taken for printed: they stay where the hand can play so,
 * and what a stage leaves without one is planned. `decided` are fingers that the teacher put into this very stage. Errors: those of moving. */
export function stageVersions(
  piece: OpenedPiece,
  { before, after }: { readonly before: Version; readonly after: Version },
  transformations: readonly Transformation[],
  options: Omit<MoveOptions, 'to'>,
): Result<StagedVersions, Fault> {
  const { player, keyboard, courtesy } = options;
  const own = stagePiece(piece, before, transformations, courtesy);
  const there = stagePiece(piece, after, transformations, courtesy);
  const stagedBefore = asWritten(own, player, keyboard);
  const staged = moveTo(there, stagedBefore, { ...options, ...AS_IT_IS, to: after.key });
  if (!staged.ok) return staged;
  const { interval, octaves } = after;
  return ok({
    piece: own,
    before: { ...stagedBefore, key: before.key },
    after: { ...staged.value, interval, octaves },
  });
}

/** The stage stands in its key already. */
const AS_IT_IS = {
  direction: 'nearest',
  octaves: { right: 0, left: 0 },
  spelling: 'strict',
  respelled: [] as readonly NoteId[],
} as const;
