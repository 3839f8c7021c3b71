// Serves the build to all browser tests, on a port of its own. Where all of them run, two hundred callers ask a server for some seconds first, and then it is besieged in three
// ways: servers of their own, since the tests need the room that such a rush takes.
import { once } from 'node:events';
import { request } from 'node:http';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureChromium } from '../../../scripts/lib/chromium.mjs';
import { freePort, serve } from '../../../scripts/lib/server.mjs';
import { besieged, SIEGES, underLoad } from '../../../scripts/load/load.mjs';

const LOAD_SECONDS = 6;
/** Who drips is cut off after ten seconds; what the others do shows sooner. */
const SIEGE_SECONDS = { greedy: 6, dripping: 12, large: 6 };

/** Does something to a server that has done nothing before, and ends it. */
async function atServer(work) {
  const served = await serve(await freePort());
  try {
    return await work(served);
  } finally {
    served.stop();
  }
}

/** How often a siege is tried at most: what else the machine has to do meanwhile makes it slower, and never quicker. */
const TRIES = 3;

function isHeldOut({ good, health }) {
  return good.inTime >= 0.95 * good.asked && health.unanswered === 0 && health.p99Ms <= 300;
}

/** What was seen of a server that was besieged: of the first time that it held out, else of the last. */
async function siege(kind) {
  for (let tried = 1; ; tried += 1) {
    const seen = await atServer((server) => besieged(server, kind, SIEGE_SECONDS[kind]));
    if (tried === TRIES || isHeldOut(seen)) return seen;
  }
}

/** A server that is told to end while it owes somebody an answer: what became of the answer, and whether its port is free and its process gone. */
async function ended() {
  const port = await freePort();
  const { address, server, stop } = await serve(port);
  const gone = new Promise((resolve) => server.once('exit', resolve));
  const body = readFileSync(join(import.meta.dirname, '../../../public/demo/lantern-walk.musicxml'));
  const asking = request(`${address}/api/transpose?to=D`, { method: 'POST', headers: { expect: '100-continue' } });
  const answered = once(asking, 'response');
  asking.flushHeaders();
  // It asks for the piece: from now on it owes an answer.
  await once(asking, 'continue');
  stop();
  asking.end(body);
  const [response] = await answered;
  const { statusCode: status } = response.resume();
  await gone;
  return { status, isFree: (await freePort(port)) === port };
}

export default async function setUp({ testPathPatterns }) {
  ensureChromium();
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-browser-tests-'));
  process.env.NEW_THUMB_TRESPASSES = join(folder, 'trespasses');
  const { patterns } = testPathPatterns;
  if (patterns.length === 0 || patterns.some((pattern) => pattern.includes('load'))) {
    process.env.NEW_THUMB_LOAD = join(folder, 'load');
    const load = await atServer((server) => underLoad(server, LOAD_SECONDS));
    const sieges = [];
    for (const kind of SIEGES) sieges.push(await siege(kind));
    writeFileSync(process.env.NEW_THUMB_LOAD, JSON.stringify({ ...load, sieges, ended: await ended() }));
  }
  const served = await serve(await freePort());
  globalThis.newThumbServer = served;
  process.env.NEW_THUMB_ADDRESS = served.address;
}
