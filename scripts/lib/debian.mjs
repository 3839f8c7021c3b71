import { spawnSync } from 'node:child_process';
import { mustRun } from './run.mjs';

/** Has a program of Debian's that a test needs, and installs its package where there is none and the machine lets us; leaves with a sentence where it does not. */
export function ensureProgram(program, packageName, purpose) {
  if (spawnSync(program, ['-v']).error === undefined) return;
  installDebian(packageName, purpose);
}

/** Installs a package of Debian's. */
export function installDebian(packageName, purpose) {
  const isRoot = process.getuid?.() === 0;
  const hasApt = spawnSync('apt-get', ['--version']).status === 0;
  if (!isRoot || !hasApt) {
    console.error(`${purpose} Install it (on Debian: as root, apt-get install ${packageName}).`);
    process.exit(1);
  }
  console.log(`Installing ${packageName} …`);
  mustRun('apt-get', ['update', '-qq'], 'The package lists could not be read.');
  mustRun('apt-get', ['install', '-y', '-qq', packageName], `${packageName} could not be installed.`);
}
