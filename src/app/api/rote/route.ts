import { refuse } from '@/api/answers';
import { withSentPiece } from '@/api/handle';
import { roteAnswer } from '@/api/rote';

/** Tells a piece in words and finger numbers. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, (sent) => {
    const words = roteAnswer(sent);
    if (!words.ok) return refuse(words.error, sent.says);
    return new Response(words.value, { headers: { 'Content-Type': 'text/plain; charset=utf-8' } });
  });
}
