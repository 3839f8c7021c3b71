import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, mustRun } from './run.mjs';

const MARK = join(ROOT, 'node_modules/.installed-from');

/** What the installed packages depend on: the lock file and the kind of machine. */
function wanted() {
  const lock = readFileSync(join(ROOT, 'package-lock.json'));
  return `${process.platform} ${process.arch} ${createHash('sha256').update(lock).digest('hex')}`;
}

/** Installs the packages of the lock file where they are not there yet, or are those of another one. */
export function ensureInstalled() {
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted()) return;
  console.log('Installing packages …');
  mustRun(
    'npm',
    ['install', '--no-audit', '--no-fund', '--loglevel=error'],
    'The packages could not be installed. Is there a connection to the package registry?',
  );
  writeFileSync(MARK, wanted());
}
