import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { ENVIRONMENT, ROOT } from './run.mjs';

const NEXT = join(ROOT, 'node_modules/next/dist/bin/next');

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

/** The path below which the build is served: it was built for that, and Next asks for it once more when it starts. */
function basePath() {
  return JSON.parse(readFileSync(join(ROOT, '.next/routes-manifest.json'), 'utf8')).basePath;
}

/** Serves the existing build. Resolves with its address once it answers; `stop` ends it. */
export function serve(port) {
  const path = basePath();
  const server = spawn(process.execPath, [NEXT, 'start', '-p', String(port)], {
    cwd: ROOT,
    env: { ...ENVIRONMENT, NEW_THUMB_BASE_PATH: path },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const stop = () => server.kill();
  process.once('exit', stop);
  return new Promise((resolve, reject) => {
    server.stdout.on('data', (text) => {
      if (String(text).includes('Ready')) resolve({ address: `http://localhost:${port}${path}`, stop, server });
    });
    server.once('exit', (code) => reject(new Error(`the server ended before it was ready (${code})`)));
  });
}
