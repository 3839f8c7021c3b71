import { err, ok, type Fault, type Result } from '@/core/base';
import type { Language } from '@/core/explain';
import { moveTo, saveAs, type SavedFile, type Version } from '@/core/piece';
import { keyText } from '@/core/pitch';
import type { Hand } from '@/core/score';
import { stageId, stageNamed, stagesOf, stageVersions, type Stage } from '@/core/stages';
import { movedOrStaying, type SentPiece } from './handle';

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
  const found = plannedVersion(sent);
  if (!found.ok) return found;
  const { piece, says } = sent;
  const version = found.value;
  const { proposed, others } = stagesOf(piece, version);
  const answer = (stage: Stage): StageAnswer => stageAnswer(says.inKey(version.key), stage, version);
  return ok({
    piece: { title: piece.score.title, bars: piece.part.measures.length, hands: piece.hands },
    to: keyText(version.key),
    stages: proposed.map(answer),
    others: others.map(answer),
  });
}

function stageAnswer(says: Language, stage: Stage, { score }: Version): StageAnswer {
  const measures = score.parts[0]?.measures ?? [];
  return {
    id: stageId(stage.name),
    title: says.stageTitle(stage),
    why: says.stageWhy(stage.why),
    bars: stage.bars && stage.bars.map((bar) => measures[bar]?.number ?? ''),
    hands: stage.hands,
  };
}

/** One stage of a piece as a file. Errors: `query.value` where the piece has no such stage, and those of moving. */
export function stageFile(sent: SentPiece, id: string): Result<SavedFile, Fault> {
  const moved = movedOrStaying(sent);
  if (!moved.ok) return moved;
  const planned = plannedVersion(sent);
  if (!planned.ok) return planned;
  const { piece, query } = sent;
  const stage = stageNamed(piece, planned.value, id);
  if (!stage) return err({ code: 'query.value', name: 'stage', value: id, allowed: allowedIn(sent, planned.value) });
  const staged = stageVersions(piece, moved.value, stage.transformations, query.options);
  if (!staged.ok) return staged;
  return ok(saveAs(staged.value.piece, staged.value.after, query.format, { stage: id }));
}

function allowedIn({ piece }: SentPiece, version: Version): string {
  const { proposed, others } = stagesOf(piece, version);
  const all = [...proposed, ...others];
  return `a stage that this piece has: ${all.map(({ name }) => stageId(name)).join(', ')}`;
}

/** The piece in its key with its hands planned: stages are found by where the hands move, also where the file is wanted without fingers. */
function plannedVersion(sent: SentPiece): Result<Version, Fault> {
  const moved = movedOrStaying(sent);
  if (!moved.ok || sent.query.options.fingering !== 'none') return moved.ok ? ok(moved.value.after) : moved;
  const { before, after } = moved.value;
  return moveTo(sent.piece, before, { ...sent.query.options, fingering: 'plan', to: after.key });
}
