import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';

const CALLERS = join(import.meta.dirname, 'callers.mjs');
const SIEGE = join(import.meta.dirname, 'siege.mjs');

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

export const SIEGES = ['greedy', 'dripping', 'large'];

/** Lets forty good callers ask a server for so many seconds while others besiege it in one of three ways. Resolves with what they saw, as siege.mjs says it. */
export async function besieged({ address, server }, kind, seconds) {
  const { stdout } = await promisify(execFile)(process.execPath, [
    SIEGE,
    address,
    kind,
    String(seconds),
    String(server.pid),
  ]);
  return JSON.parse(stdout);
}
