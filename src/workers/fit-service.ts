import { faultWords } from '@/core/explain';
import { fitPiece, openPiece } from '@/core/job';
import type { Player } from '@/core/finger';
import type { PieceFit } from '@/core/survey';
import { pieceSourceSchema, playerSchema, type Answer, type PieceSource } from './protocol';

/** What a worker of the pool does: one piece in all keys of its mode, for one hand. */
export interface FitService {
  fit(id: string, source: PieceSource, player: Player): Answer<PieceFit>;
}

/** The same without a worker around it. Nothing is kept between pieces but what the planner keeps of hands that are alike. */
export function createFitService(): FitService {
  return {
    fit: (id, source, player) => {
      const { musicXml, ownKey, part } = pieceSourceSchema.validateSync(source, { strict: true });
      const hand = playerSchema.validateSync(player, { strict: true });
      const piece = openPiece(new TextEncoder().encode(musicXml), { format: null, key: ownKey, part });
      if (piece.ok) return { ok: true, value: fitPiece(piece.value, id, hand) };
      return { ok: false, trouble: { code: piece.error.code, ...faultWords(piece.error), line: 'at' in piece.error ? piece.error.at.line : null } };
    },
  };
}
