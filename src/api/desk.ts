import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Service } from './answering';
import { createAppointments } from './appointments';
import type { Answered } from './job';
import { createRoom } from './room';
import { createThreads, type Thread, type ThreadLimits } from './threads';

/** One core is left to the thread that speaks with callers; one slow piece must not keep all others waiting. */
const LIMITS: ThreadLimits = {
  threads: Math.max(2, availableParallelism() - 1),
  waiting: 64,
  waitMs: 10_000,
  jobMs: 20_000,
};

/** A thread that wants more is ended, and its piece refused: the server goes on. */
const THREAD_MEMORY = { maxOldGenerationSizeMb: 512 };

// Route handlers may each be given their own copy of this module; the threads are for all of them.
const KEPT = Symbol.for('new-thumb.desk');
const kept = globalThis as { [KEPT]?: Service };

/** The desk of this server; its threads start with the first job. */
export function desk(): Service {
  kept[KEPT] ??= open();
  return kept[KEPT];
}

/** About as many small pieces as two threads answer in a second. */
const AGAIN_A_SECOND = 30;

function open(): Service {
  const { busy } = createAppointments(AGAIN_A_SECOND);
  const room = createRoom({ bodies: 256, bytes: 128 * 1024 * 1024 });
  return { room, busy, ...createThreads(startThread, LIMITS, busy) };
}

function startThread(): Thread {
  const worker = new Worker(new URL('./job.worker.ts', import.meta.url), { resourceLimits: THREAD_MEMORY });
  // A server that is to end does not wait for its threads.
  worker.unref();
  worker.on('error', (error) => console.error('A thread ended over a piece:', error));
  let isAlive = true;
  worker.once('exit', () => (isAlive = false));
  return {
    isAlive: () => isAlive,
    answer: (job) =>
      new Promise<Answered>((resolve, reject) => {
        const settle = (): void => {
          worker.off('message', answered);
          worker.off('exit', died);
        };
        const answered = (message: Answered): void => {
          settle();
          resolve(message);
        };
        const died = (): void => {
          settle();
          reject(new Error('the thread ended'));
        };
        worker.on('message', answered);
        worker.on('exit', died);
        worker.postMessage(job, [job.body.buffer]);
      }),
    end: () => void worker.terminate(),
  };
}
