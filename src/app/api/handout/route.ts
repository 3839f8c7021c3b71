import { refuse, sendFile } from '@/api/answers';
import { handoutFile } from '@/api/handout';
import { withSentPiece } from '@/api/handle';

/** Sends a piece as sheets to be printed. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, async (sent) => {
    const file = await handoutFile(sent);
    return file.ok ? sendFile(file.value) : refuse(file.error, sent.says);
  });
}
