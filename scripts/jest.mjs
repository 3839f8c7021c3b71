// Runs Jest on one project (unit or browser), with the flag that its ES modules need. Unit tests run on all cores. Browser tests run one after the other; those that look at
// pages, and do not mind how long those take, two at a time.
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const [project, ...rest] = process.argv.slice(2);
const jest = join(dirname(createRequire(import.meta.url).resolve('jest/package.json')), 'bin/jest.js');

/** Browser tests in which nobody plays in time: they wait for what is shown, however long it takes. */
const IN_NO_HURRY =
  '/(atlas|every-size|first-visit|handout|hands|keeping|killed-tab|manners|offline|own-file|room|safe-ground|shelf|stages|survey|two-tabs|words)\\.test\\.ts$';

/** A test that fails half-way leaves its browser open; the run ends all the same. */
const BROWSER = ['--forceExit', '--passWithNoTests'];

function runs(args) {
  const { status } = spawnSync(
    process.execPath,
    ['--experimental-vm-modules', '--no-warnings', jest, ...rest, '--selectProjects', project, ...args],
    { stdio: 'inherit' },
  );
  return status ?? 1;
}

const turns =
  project === 'unit'
    ? [['--maxWorkers=100%']]
    : [
        [...BROWSER, '--runInBand', '--testPathIgnorePatterns', IN_NO_HURRY],
        [...BROWSER, '--maxWorkers=2', '--testPathPatterns', IN_NO_HURRY],
      ];
// The tests of printed sheets need the fonts that the build would put there.
if (project === 'unit') await import('./print-fonts.mjs');
// All of them run, also after one has failed.
process.exitCode = Math.max(...turns.map(runs));
