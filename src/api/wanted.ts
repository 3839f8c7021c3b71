import { err, ok, type Fault, type Result } from '@/core/base';
import { moveTo, type OpenedPiece, type Version } from '@/core/piece';
import { stageId, stageNamed, stagesOf, stageVersions, type StagedVersions } from '@/core/stages';
import { movedOrStaying, type MovedPiece, type SentPiece } from './handle';

/** A piece as it is wanted: its own music or that of a stage, in the wanted key. */
export interface WantedPiece {
  readonly piece: OpenedPiece;
  readonly version: Version;
}

/** The piece that was sent, or one of its stages, in the wanted key. Errors: those of moving; `query.value` where the piece has no such stage. */
export function wantedVersion(sent: SentPiece): Result<WantedPiece, Fault> {
  const { stage } = sent.query;
  if (stage === null) {
    const moved = movedOrStaying(sent);
    return moved.ok ? ok({ piece: sent.piece, version: moved.value.after }) : moved;
  }
  const staged = stagedVersions(sent, stage);
  return staged.ok ? ok({ piece: staged.value.piece, version: staged.value.after }) : staged;
}

/** One stage of the piece that was sent. Errors: as above. */
export function stagedVersions(sent: SentPiece, id: string): Result<StagedVersions, Fault> {
  const moved = movedOrStaying(sent);
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
