import { err, ok, type Fault, type Result } from '@/core/base';
import { inTime } from './in-time';
import type { Answered, Job } from './job';
import { createTurns, type Turns } from './turns';

/** A thread that does one job at a time. */
export interface Thread {
  /** Answers a job. Rejects where the thread is no more, for whatever reason: with `OUT_OF_MEMORY` where it wanted more than it may have. */
  readonly answer: (job: Job) => Promise<Answered>;
  /** Whether it can be given a job: one may die while it has none. */
  readonly isAlive: () => boolean;
  readonly end: () => void;
}

export const OUT_OF_MEMORY = 'the thread wanted too much memory';

/** How many threads there are; how many jobs may wait for one, in all and of one caller; for how long, and how long one job may take. Units: ms. */
export interface ThreadLimits {
  readonly threads: number;
  readonly waiting: number;
  readonly waitingEach: number;
  readonly waitMs: number;
  readonly jobMs: number;
  /** After so long the work of a caller who has gone is dropped with its thread. */
  readonly goneMs: number;
  /** A thread that worked on a body of this size is replaced: what it took of memory is given back. Unit: bytes. */
  readonly largeBytes: number;
}

/** Where jobs are answered. */
export interface Desk {
  /** Answers a job of a caller. One that nobody wants any more (`gone`) is not begun, or dropped.
   * Errors: `job.busy`, `job.too-long`, `job.too-large`, `job.failed`, `job.stopped`. */
  readonly answer: (job: Job, from: Caller) => Promise<Result<Answered, Fault>>;
}

/** Whose a job is, and what tells that nobody waits for it any more. */
export interface Caller {
  readonly name: string;
  readonly gone: AbortSignal;
}

type Place = (thread: Thread | null) => void;

/** Threads that are started as they are needed. Callers have their turns one after the other, however much one of them asks. A thread that takes too long or dies
 * is replaced, and its job refused: the next caller never waits for it. */
export function createThreads(start: () => Thread, limits: ThreadLimits, busy: () => Fault): Desk {
  const idle: Thread[] = [];
  const waiting = createTurns<Place>();
  let running = 0;

  const give = (thread: Thread): void => {
    const next = waiting.next();
    if (next) next(thread);
    else idle.push(thread);
  };

  const replace = (thread: Thread): void => {
    thread.end();
    running -= 1;
    if (waiting.count() === 0) return;
    running += 1;
    give(start());
  };

  const thread = async (from: Caller): Promise<Thread | null> => {
    for (let free = idle.pop(); free; free = idle.pop()) {
      if (free.isAlive()) return free;
      running -= 1;
    }
    if (running < limits.threads) {
      running += 1;
      return start();
    }
    const isRoom = waiting.count() < limits.waiting && waiting.countOf(from.name) < limits.waitingEach;
    return isRoom ? turnOf(from, waiting, limits.waitMs) : null;
  };

  return {
    answer: async (job, from) => {
      if (from.gone.aborted) return err({ code: 'job.stopped' });
      const isLarge = job.body.length >= limits.largeBytes;
      const mine = await thread(from);
      if (mine === null) return err(from.gone.aborted ? { code: 'job.stopped' } : busy());
      const left = leaving(from.gone, limits.goneMs);
      const working = mine.answer(job).catch((error: unknown) => failureOf(error));
      const answered = await inTime(Promise.race([working, left.late]), limits.jobMs);
      left.forget();
      if (answered === null || typeof answered === 'string') {
        replace(mine);
        return err(faultOf(answered, limits));
      }
      if (isLarge) replace(mine);
      else give(mine);
      return ok(answered);
    },
  };
}

/** Waits for the turn of a caller; null where it does not come in time, or they have gone. */
function turnOf({ name, gone }: Caller, waiting: Turns<Place>, ms: number): Promise<Thread | null> {
  return new Promise((resolve) => {
    const settle: Place = (thread) => {
      waiting.leave(name, settle);
      clearTimeout(timer);
      gone.removeEventListener('abort', leave);
      resolve(thread);
    };
    const leave = (): void => settle(null);
    const timer = setTimeout(leave, ms);
    gone.addEventListener('abort', leave);
    waiting.enter(name, settle);
  });
}

type Failure = 'failed' | 'too large' | 'left';

function failureOf(error: unknown): Failure {
  return error instanceof Error && error.message === OUT_OF_MEMORY ? 'too large' : 'failed';
}

function faultOf(failure: Failure | null, { jobMs }: ThreadLimits): Fault {
  switch (failure) {
    case null:
      return { code: 'job.too-long', seconds: Math.round(jobMs / 1000) };
    case 'failed':
      return { code: 'job.failed' };
    case 'too large':
      return { code: 'job.too-large' };
    case 'left':
      return { code: 'job.stopped' };
  }
}

/** Tells, some time after the caller has gone, that the work may be dropped; never where the caller stays. */
function leaving(gone: AbortSignal, ms: number): { readonly late: Promise<'left'>; readonly forget: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let begin: () => void = () => undefined;
  const late = new Promise<'left'>((resolve) => {
    begin = () => (timer = setTimeout(resolve, ms, 'left'));
  });
  gone.addEventListener('abort', begin);
  return {
    late,
    forget: () => {
      clearTimeout(timer);
      gone.removeEventListener('abort', begin);
    },
  };
}
