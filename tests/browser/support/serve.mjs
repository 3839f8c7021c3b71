// Serves the build to all browser tests, on a port of its own. Where all of them run, two hundred callers ask a server for some seconds first. It is not the one that the tests
// have: they need the room that such a rush takes.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureChromium } from '../../../scripts/lib/chromium.mjs';
import { freePort, serve } from '../../../scripts/lib/server.mjs';
import { underLoad } from '../../../scripts/load/load.mjs';

const LOAD_SECONDS = 8;

export default async function setUp({ testPathPatterns }) {
  ensureChromium();
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-browser-tests-'));
  process.env.NEW_THUMB_TRESPASSES = join(folder, 'trespasses');
  const { patterns } = testPathPatterns;
  if (patterns.length === 0 || patterns.some((pattern) => pattern.includes('load'))) {
    const rushed = await serve(await freePort());
    process.env.NEW_THUMB_LOAD = join(folder, 'load');
    writeFileSync(process.env.NEW_THUMB_LOAD, JSON.stringify(await underLoad(rushed, LOAD_SECONDS)));
    rushed.stop();
  }
  const served = await serve(await freePort());
  globalThis.newThumbServer = served;
  process.env.NEW_THUMB_ADDRESS = served.address;
}
