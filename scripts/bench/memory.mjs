import { spawnSync } from 'node:child_process';

/** What the process of the page holds, its workers among it: the largest of this browser's. Unit: MB. */
export function memoryOf(userDataDir) {
  const { stdout } = spawnSync('ps', ['-eo', 'rss=,args='], { encoding: 'utf8', maxBuffer: 16e6 });
  const own = stdout.split('\n').filter((line) => line.includes('--type=renderer') && line.includes(userDataDir));
  return Math.max(0, ...own.map((line) => Math.round(Number.parseInt(line, 10) / 1024)));
}

/** Lets the page and its workers give back what they no longer use: on a machine with much memory a browser is in no hurry. */
export async function tidy(page, session) {
  await session.send('HeapProfiler.collectGarbage');
  for (const worker of page.workers()) await worker.client.send('HeapProfiler.collectGarbage').catch(() => undefined);
}
