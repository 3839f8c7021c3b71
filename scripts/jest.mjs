// Runs Jest on one project (unit or browser). Unit tests run on all cores in plain Node, one process a core that keeps what it has loaded; browser tests two
// at a time: those in which somebody plays in time are told when each key was due, and wait for what is shown.
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';

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
function run(project, options) {
  const { status } = spawnSync(process.execPath, ['--no-warnings', jest, ...options, '--selectProjects', project], {
    stdio: 'inherit',
    env: { ...process.env, NODE_OPTIONS: [process.env.NODE_OPTIONS, FLAGS[project]].filter(Boolean).join(' ') },
  });
  if (status !== 0) process.exitCode = status ?? 1;
}

if (project === 'unit') run(project, [...rest, '--maxWorkers=100%']);
else if (rest.length > 0) run(project, [...rest, ...BROWSER, '--maxWorkers=2']);
else {
  run(project, [...BROWSER, '--maxWorkers=2', '--testPathIgnorePatterns', LISTENS]);
  // A microphone that is starved of time hears gaps: who listens has the machine alone.
  run(project, [LISTENS, ...BROWSER, '--maxWorkers=1']);
}
