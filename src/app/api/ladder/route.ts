import { withSentPiece } from '@/api/handle';
import { ladderOf } from '@/core/job';

/** Tells how the piece lies in all fifteen keys of its mode. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, ({ piece, query }) => Response.json(ladderOf(piece, query.wish, query.order)));
}
