import { spawnSync } from 'node:child_process';
import { mustRun } from './run.mjs';

/** Has a program of Debian's that a test needs, and installs its package where there is none and the machine lets us; leaves with a sentence where it does not. */
export function ensureProgram(program, packageName, purpose) {
  if (spawnSync(program, ['-v']).error === undefined) return;
  installDebian(packageName, purpose);
}

/** Installs a package of Debian's, or several. */
export function installDebian(packages, purpose) {
  const names = [packages].flat();
  const isRoot = process.getuid?.() === 0;
  const hasApt = spawnSync('apt-get', ['--version']).status === 0;
  if (!isRoot || !hasApt) {
    console.error(`${purpose} Install it (on Debian: as root, apt-get install ${names.join(' ')}).`);
    process.exit(1);
  }
  console.log(`Installing ${names.join(', ')} …`);
  mustRun('apt-get', ['update', '-qq'], 'The package lists could not be read.');
  mustRun('apt-get', ['install', '-y', '-qq', ...names], `${names.join(', ')} could not be installed.`);
}
