import { refuse, sendFile } from '@/api/answers';
import { withSentPiece } from '@/api/handle';
import { stageFile, stagesAnswer } from '@/api/stages';

/** Tells which stages a piece has; with `stage` it sends one of them, as a file. */
export async function POST(request: Request): Promise<Response> {
  return withSentPiece(request, (sent) => {
    const { stage } = sent.query;
    if (stage !== null) {
      const file = stageFile(sent, stage);
      return file.ok ? sendFile(file.value) : refuse(file.error, sent.says);
    }
    const stages = stagesAnswer(sent);
    return stages.ok ? Response.json(stages.value) : refuse(stages.error, sent.says);
  });
}
