import { refuse, sendFile } from '@/api/answers';
import { movedPiece, withSentPiece } from '@/api/handle';
import { saveAs } from '@/core/piece';

/** Sends the piece in another key, as a file. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, (sent) => {
    const moved = movedPiece(sent);
    if (!moved.ok) return refuse(moved.error, sent.says);
    return sendFile(saveAs(sent.piece, moved.value.after, sent.query.format));
  });
}
