// Serves the build to all browser tests, on a port of its own.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureChromium } from '../../../scripts/lib/chromium.mjs';
import { freePort, serve } from '../../../scripts/lib/server.mjs';

export default async function setUp() {
  ensureChromium();
  const served = await serve(await freePort());
  globalThis.newThumbServer = served;
  process.env.NEW_THUMB_TRESPASSES = join(mkdtempSync(join(tmpdir(), 'new-thumb-trespasses-')), 'list');
  process.env.NEW_THUMB_ADDRESS = served.address;
}
