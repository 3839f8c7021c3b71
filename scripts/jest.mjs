// Runs Jest on one project (unit or browser), with the flag that its ES modules need: unit tests on all cores, browser tests one after the other.
import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const [project, ...rest] = process.argv.slice(2);
const jest = join(dirname(createRequire(import.meta.url).resolve('jest/package.json')), 'bin/jest.js');
const { status } = spawnSync(
  process.execPath,
  [
    '--experimental-vm-modules',
    '--no-warnings',
    jest,
    ...rest,
    '--selectProjects',
    project,
    ...(project === 'unit' ? ['--maxWorkers=100%'] : ['--runInBand']),
  ],
  {
    stdio: 'inherit',
  },
);
process.exitCode = status ?? 1;
