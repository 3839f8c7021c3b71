// Forty good callers beside some with ill will: node siege.mjs ADDRESS KIND SECONDS PID. Prints what they saw as JSON.
// Each good caller asks for a report of a small piece every four seconds, on an average.
// KIND: greedy (two who send long ABC without a pause), dripping (three hundred who send a letter now and then, fifty of them half a header), large (thirty
// bodies of 9 MB, over and over). Each caller has an address of its own (127.0.0.0/8), the besiegers one for all of a kind.
import { existsSync, readFileSync } from 'node:fs';
import http from 'node:http';
import net from 'node:net';
import { Worker } from 'node:worker_threads';
import { quantile } from '../bench/figures.mjs';
import { seeded } from '../lib/seeded.mjs';

const [address, kind, seconds, pid] = process.argv.slice(2);
const { hostname, port } = new URL(address);
const GOOD = 40;
const BESIEGER = '127.0.0.2';
let endAt = Infinity;
const isOver = () => performance.now() > endAt;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const piece = readFileSync(new URL('../../public/demo/lantern-walk.musicxml', import.meta.url));
const bar = ['CDEF', 'GABc', 'cBAG', 'FE D2', '"C"C2 [EG]2', 'z2 A/B/c/d/', '(3CDE F2', '^F2 G2'];
const longAbc =
  `X:1\nT:a\nM:4/4\nL:1/4\nK:C\n${Array.from({ length: 2400 }, (_, i) => bar[i % 8] + (i % 4 === 3 ? '|\n' : '|')).join('')}`.slice(
    0,
    18_000,
  );
const large = Buffer.concat([Buffer.from('<score-partwise>'), Buffer.alloc(9 * 1024 * 1024, ' ')]);

/** Sends something from an address; gives the status, or what became of the line instead. */
function send(from, path, body) {
  return new Promise((resolve) => {
    const request = http.request(
      {
        hostname,
        port,
        path: `/api/${path}`,
        method: 'POST',
        localAddress: from,
        agent: false,
        headers: { 'content-length': body.length },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode));
        response.on('error', (error) => resolve(error.code ?? 'broken'));
      },
    );
    request.on('error', (error) => resolve(error.code ?? 'broken'));
    request.end(body);
  });
}

const good = { asked: 0, intime: 0, times: [], statuses: {} };
async function caller(number) {
  const random = seeded(number + 1);
  while (!isOver()) {
    await wait(random() * 8000);
    const start = performance.now();
    const status = await send(`127.0.1.${number + 1}`, `report?to=${['D', 'Eb', 'G', 'A'][number % 4]}`, piece);
    const ms = performance.now() - start;
    good.asked += 1;
    good.statuses[status] = (good.statuses[status] ?? 0) + 1;
    good.times.push(ms);
    if (status === 200 && ms <= 2000) good.intime += 1;
  }
}

const seen = {};
const count = (what) => (seen[what] = (seen[what] ?? 0) + 1);
const sockets = new Set();

async function greedy() {
  while (!isOver()) count(await send(BESIEGER, 'transpose?to=D', Buffer.from(longAbc)));
}

/** Opens a line, sends a letter of something now and then, and tells when the server ends it. */
function drip(beginning) {
  return new Promise((resolve) => {
    const socket = net.connect({ host: hostname, port: Number(port), localAddress: BESIEGER });
    const start = performance.now();
    sockets.add(socket);
    socket.on('error', () => undefined);
    socket.on('data', () => undefined);
    socket.on('close', () => {
      sockets.delete(socket);
      clearInterval(dripping);
      resolve(Math.round(performance.now() - start));
    });
    socket.write(beginning);
    const dripping = setInterval(() => socket.writable && socket.write('a'), 500);
  });
}
const longest = { body: 0, head: 0 };
async function dripping(number) {
  const isHead = number % 6 === 0;
  const beginning = isHead
    ? 'POST /api/report?to=D HTTP/1.1\r\nHost: localhost\r\nX-Half: '
    : 'POST /api/report?to=D HTTP/1.1\r\nHost: localhost\r\nContent-Length: 50000\r\n\r\n<score';
  await wait(number * 2);
  while (!isOver()) {
    const ms = await drip(beginning);
    count(isHead ? 'half heads cut off' : 'drips cut off');
    longest[isHead ? 'head' : 'body'] = Math.max(longest[isHead ? 'head' : 'body'], ms);
  }
}

async function largeOnes() {
  while (!isOver())
    for (const status of await Promise.all(Array.from({ length: 30 }, () => send(BESIEGER, 'report?to=D', large))))
      count(status);
}

const memoryMb = () => {
  const place = `/proc/${pid}/status`;
  return existsSync(place)
    ? Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(place, 'utf8'))?.[1] ?? 0) / 1024)
    : null;
};
// A server that is in use has its threads at work already.
for (let i = 0; i < 4; i += 1)
  await Promise.all(['D', 'G', 'A'].map((key) => send('127.0.0.1', `report?to=${key}`, piece)));
endAt = performance.now() + Number(seconds) * 1000;

const memory = [];
const looking = setInterval(() => memory.push(memoryMb()), 250);
const health = new Worker(new URL('./health.mjs', import.meta.url), { workerData: { address } });

const besiegers = {
  greedy: () => [greedy(), greedy()],
  dripping: () => Array.from({ length: 300 }, (_, i) => dripping(i)),
  large: () => [largeOnes()],
  nobody: () => [],
}[kind]();
const callers = Array.from({ length: GOOD }, (_, i) => caller(i));
await Promise.all(callers);
// Those who drip are not waited for: the siege is over.
sockets.forEach((socket) => socket.destroy());
await Promise.race([Promise.all(besiegers), wait(15_000)]);
clearInterval(looking);
const times = await new Promise((resolve) => {
  health.once('message', resolve);
  health.postMessage('end');
});
const answered = times.filter((ms) => ms !== null);
console.log(
  JSON.stringify({
    kind,
    good: {
      asked: good.asked,
      inTime: good.intime,
      statuses: good.statuses,
      p95Ms: Math.round(quantile(good.times, 0.95)),
    },
    besiegers: seen,
    longest,
    memoryMb: Math.max(...memory),
    health: {
      asked: times.length,
      unanswered: times.length - answered.length,
      p99Ms: Math.round(quantile(answered, 0.99)),
    },
  }),
);
process.exit(0);
