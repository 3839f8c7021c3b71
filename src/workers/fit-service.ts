import { fitPiece, type PieceFit } from '@/core/survey';
import { openPiece } from '@/core/piece';
import { USUAL_LANGUAGE } from '@/core/explain';
import { forgetAll } from '@/core/base';
import type { Player } from '@/core/fingering';
import { string } from 'yup';
import { guarded, type Asked } from './guarded';
import type { Answer, PieceSource } from './protocol';
import { pieceSourceSchema, playerSchema } from './protocol-schemas';
import { answer } from './trouble';

/** What a worker of the pool does: one piece in all keys of its mode, for one hand. */
export interface FitService {
  fit(id: string, source: PieceSource, player: Player): Answer<PieceFit>;
}

/** The same without a worker around it. Nothing is kept between pieces but what the planner keeps of hands that are alike; once another hand is asked for,
 * that of the one before is dropped. */
export function createFitService(): Asked<FitService> {
  let askedFor = '';
  return guarded<FitService>({
    fit: (id, source, player) => {
      const name = string().required().validateSync(id, { strict: true });
      const { musicXml, ownKey, part } = pieceSourceSchema.validateSync(source, { strict: true });
      const hand = playerSchema.validateSync(player, { strict: true });
      if (askedFor !== JSON.stringify(hand)) forgetAll();
      askedFor = JSON.stringify(hand);
      const piece = openPiece(new TextEncoder().encode(musicXml), { format: null, key: ownKey, part });
      return answer(USUAL_LANGUAGE, piece.ok ? { ok: true, value: fitPiece(piece.value, name, hand) } : piece);
    },
  });
}
