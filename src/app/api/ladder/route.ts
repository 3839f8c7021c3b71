import { withSentPiece } from '@/api/handle';
import { ladderOf } from '@/core/job';

/** Tells how the piece lies in all fifteen keys of its mode, or of the one that is asked for. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, ({ piece, query }) => Response.json(ladderOf(piece, query.wish, query.order, query.mode ?? undefined)));
}
