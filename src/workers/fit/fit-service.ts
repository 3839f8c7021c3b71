import { fitPiece, type PieceFit } from '@/core/survey';
import { openPiece } from '@/core/piece';
import { USUAL_LANGUAGE } from '@/core/explain';
import { forgetAll } from '@/core/base';
import type { Player } from '@/core/fingering';
import type { Checks } from '@/contract/checks';
import { pieceSourceSchema, playerSchema } from '@/contract/core-schemas';
import { string } from 'yup';
import { guarded, type Asked } from '@/crossing/guarded';
import type { PieceSource } from '@/contract/piece-asked';
import type { Answer } from '@/contract/answer';
import { answer } from '@/crossing/trouble';

/** What a worker of the pool does: one piece in all keys of its mode, for one hand. */
export interface FitService {
  fit(id: string, source: PieceSource, player: Player): Answer<PieceFit>;
}

const FIT_CHECKS: Checks<FitService> = { fit: [string().required(), pieceSourceSchema, playerSchema] };

/** The same without a worker around it. Nothing is kept between pieces but what the planner keeps of hands that are alike; once another hand is asked for,
 * that of the one before is dropped. */
export function createFitService(): Asked<FitService> {
  let askedFor = '';
  const service: FitService = {
    fit: (id, { musicXml, ownKey, part }, player) => {
      if (askedFor !== JSON.stringify(player)) forgetAll();
      askedFor = JSON.stringify(player);
      const piece = openPiece(new TextEncoder().encode(musicXml), { format: null, key: ownKey, part });
      return answer(USUAL_LANGUAGE, piece.ok ? { ok: true, value: fitPiece(piece.value, id, player) } : piece);
    },
  };
  return guarded(service, FIT_CHECKS);
}
