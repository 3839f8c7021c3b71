import { freePort, serve } from '../lib/server.mjs';
import { besieged, SIEGES, underLoad } from '../load/load.mjs';

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

const SIEGE_SECONDS = 20;

/** Forty good callers beside greedy, dripping and large ones, each siege at a server that has done nothing before. */
export async function measureSieges() {
  const rows = [];
  for (const kind of SIEGES) {
    const served = await serve(await freePort());
    const { good, memoryMb, health } = await besieged(served, kind, SIEGE_SECONDS);
    served.stop();
    rows.push(
      [`${kind}: good ones answered within 2 s (held to 95 %)`, `${((100 * good.inTime) / good.asked).toFixed(1)} %`],
      [`${kind}: 95th percentile of the good ones`, `${good.p95Ms} ms`],
      [`${kind}: most memory (held to 600 MB)`, `${memoryMb} MB`],
      [`${kind}: health, 99th percentile (held to 300 ms)`, `${health.p99Ms} ms`],
    );
  }
  return rows;
}
