import { withSentPiece } from '@/api/handle';
import { ladderAnswer } from '@/api/ladder';

/** Tells how the piece lies in all fifteen keys of its mode, or of the one that is asked for. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, ({ piece, query }) =>
    Response.json(ladderAnswer(piece, query.options, query.order, query.mode ?? undefined)),
  );
}
