import type { Player } from '../fingering';
import { asWritten, type OpenedPiece } from '../piece';
import { fitPiece } from '../survey';
import { stageId, type Stage } from './stage';
import { stagePiece } from './staged-versions';

/** How a stage lies in a key: `limits` counts what the hand cannot do at its level and reach. */
export interface StageInKey {
  readonly key: string;
  readonly limits: number;
}

/** How a stage lies in all keys of the piece's mode. */
export interface StageRow {
  readonly id: string;
  /** Whether a key must be known for it: on the closed lid none is. */
  readonly needsKey: boolean;
  readonly keys: readonly StageInKey[];
}

/** How one stage lies in all keys for a player. The stage is that of the piece where it stands. */
export function stageRow(piece: OpenedPiece, stage: Stage, player: Player): StageRow {
  const { name, transformations, difficulties } = stage;
  const own = asWritten(piece, player);
  const staged = stagePiece(piece, own, transformations, 'bar');
  const { keys } = fitPiece(staged, stageId(name), player);
  return {
    id: stageId(name),
    needsKey: difficulties.includes('keys'),
    keys: keys.map(({ key, limits }) => ({ key, limits })),
  };
}
