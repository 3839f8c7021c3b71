import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';

const CALLERS = join(import.meta.dirname, 'callers.mjs');

/** Lets two hundred callers ask a server for so many seconds, from a process of their own. Resolves with what they saw, as callers.mjs says it. */
export async function underLoad({ address, server }, seconds) {
  const { stdout } = await promisify(execFile)(process.execPath, [
    '--no-warnings',
    CALLERS,
    address,
    String(seconds),
    String(server.pid),
  ]);
  return JSON.parse(stdout);
}
