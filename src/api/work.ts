import { saveAs } from '@/core/piece';
import { refuse, sendFile } from './answers';
import { handoutFile } from './handout';
import type { Answered, Job, JobName } from './job';
import { judgeAnswer } from './judge';
import { ladderAnswer } from './ladder';
import { reportOf } from './report';
import { roteAnswer } from './rote';
import { movedPiece, withSentPerformance, withSentPiece } from './sent';
import { stageFile, stagesAnswer } from './stages';

/** What is done for each name of the interface. */
const WORK: { readonly [Name in JobName]: (job: Job) => Response | Promise<Response> } = {
  transpose: (job) =>
    withSentPiece(job, (sent) => {
      const moved = movedPiece(sent);
      if (!moved.ok) return refuse(moved.error, sent.says);
      return sendFile(saveAs(sent.piece, moved.value.after, sent.query.format));
    }),

  report: (job) =>
    withSentPiece(job, (sent) => {
      const moved = movedPiece(sent);
      return moved.ok ? Response.json(reportOf(sent.says, sent.piece, moved.value)) : refuse(moved.error, sent.says);
    }),

  ladder: (job) =>
    withSentPiece(job, ({ piece, query, says }) =>
      Response.json(ladderAnswer(says, piece, query.options, { order: query.order, mode: query.mode ?? undefined })),
    ),

  stages: (job) =>
    withSentPiece(job, (sent) => {
      const { stage } = sent.query;
      if (stage !== null) {
        const file = stageFile(sent, stage);
        return file.ok ? sendFile(file.value) : refuse(file.error, sent.says);
      }
      const stages = stagesAnswer(sent);
      return stages.ok ? Response.json(stages.value) : refuse(stages.error, sent.says);
    }),

  rote: (job) =>
    withSentPiece(job, (sent) => {
      const words = roteAnswer(sent);
      if (!words.ok) return refuse(words.error, sent.says);
      return new Response(words.value, { headers: { 'Content-Type': 'text/plain; charset=utf-8' } });
    }),

  handout: (job) =>
    withSentPiece(job, async (sent) => {
      const file = await handoutFile(sent);
      return file.ok ? sendFile(file.value) : refuse(file.error, sent.says);
    }),

  judge: (job) =>
    withSentPerformance(job, (sent, played) => {
      const judged = judgeAnswer(sent, played, new URLSearchParams(job.search));
      return judged.ok ? Response.json(judged.value) : refuse(judged.error, sent.says);
    }),
};

/** Does what a request asks for, wherever it runs: the same job gets the same answer. */
export async function answerJob(job: Job): Promise<Answered> {
  const response = await WORK[job.name](job);
  return {
    status: response.status,
    headers: [...response.headers],
    body: new Uint8Array(await response.arrayBuffer()),
  };
}
