import { refuse } from '@/api/answers';
import { movedPiece, withSentPiece } from '@/api/handle';
import { reportOf } from '@/api/report';

/** Tells what moving the piece does: notes, positions, flags. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, (sent) => {
    const moved = movedPiece(sent);
    return moved.ok ? Response.json(reportOf(sent.says, sent.piece, moved.value)) : refuse(moved.error, sent.says);
  });
}
