import { withSentPiece } from '@/api/handle';
import { ladderAnswer } from '@/api/ladder';

/** Tells how the piece lies in all fifteen keys of its mode, or of the one that is asked for. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, ({ piece, query, says }) =>
    Response.json(ladderAnswer(says, piece, query.options, { order: query.order, mode: query.mode ?? undefined })),
  );
}
