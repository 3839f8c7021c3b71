import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** The project's folder. */
export const ROOT = join(import.meta.dirname, '../..');

/** What every step runs with: the framework sends no usage figures. */
export const ENVIRONMENT = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a program in the project's folder, its output shown. Says whether it went well. */
export function runs(command, args, extra = {}) {
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...ENVIRONMENT, ...extra },
    shell: process.platform === 'win32',
  });
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

/** Runs scripts of package.json side by side; what each says is shown when it is through. Gives the names of those that did not go well. */
export async function runsTogether(names) {
  const ended = names.map(
    (name) =>
      new Promise((resolve) => {
        const child = spawn('npm', ['run', '--silent', name], {
          cwd: ROOT,
          env: ENVIRONMENT,
          shell: process.platform === 'win32',
        });
        const said = [];
        child.stdout.on('data', (text) => said.push(text));
        child.stderr.on('data', (text) => said.push(text));
        child.on('close', (status) => {
          console.log(`\n— ${name}`);
          process.stdout.write(Buffer.concat(said));
          resolve(status === 0 ? null : name);
        });
      }),
  );
  return (await Promise.all(ended)).filter((name) => name !== null);
}
