// Measures speed on this machine, in one run: figures are milliseconds, and ratios where machines would differ.
import './lib/typescript.mjs';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ROOT } from './lib/run.mjs';
import { freePort, serve } from './lib/server.mjs';
import { measureCore } from './bench/core.mjs';
import { measureKeyPress } from './bench/key-press.mjs';

const piece = readFileSync(join(ROOT, 'public/demo/lantern-walk.musicxml'));

console.log('Core, Lantern Walk (8 bars, two hands), median of 40 runs in Node:');
for (const [what, figure] of await measureCore(piece)) console.log(`  ${what.padEnd(62)}${figure}`);

ensureBuilt();
ensureChromium();
const { address, stop } = await serve(await freePort());
console.log('\nBench in Chromium, from the key press to the engraved page, 28 presses of “]”:');
for (const [what, figure] of await measureKeyPress(address)) console.log(`  ${what.padEnd(62)}${figure}`);
stop();
