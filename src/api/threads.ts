import { err, ok, type Fault, type Result } from '@/core/base';
import { inTime } from './in-time';
import type { Answered, Job } from './job';

/** A thread that does one job at a time. */
export interface Thread {
  /** Answers a job. Rejects where the thread is no more, for whatever reason. */
  readonly answer: (job: Job) => Promise<Answered>;
  /** Whether it can be given a job: one may die while it has none. */
  readonly isAlive: () => boolean;
  readonly end: () => void;
}

/** How many threads there are, how many jobs may wait for one, for how long, and how long one job may take. Units: ms. */
export interface ThreadLimits {
  readonly threads: number;
  readonly waiting: number;
  readonly waitMs: number;
  readonly jobMs: number;
}

/** Where jobs are answered. */
export interface Desk {
  /** Answers a job. One that nobody wants any more (`gone`) while it waits is not begun.
   * Errors: `job.busy`, `job.too-long`, `job.failed`, `job.stopped`. */
  readonly answer: (job: Job, gone: AbortSignal) => Promise<Result<Answered, Fault>>;
}

type Place = (thread: Thread | null) => void;

/** Threads that are started as they are needed. One that takes too long or dies is replaced, and its job refused: the next caller never waits for it. */
export function createThreads(start: () => Thread, limits: ThreadLimits, busy: () => Fault): Desk {
  const idle: Thread[] = [];
  const waiting = new Set<Place>();
  let running = 0;

  const give = (thread: Thread): void => {
    const [next] = waiting;
    if (next) next(thread);
    else idle.push(thread);
  };

  const replace = (thread: Thread): void => {
    thread.end();
    running -= 1;
    if (waiting.size === 0) return;
    running += 1;
    give(start());
  };

  const place = (gone: AbortSignal): Promise<Thread | null> =>
    new Promise((resolve) => {
      const settle: Place = (thread) => {
        waiting.delete(settle);
        clearTimeout(timer);
        gone.removeEventListener('abort', leave);
        resolve(thread);
      };
      const leave = (): void => settle(null);
      const timer = setTimeout(leave, limits.waitMs);
      gone.addEventListener('abort', leave);
      waiting.add(settle);
    });

  const thread = async (gone: AbortSignal): Promise<Thread | null> => {
    for (let free = idle.pop(); free; free = idle.pop()) {
      if (free.isAlive()) return free;
      running -= 1;
    }
    if (running < limits.threads) {
      running += 1;
      return start();
    }
    return waiting.size < limits.waiting ? place(gone) : null;
  };

  return {
    answer: async (job, gone) => {
      if (gone.aborted) return err({ code: 'job.stopped' });
      const mine = await thread(gone);
      if (mine === null) return err(gone.aborted ? { code: 'job.stopped' } : busy());
      const answered = await inTime(
        mine.answer(job).catch(() => 'failed' as const),
        limits.jobMs,
      );
      if (answered === null || answered === 'failed') {
        replace(mine);
        const seconds = Math.round(limits.jobMs / 1000);
        return err(answered === null ? { code: 'job.too-long', seconds } : { code: 'job.failed' });
      }
      give(mine);
      return ok(answered);
    },
  };
}
