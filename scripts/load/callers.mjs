// Two hundred callers at once against a server, in a process of their own: node callers.mjs ADDRESS SECONDS PID. Prints what they saw as JSON.
import { existsSync, readFileSync } from 'node:fs';
import http from 'node:http';
import { Worker } from 'node:worker_threads';
import { quantile } from '../bench/figures.mjs';
import { seeded } from '../lib/seeded.mjs';
import { good, hostile, printOf } from './questions.mjs';

const CALLERS = 200;
const HOSTILE_SHARE = 0.1;
const COMING_MS = 4000;
const [address, seconds, pid] = process.argv.slice(2);
const endAt = () => begun + Number(seconds) * 1000;
let begun = 0;

const seen = { answers: 0, refusedBusy: 0, hostile: 0, slowCutOff: 0, left: 0, wrong: [], times: [], memoryMb: [] };

/** Remembers the first few wrong answers in words. */
function wrong(question, what) {
  if (seen.wrong.length < 10) seen.wrong.push(`${question.name}${question.search}: ${what}`);
}

const totals = new Map([good, hostile].map((all) => [all, all.reduce((sum, { weight }) => sum + weight, 0)]));

function drawn(all, random) {
  let at = random() * totals.get(all);
  return all.find(({ weight }) => (at -= weight) < 0) ?? all[0];
}

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Sends a question and compares the answer; where there is too much at once, comes again when it is told to. */
async function ask(question) {
  for (;;) {
    const start = performance.now();
    let response;
    try {
      response = await fetch(`${address}/api/${question.name}${question.search}`, {
        method: 'POST',
        body: question.body,
        headers: { 'content-type': question.type },
      });
    } catch (error) {
      // A server that refuses what is too large need not read all of it: the line may be cut while it is sent.
      if (question.status === 413) return 'hostile';
      wrong(question, `no answer (${error.cause?.code ?? error.message})`);
      return 'none';
    }
    const body = await response.arrayBuffer();
    if (response.status === 503) {
      const after = Number(response.headers.get('retry-after'));
      if (!(after > 0)) wrong(question, 'refused without a time to come again');
      seen.refusedBusy += 1;
      if (performance.timeOrigin + performance.now() > endAt()) return 'none';
      await wait(after * 1000);
      continue;
    }
    if (response.status !== question.status) wrong(question, `status ${response.status}, not ${question.status}`);
    else if (question.print !== undefined && printOf(response.status, response.headers, body) !== question.print)
      wrong(question, 'another answer than the right one');
    if (question.status === 200) seen.times.push(performance.now() - start);
    return question.status === 200 ? 'answered' : 'hostile';
  }
}

/** Begins to send and stops half-way, without hanging up: the server must. */
function drip() {
  return new Promise((resolve) => {
    const sending = http.request(`${address}/api/report?to=D`, { method: 'POST', headers: { 'content-length': 5000 } });
    const cut = () => {
      sending.destroy();
      resolve();
    };
    sending.on('response', (response) => {
      if (response.statusCode !== 408 && response.statusCode !== 503)
        wrong({ name: 'drip', search: '' }, `status ${response.statusCode}`);
      seen.slowCutOff += 1;
      cut();
    });
    sending.on('error', cut);
    sending.write('<score-partwise>');
  });
}

/** Sends a whole piece and hangs up before the answer is there. */
async function leave(question) {
  await fetch(`${address}/api/${question.name}${question.search}`, {
    method: 'POST',
    body: question.body,
    headers: { 'content-type': question.type },
    signal: AbortSignal.timeout(15),
  }).catch(() => undefined);
  seen.left += 1;
}

async function caller(number) {
  const random = seeded(number + 1);
  // They come one after the other, not in one instant.
  await wait((number / CALLERS) * COMING_MS);
  while (performance.timeOrigin + performance.now() < endAt()) {
    if (random() >= HOSTILE_SHARE) {
      if ((await ask(drawn(good, random))) === 'answered') seen.answers += 1;
      continue;
    }
    const kind = random();
    if (kind < 0.1) await drip();
    else if (kind < 0.2) await leave(drawn(good, random));
    else if ((await ask(drawn(hostile, random))) === 'hostile') seen.hostile += 1;
  }
}

/** How much memory the server holds; null where the system does not say. Unit: MB. */
function memoryMb() {
  const place = `/proc/${pid}/status`;
  if (!existsSync(place)) return null;
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(place, 'utf8'))?.[1] ?? 0) / 1024);
}

const health = new Worker(new URL('./health.mjs', import.meta.url), { workerData: { address } });
begun = performance.timeOrigin + performance.now();
const looking = setInterval(() => seen.memoryMb.push(memoryMb()), 1000);
await Promise.all(Array.from({ length: CALLERS }, (_, i) => caller(i)));
clearInterval(looking);
const healthTimes = await new Promise((resolve) => {
  health.once('message', resolve);
  health.postMessage('end');
});
const { times, ...rest } = seen;
console.log(
  JSON.stringify({
    ...rest,
    tookS: Math.round((performance.timeOrigin + performance.now() - begun) / 1000),
    p50Ms: Math.round(quantile(times, 0.5)),
    p99Ms: Math.round(quantile(times, 0.99)),
    health: {
      asked: healthTimes.length,
      unanswered: healthTimes.filter((ms) => ms === null).length,
      p50Ms: Math.round(
        quantile(
          healthTimes.filter((ms) => ms !== null),
          0.5,
        ),
      ),
      p99Ms: Math.round(
        quantile(
          healthTimes.filter((ms) => ms !== null),
          0.99,
        ),
      ),
      longestMs: Math.round(Math.max(...healthTimes)),
    },
  }),
);
process.exit(0);
