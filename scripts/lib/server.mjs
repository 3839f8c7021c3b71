import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { ENVIRONMENT, ROOT } from './run.mjs';

const START = join(ROOT, 'scripts/start.mjs');

/** The thread that speaks with callers has little to remember: what it may have in memory (MB) is said, so that it is cleared away in time. The same stands in
 * package.json and in the Dockerfile. */
export const SERVER_FLAGS = ['--max-old-space-size=160'];

/** Memory that threads have given back is not kept in a pool for each of them (Linux). */
const SERVER_ENVIRONMENT = { MALLOC_ARENA_MAX: '2' };

/** A port that nobody listens on: the wanted one where it is free, else one that the system chooses. */
export function freePort(wanted = 0) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) => (wanted === 0 ? reject(error) : resolve(freePort(0))));
    probe.listen(wanted, () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/** Serves the existing build in a process of its own. Resolves with its address once it answers; `stop` ends it. */
export function serve(port) {
  const server = spawn(process.execPath, [...SERVER_FLAGS, '--no-warnings', START], {
    cwd: ROOT,
    env: { ...SERVER_ENVIRONMENT, ...ENVIRONMENT, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const stop = () => server.kill();
  process.once('exit', stop);
  return new Promise((resolve, reject) => {
    server.stdout.on('data', (text) => {
      const address = /New Thumb: (\S+)/.exec(String(text))?.[1];
      if (address) resolve({ address, stop, server });
    });
    server.once('exit', (code) => reject(new Error(`the server ended before it was ready (${code})`)));
  });
}
