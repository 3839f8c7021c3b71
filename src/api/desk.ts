import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Service } from './answering';
import { createAppointments } from './appointments';
import type { Answered } from './job';
import { createLanes } from './lanes';
import { createRoom } from './room';
import { createThreads, OUT_OF_MEMORY, type Thread, type ThreadLimits } from './threads';

const MB = 1024 * 1024;
const CORES = availableParallelism();

const LIMITS: Omit<ThreadLimits, 'threads'> = {
  waiting: 160,
  waitingEach: 80,
  waitMs: 10_000,
  jobMs: 20_000,
  goneMs: 1_000,
  largeBytes: 2 * MB,
};

/** What is done at once, and what takes long: one slow piece must not keep all others waiting. */
const SHORT: ThreadLimits = { ...LIMITS, threads: Math.max(2, CORES - 1) };
const LONG: ThreadLimits = { ...LIMITS, threads: Math.max(1, Math.floor(CORES / 2)), waiting: 64, waitingEach: 16 };

/** A thread that wants more is ended, and its piece refused: the server goes on. Unit: MB. */
const MEMORY = { short: 80, long: 192 } as const;

/** How far a thread stands back behind the one that speaks with callers: what takes long behind what does not. */
const NICE = { short: 10, long: 14 } as const;

/** Room for what is sent: for some large pieces at once, and for hundreds of small ones beside them. */
const ROOM = { bytes: 64 * MB, each: 24 * MB, kept: 16 * MB, small: MB / 2, waitMs: 6_000 };

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
  const short = createThreads(() => startThread('short'), SHORT, busy);
  const long = createThreads(() => startThread('long'), LONG, busy);
  return { room: createRoom(ROOM), busy, ...createLanes(short, long) };
}

function startThread(lane: 'short' | 'long'): Thread {
  const worker = new Worker(new URL('./job.worker.ts', import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: MEMORY[lane], maxYoungGenerationSizeMb: 16 },
    workerData: { nice: NICE[lane] },
  });
  // A server that is to end does not wait for its threads.
  worker.unref();
  let isAlive = true;
  let why = 'the thread ended';
  worker.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') why = OUT_OF_MEMORY;
    else console.error('A thread ended over a piece:', error);
  });
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
          reject(new Error(why));
        };
        worker.on('message', answered);
        worker.on('exit', died);
        worker.postMessage(job, [job.body.buffer]);
      }),
    end: () => void worker.terminate(),
  };
}
