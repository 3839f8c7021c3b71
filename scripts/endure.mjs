// The tests that live through chance, at full length: five thousand histories, five hundred pieces in all stages, fifty thousand spoiled files, a hundred tabs killed,
// every demo piece at every size in each key. The check runs a part of them.
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ensureInstalled } from './lib/install.mjs';
import { runs } from './lib/run.mjs';

const ALL = { NEW_THUMB_ROUNDS: 'all' };

ensureInstalled();
ensureBuilt();
ensureChromium();
const isLivedThrough = runs(
  'npm',
  [
    'run',
    '--silent',
    'test',
    '--',
    'door/histories',
    'entry/entering',
    'file/rights',
    'oracle/stages',
    'oracle/robustness',
    'oracle/fuzzed',
    'explain/en/rote',
  ],
  ALL,
);
const isHeld = runs('npm', ['run', '--silent', 'test:browser', '--', 'killed-tab', 'two-tabs', 'room'], ALL);
if (!isLivedThrough || !isHeld) process.exitCode = 1;
