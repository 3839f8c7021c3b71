// Everything that must hold, from a fresh clone: lint, types, import rules, unit tests, build, browser tests.
// All steps run even after one has failed; the last line has the sums of all tests, each as it ended the last time that it was run. `npm run check -- times` only says what took long when it was last run.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ensureProgram } from './lib/debian.mjs';
import { ensurePianos } from './ear/listening-set.mjs';
import { ensureInstalled } from './lib/install.mjs';
import { runsScript, runsTogether } from './lib/run.mjs';
import { resultsNoted, sumOf, tellFailures } from './lib/test-results.mjs';
import { printTimes } from './lib/times.mjs';

if (process.argv[2] === 'times') {
  printTimes(30);
  process.exit();
}
ensureInstalled();
const noted = join(mkdtempSync(join(tmpdir(), 'new-thumb-check-')), 'results');
const failed = [];
const step = (name) => {
  console.log(`\n— ${name}`);
  const begun = Date.now();
  if (!runsScript(name, { TEST_RESULTS: noted })) failed.push(name);
  console.log(`— ${name}: ${Math.round((Date.now() - begun) / 1000)} s`);
};

// These four only read, each on one core: side by side they take little longer than the longest.
failed.push(...(await runsTogether(['lint', 'types', 'imports', 'unused'])));
ensureProgram('pdfinfo', 'poppler-utils', 'The tests of printed sheets look at them with poppler.');
ensurePianos();
step('test');
ensureBuilt();
ensureChromium();
step('test:browser');

const results = resultsNoted(noted);
const sum = sumOf(results);
tellFailures(results);
if (failed.length > 0) console.log(`\nNot in order: ${failed.join(', ')}`);
if (failed.length > 0 || sum.passed === 0) process.exitCode = 1;
console.log(`${sum.passed} passed, ${sum.failed} failed`);
