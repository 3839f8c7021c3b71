import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, mustRun } from './run.mjs';

const BUILT = join(ROOT, '.next/BUILD_ID');
const SOURCES = [
  'src',
  'public',
  'package.json',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];

/** The time of the newest file at or below a place, ms. */
function newest(place) {
  const found = statSync(place);
  if (!found.isDirectory()) return found.mtimeMs;
  return Math.max(found.mtimeMs, ...readdirSync(place).map((name) => newest(join(place, name))));
}

/** Whether there is a build that is newer than everything it is made from. */
export function isBuilt() {
  if (!existsSync(BUILT)) return false;
  const builtAt = statSync(BUILT).mtimeMs;
  return SOURCES.every((source) => newest(join(ROOT, source)) <= builtAt);
}

/** Builds the application when that is needed. */
export function ensureBuilt() {
  if (isBuilt()) return;
  console.log('Building New Thumb …');
  mustRun('npm', ['run', '--silent', 'build'], 'The application could not be built.');
}
