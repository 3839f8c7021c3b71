import { memo, memoOf, ok, type Fault, type Result } from '@/core/base';
import { asWritten, moveTo, openPiece, type MoveOptions, type OpenedPiece, type Version } from '@/core/piece';
import { ownStage, stageNamed, stagePiece, stageVersions, subjectOf, type Transformation } from '@/core/stages';
import { fullOptions, versionsOf } from './asked-piece';
import type { BenchOptions, PieceSource, StageSource } from '@/contract/piece-asked';

/** How many opened pieces are kept, so that another key need not read the file again. */
const KEPT_PIECES = 24;

/** A piece with its version as written and the one that is asked for. */
interface Moved {
  readonly piece: OpenedPiece;
  readonly before: Version;
  readonly after: Version;
}

/** The pieces that a worker was asked about, opened once for several questions. */
export interface OpenedPieces {
  readonly open: (source: PieceSource) => Result<OpenedPiece, Fault>;
  readonly openWith: (
    source: PieceSource,
    options: BenchOptions,
  ) => Result<{ readonly piece: OpenedPiece; readonly options: MoveOptions }, Fault>;
  readonly moved: (source: PieceSource, options: BenchOptions) => Result<Moved, Fault>;
}

export function createOpenedPieces(): OpenedPieces {
  const opened = new Map<string, OpenedPiece>();

  const openWhole: OpenedPieces['open'] = (source) => {
    const name = `${source.ownKey ?? ''}\n${source.part ?? ''}\n${source.musicXml}`;
    const kept = opened.get(name);
    if (kept) return ok(kept);
    const piece = openPiece(new TextEncoder().encode(source.musicXml), {
      format: null,
      key: source.ownKey,
      part: source.part,
    });
    if (piece.ok) {
      opened.set(name, piece.value);
      const oldest = opened.keys().next().value;
      if (opened.size > KEPT_PIECES && oldest !== undefined) opened.delete(oldest);
    }
    return piece;
  };

  const open: OpenedPieces['open'] = (source) => {
    const piece = openWhole(source);
    return piece.ok && source.stage ? ok(stagedPiece(piece.value, source.stage)) : piece;
  };

  const openWith: OpenedPieces['openWith'] = (source, options) => {
    const piece = open(source);
    if (!piece.ok) return piece;
    const full = fullOptions(piece.value, options);
    return full.ok ? ok({ piece: piece.value, options: full.value }) : full;
  };

  const moved: OpenedPieces['moved'] = (source, options) => {
    const asked = openWith({ ...source, stage: null }, options);
    if (!asked.ok) return asked;
    const { piece, options: full } = asked.value;
    const before = asWritten(piece, full.player, full.keyboard);
    const after = versionsOf(piece).get(JSON.stringify(options), () => moveTo(piece, before, full));
    if (!after.ok) return after;
    const whole = { piece, before, after: after.value };
    return source.stage ? inStage(whole, full, source.stage, JSON.stringify([source.stage, options])) : ok(whole);
  };

  return { open, openWith, moved };
}

/** So many stages of a piece are kept: those of a rail, in the key that is shown. */
const KEPT_STAGES = 20;

const stagedVersionsOf = memoOf((_: OpenedPiece) => memo<Result<Moved, Fault>>(KEPT_STAGES));
const stagedPiecesOf = memoOf((_: OpenedPiece) => memo<OpenedPiece>(KEPT_STAGES));

/** A piece that was moved, in one of its stages. A stage that it has not in this key is the whole piece. */
function inStage(whole: Moved, options: MoveOptions, stage: StageSource, name: string): Result<Moved, Fault> {
  return stagedVersionsOf(whole.piece).get(name, () => {
    const transformations = transformationsOf(whole.piece, whole.after, stage);
    const decisions = { ...options.decisions, fingers: stage.fingers };
    return transformations.length === 0
      ? ok(whole)
      : stageVersions(whole.piece, whole, transformations, { ...options, decisions });
  });
}

/** A stage of a piece where it stands, as a piece of its own: what its keys are asked of. */
function stagedPiece(piece: OpenedPiece, stage: StageSource): OpenedPiece {
  return stagedPiecesOf(piece).get(JSON.stringify(stage), () => {
    const own = asWritten(piece);
    const transformations = transformationsOf(piece, own, stage);
    return transformations.length === 0 ? piece : stagePiece(piece, own, transformations, 'bar');
  });
}

function transformationsOf(piece: OpenedPiece, version: Version, { id, own }: StageSource): readonly Transformation[] {
  if (own) return ownStage(subjectOf(piece, version), own).stage.transformations;
  return stageNamed(piece, version, id)?.transformations ?? [];
}

/** What came out well, changed; a fault stays as it is. */
export function mapped<T, U>(result: Result<T, Fault>, change: (value: T) => U): Result<U, Fault> {
  return result.ok ? ok(change(result.value)) : result;
}
