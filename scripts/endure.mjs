// The tests that live through chance (those that ask `tests/support/rounds`), at full length: five thousand histories, five hundred pieces in all stages, fifty
// thousand spoiled files, a hundred tabs killed, every demo piece at every size in each key, every screen at every size by lamplight, a worker ended over every
// kind of question. The check runs a part of each.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ensureInstalled } from './lib/install.mjs';
import { ROOT, runs } from './lib/run.mjs';

const ALL = { NEW_THUMB_ROUNDS: 'all' };

ensureInstalled();
ensureBuilt();
ensureChromium();
const lives = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `${folder}/${name.replaceAll('\\', '/')}`)
    .filter((name) => readFileSync(join(ROOT, name), 'utf8').includes('/support/rounds'));
const isOfBrowser = (name) => name.startsWith('tests/browser/');
const all = ['src', 'tests'].flatMap(lives);
const runsAll = (script, tests) => runs('npm', ['run', '--silent', script, '--', ...tests], ALL);
const areLivedThrough = [
  runsAll(
    'test',
    all.filter((name) => !isOfBrowser(name)),
  ),
  runsAll('test:browser', all.filter(isOfBrowser)),
];
if (areLivedThrough.includes(false)) process.exitCode = 1;
