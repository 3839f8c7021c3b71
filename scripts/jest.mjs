// Runs Jest on one project (unit or browser). Unit tests run on all cores in plain Node, one process a core that keeps what it has loaded; browser tests two
// at a time: those in which somebody plays in time are told when each key was due, and wait for what is shown.
import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { resultsNoted, tellFailures } from './lib/test-results.mjs';

const [project, ...rest] = process.argv.slice(2);
const jest = join(dirname(createRequire(import.meta.url).resolve('jest/package.json')), 'bin/jest.js');

/** A test that fails half-way leaves its browser open; the run ends all the same. */
const BROWSER = ['--forceExit', '--passWithNoTests'];
const TYPESCRIPT = pathToFileURL(join(import.meta.dirname, 'lib/typescript.mjs')).href;
const FLAGS = { unit: `--import=${TYPESCRIPT}`, browser: '--experimental-vm-modules' };
const LISTENS = 'tests/browser/ear';

// The tests of printed sheets need the fonts that the build would put there, those of the ear its files.
if (project === 'unit') {
  await import('./print-fonts.mjs');
  await import('./ear-files.mjs');
}
/** Runs a project's tests. Says whether all of them passed. */
function run(project, options) {
  const { status } = spawnSync(process.execPath, ['--no-warnings', jest, ...options, '--selectProjects', project], {
    stdio: 'inherit',
    env: { ...process.env, NODE_OPTIONS: [process.env.NODE_OPTIONS, FLAGS[project]].filter(Boolean).join(' ') },
  });
  return status === 0;
}

/** With more files than this, it is not the machine that was busy. */
const TRIED_AGAIN_AT_MOST = 2;

/** All browser tests. A file or two that failed are tried once more, with the machine to themselves, and what failed before is told even where it passes now:
 * a test that needs a second try wants mending, and a change is not held up by it. */
function runAllBrowserTests() {
  process.env.TEST_RESULTS ??= join(mkdtempSync(join(tmpdir(), 'new-thumb-tests-')), 'results');
  const together = run('browser', [...BROWSER, '--maxWorkers=2', '--testPathIgnorePatterns', LISTENS]);
  // A microphone that is starved of time hears gaps: who listens has the machine alone.
  const listening = run('browser', [LISTENS, ...BROWSER, '--maxWorkers=1']);
  if (together && listening) return true;
  const ofBrowser = () => resultsNoted().filter(({ file }) => file.startsWith('tests/browser/'));
  const failed = ofBrowser().filter((result) => result.failed.length > 0);
  if (failed.length === 0 || failed.length > TRIED_AGAIN_AT_MOST) return false;
  console.log(`\nOnce more, alone: ${failed.map(({ file }) => file).join(', ')}`);
  const passed = run('browser', [...failed.map(({ file }) => file), ...BROWSER, '--maxWorkers=1']);
  tellFailures(ofBrowser());
  return passed;
}

/** What was asked for. */
function runAsked() {
  if (project === 'unit') return run(project, [...rest, '--maxWorkers=100%']);
  if (rest.length > 0) return run(project, [...rest, ...BROWSER, '--maxWorkers=2']);
  return runAllBrowserTests();
}

if (!runAsked()) process.exitCode = 1;
