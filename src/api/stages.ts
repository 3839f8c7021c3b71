import { ok, type Fault, type Result } from '@/core/base';
import { shortened, type Language } from '@/core/explain';
import { saveAs, type OpenedPiece, type SavedFile } from '@/core/piece';
import { keyText } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { stageId, stagesOf, type Stage } from '@/core/stages';
import { movedOrStaying, type SentPiece } from './sent';
import { plannedVersion, stagedVersions } from './wanted';

/** What the scripting interface promises to send for `stages`: what makes sense for the piece, in the proposed order. */
export interface StagesAnswer {
  readonly piece: { readonly title: string; readonly bars: number; readonly hands: readonly Hand[] };
  /** As `Bb-major`. */
  readonly to: string;
  readonly stages: readonly StageAnswer[];
  /** What the piece could have beside them. */
  readonly others: readonly StageAnswer[];
}

export interface StageAnswer {
  readonly id: string;
  readonly title: string;
  readonly why: string;
  readonly bars: readonly string[] | null;
  readonly hands: readonly Hand[];
}

/** The stages of a piece that was sent, in the wanted key or in its own. Errors: those of moving. */
export function stagesAnswer(sent: SentPiece): Result<StagesAnswer, Fault> {
  const moved = movedOrStaying(sent);
  if (!moved.ok) return moved;
  const planned = plannedVersion(sent, moved.value);
  if (!planned.ok) return planned;
  const { piece, says } = sent;
  const { key } = planned.value;
  const { proposed, others } = stagesOf(piece, planned.value);
  const answer = (stage: Stage): StageAnswer => stageAnswer(says.inKey(key), stage, piece);
  return ok({
    piece: { title: shortened(piece.score.title), bars: piece.part.measures.length, hands: piece.hands },
    to: keyText(key),
    stages: proposed.map(answer),
    others: others.map(answer),
  });
}

function stageAnswer(says: Language, stage: Stage, { part }: OpenedPiece): StageAnswer {
  return {
    id: stageId(stage.name),
    title: says.stageTitle(stage),
    why: says.stageWhy(stage.why),
    bars: stage.bars && stage.bars.map((bar) => part.measures[bar]?.number ?? ''),
    hands: stage.hands,
  };
}

/** One stage of a piece as a file. Errors: `query.value` where the piece has no such stage, and those of moving. */
export function stageFile(sent: SentPiece, id: string): Result<SavedFile, Fault> {
  const staged = stagedVersions(sent, id);
  if (!staged.ok) return staged;
  return ok(saveAs(staged.value.piece, staged.value.after, sent.query.format, { stage: id }));
}
