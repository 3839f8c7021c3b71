import { underLoad } from '../load/load.mjs';

const SECONDS = 60;

/** A minute with two hundred callers, a tenth of them with ill will, after some seconds of warming up. */
export async function measureLoad(served) {
  await underLoad(served, 10);
  const { answers, refusedBusy, wrong, tookS, p50Ms, p99Ms, memoryMb, health } = await underLoad(served, SECONDS);
  const [first, last] = [memoryMb[Math.floor(memoryMb.length / 3)], memoryMb.at(-1)];
  return [
    ['right answers', String(answers)],
    ['wrong answers (held to 0)', String(wrong.length)],
    ['right answers a second', (answers / tookS).toFixed(0)],
    ['refused, with a time to come again', String(refusedBusy)],
    ['an answer, waiting its turn: median', `${p50Ms} ms`],
    ['99th percentile', `${p99Ms} ms`],
    ['health: longest (held to 100 ms)', `${health.longestMs} ms`],
    ['health: 99th percentile', `${health.p99Ms} ms`],
    ['health: not answered (held to 0)', String(health.unanswered)],
    ['memory of the server after a third of the time', `${first} MB`],
    ['memory at the end', `${last} MB`],
  ];
}
