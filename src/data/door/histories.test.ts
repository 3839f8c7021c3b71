import { describe, expect, it } from '@jest/globals';
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { rounds } from '../../../tests/support/rounds';

const SCRIPT = join(import.meta.dirname, '../../../tests/support/live-through.mjs');

/** Lives through histories in a process of its own; gives what it said. */
function livesThrough(first: number, last: number): Promise<string> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--no-warnings', SCRIPT, String(first), String(last)]);
    const said: string[] = [];
    child.stdout.on('data', (text) => said.push(String(text)));
    child.stderr.on('data', (text) => said.push(String(text)));
    child.on('close', () => resolve(said.join('').trim()));
  });
}

describe('histories of two tabs, with undo, redo, closed tabs and crashes', () => {
  it('keep what was acknowledged, have nothing half done, change no field that was not named, and go back to the start', async () => {
    // Two processes, one a core.
    const half = rounds(1000, 5000) / 2;
    const said = await Promise.all([livesThrough(1, half), livesThrough(half + 1, 2 * half)]);
    expect(said).toEqual([`lived through 1 to ${half}`, `lived through ${half + 1} to ${2 * half}`]);
  }, 600_000);
});
