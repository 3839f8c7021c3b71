import { err, ok, type Fault, type Result } from '@/core/base';
import type { Key } from '@/core/pitch';
import { moveTo, type OpenedPiece, type Version } from '@/core/piece';
import { stageId, stageNamed, stagesOf, stageVersions, type StagedVersions } from '@/core/stages';
import { inKey, movedOrStaying, type MovedPiece, type SentPiece } from './sent';

/** The piece that was sent, or one of its stages, where it stands and in the wanted key. Errors: those of moving; `query.value` where the piece has no such stage. */
export function wantedVersions(sent: SentPiece, to: Key | null): Result<StagedVersions, Fault> {
  const { stage } = sent.query;
  if (stage !== null) return stagedVersions(sent, stage, to);
  const moved = movedTo(sent, to);
  return moved.ok ? ok({ piece: sent.piece, ...moved.value }) : moved;
}

function movedTo(sent: SentPiece, to: Key | null): Result<MovedPiece, Fault> {
  return to === null ? movedOrStaying(sent) : inKey(sent, to);
}

/** One stage of the piece that was sent. Errors: as above. */
export function stagedVersions(sent: SentPiece, id: string, to: Key | null = null): Result<StagedVersions, Fault> {
  const moved = movedTo(sent, to);
  if (!moved.ok) return moved;
  const planned = plannedVersion(sent, moved.value);
  if (!planned.ok) return planned;
  const { piece, query } = sent;
  const stage = stageNamed(piece, planned.value, id);
  if (!stage) return err({ code: 'query.value', name: 'stage', value: id, allowed: allowedIn(piece, planned.value) });
  return stageVersions(piece, moved.value, stage.transformations, query.options);
}

function allowedIn(piece: OpenedPiece, version: Version): string {
  const { proposed, others } = stagesOf(piece, version);
  return `a stage that this piece has: ${[...proposed, ...others].map(({ name }) => stageId(name)).join(', ')}`;
}

/** The piece in its key with its hands planned: stages are found by where the hands move, also where the file is wanted without fingers. */
export function plannedVersion({ piece, query }: SentPiece, { before, after }: MovedPiece): Result<Version, Fault> {
  if (query.options.fingering !== 'none') return ok(after);
  return moveTo(piece, before, { ...query.options, fingering: 'plan', to: after.key });
}
