// Measures speed on this machine, in one run: figures are milliseconds, and ratios where machines would differ. `npm run bench -- against REVISION`
// measures planning alone, here and at a revision.
import './lib/typescript.mjs';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ROOT } from './lib/run.mjs';
import { freePort, serve } from './lib/server.mjs';
import { measureAgainst } from './bench/against.mjs';
import { measureCore, plainLoadMs } from './bench/core.mjs';
import { measureFingerings, measureFlags, measureSpeed } from './bench/hands.mjs';
import { measureAnswering } from './bench/answering.mjs';
import { countPresses, measureEntering } from './bench/entering.mjs';
import { measureJudging } from './bench/judging.mjs';
import { measureKeyPress } from './bench/key-press.mjs';
import { measureKeys } from './bench/keys.mjs';
import { measureLargeStudio } from './bench/large-studio.mjs';
import { measureLongAndOdd } from './bench/long-and-odd.mjs';
import { measurePrinting } from './bench/printing.mjs';
import { measureShelf } from './bench/shelf.mjs';
import { measureSounding } from './bench/sounding.mjs';
import { measureSpelling } from './bench/spelling.mjs';
import { measureStages, measureStageSteps } from './bench/stages.mjs';

const piece = readFileSync(join(ROOT, 'public/demo/lantern-walk.musicxml'));

const print = (heading, figures) => {
  console.log(`\n${heading}`);
  for (const [what, figure] of figures) console.log(`  ${what.padEnd(64)}${figure}`);
};

const [what, revision] = process.argv.slice(2);
if (what === 'against') {
  print(`Planning, warm, medians in Node, two hands of 32 bars, against ${revision}:`, measureAgainst(revision));
  process.exit();
}

print('Core, Lantern Walk (8 bars, two hands), median of 40 runs in Node:', await measureCore(piece));
print('Fingers against published ones (Hanon 1873, nos 39–41, from memory), two octaves:', measureFingerings());
print('Flags of 200 generated tunes at level 3:', measureFlags());
print('Planning, warm, medians in Node, two hands of 32 bars:', measureSpeed());
print('Stages, in Node:', await measureStages());
print('Judging, the simulated pupil over all demo pieces in keys drawn by seed:', await measureJudging());
print('Long and odd files:', await measureLongAndOdd());
print('Keys of published tunes:', await measureKeys());
print('Spelling of the same tunes from MIDI without key signatures:', await measureSpelling());

print('Key presses a note, demo pieces typed by finger numbers:', await countPresses());

ensureBuilt();
ensureChromium();
const { address, stop } = await serve(await freePort());
print(
  'Bench in Chromium, from the key press to the engraved page, 28 presses of “]”:',
  await measureKeyPress(address, new TextDecoder().decode(piece), plainLoadMs),
);
print('Along the rail of stages in Chromium, Mill Wheel:', await measureStageSteps(address));
print('The pupil’s page in Chromium, from a MIDI event to the light on its note:', await measureAnswering(address));
print('What is heard on the pupil’s page in Chromium, rendered:', await measureSounding(address, piece));
print('A studio of 100 pupils and two years in Chromium:', await measureLargeStudio(address));
print('Sheets in Chromium, an eight-bar piece:', await measurePrinting(address));
print('Entering in Chromium, 30 presses in the middle of a piece:', await measureEntering(address));
print('The shelf of 1,000 made pieces of 8 to 32 bars, two hands, in Chromium:', await measureShelf(address));
stop();
