import { refuse } from '@/api/answers';
import { withSentPerformance } from '@/api/handle';
import { judgeAnswer } from '@/api/judge';

/** Tells what was right and wrong in a performance of the piece that was sent with it. */
export async function POST(request: Request): Promise<Response> {
  return withSentPerformance(request, (sent, played) => {
    const judged = judgeAnswer(sent, played, new URL(request.url).searchParams);
    return judged.ok ? Response.json(judged.value) : refuse(judged.error, sent.says);
  });
}
