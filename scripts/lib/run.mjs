import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** The project's folder. */
export const ROOT = join(import.meta.dirname, '../..');

/** What every step runs with: the framework sends no usage figures. */
export const ENVIRONMENT = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a program in the project's folder, its output shown. Says whether it went well. */
export function runs(command, args, extra = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...ENVIRONMENT, ...extra }, shell: process.platform === 'win32' });
  return status === 0;
}

/** Runs a program that everything after it needs; leaves with a sentence where it fails. */
export function mustRun(command, args, sentence) {
  if (runs(command, args)) return;
  console.error(sentence);
  process.exit(1);
}

/** Runs one of the project's own scripts of package.json. */
export function runsScript(name, extra = {}) {
  return runs('npm', ['run', '--silent', name], extra);
}
