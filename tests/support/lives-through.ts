import { spawn } from 'node:child_process';
import { join } from 'node:path';

const SCRIPT = join(import.meta.dirname, 'live-through.mjs');

/** Lives through histories of a kind in a process of its own; gives what it said. */
function livesThrough(kind: 'studio' | 'entering', first: number, last: number): Promise<string> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--no-warnings', SCRIPT, kind, String(first), String(last)]);
    const said: string[] = [];
    child.stdout.on('data', (text) => said.push(String(text)));
    child.stderr.on('data', (text) => said.push(String(text)));
    child.on('close', () => resolve(said.join('').trim()));
  });
}

/** The same by two processes, one a core. Gives what went wrong; nothing where all was lived through. */
export async function troublesIn(kind: 'studio' | 'entering', count: number): Promise<readonly string[]> {
  const half = Math.ceil(count / 2);
  const said = await Promise.all([livesThrough(kind, 1, half), livesThrough(kind, half + 1, count)]);
  return said.filter((words) => !words.startsWith('lived through'));
}
