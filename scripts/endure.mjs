// The browser tests that live through chance, at full length: a hundred tabs killed, two hundred histories. The check runs a part of them.
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ensureInstalled } from './lib/install.mjs';
import { runs } from './lib/run.mjs';

ensureInstalled();
ensureBuilt();
ensureChromium();
const isDone = runs('npm', ['run', '--silent', 'test:browser', '--', 'killed-tab', 'two-tabs'], {
  NEW_THUMB_ROUNDS: 'all',
});
if (!isDone) process.exitCode = 1;
