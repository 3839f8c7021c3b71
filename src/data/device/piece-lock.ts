/** Who writes a piece: one tab of this browser at a time, the one that holds the piece's lock. */

/** The lock of one piece, as one tab sees it. */
export interface PieceLock {
  /** Takes the lock where nobody has it. Says whether this tab has it now. */
  readonly tryTake: () => Promise<boolean>;
  /** Takes the lock; whoever has it is asked to settle what was entered there and to give it. `held`: it is kept there, since what was entered in that
   * tab cannot be written for want of room. One that does not answer in time is no longer asked. */
  readonly take: () => Promise<'taken' | 'held'>;
  /** Gives the lock, and asks for nothing any more. */
  readonly close: () => void;
}

/** What a tab is told of the lock. */
export interface LockTold {
  /** Another tab wants the lock that this one has. It goes once everything is settled; it stays where that cannot be (`held`). */
  readonly wanted: () => Promise<'settled' | 'held'>;
  /** The lock was taken from this tab, which did not answer in time. */
  readonly lost: () => void;
  /** Whether another tab has the lock. */
  readonly elsewhere: (isElsewhere: boolean) => void;
}

/** What of the browser is used, and how long is waited. */
export interface LockParts {
  readonly locks: Pick<LockManager, 'request'>;
  readonly channel: (name: string) => Pick<BroadcastChannel, 'postMessage' | 'close' | 'onmessage'>;
  /** How often a tab says that it wants the lock, and after how long it no longer asks. Unit: ms. */
  readonly askEveryMs: number;
  readonly askForMs: number;
}

/** What tabs say to each other of a piece. */
type LockMessage = 'wanted' | 'held';

const OF_BROWSER = { askEveryMs: 200, askForMs: 4000 } as const;

/** The lock of a piece in this browser. Where the browser has no locks, every tab has it: the store then refuses what goes on from older music. */
export function pieceLock(piece: string, told: LockTold): PieceLock {
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (!locks) return NOBODY_ELSE;
  return createPieceLock(piece, told, { locks, channel: (name) => new BroadcastChannel(name), ...OF_BROWSER });
}

const NOBODY_ELSE: PieceLock = {
  tryTake: () => Promise.resolve(true),
  take: () => Promise.resolve('taken'),
  close: () => undefined,
};

/** The same with other locks than the browser's. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one lock
export function createPieceLock(piece: string, told: LockTold, parts: LockParts): PieceLock {
  const name = `new-thumb-piece-${piece}`;
  const channel = parts.channel(name);
  /** Gives the lock back; null where this tab does not have it. */
  let letGo: (() => void) | null = null;
  /** Ends waiting for the lock, with what came of it. */
  let answered: ((held: 'held') => void) | null = null;
  let watching: AbortController | null = null;
  /** Whether the lock was free a moment ago. */
  let wasFree = false;
  let isSettling = false;
  let isClosed = false;

  const request = (options: LockOptions): Promise<boolean> =>
    new Promise((resolve) => {
      let mine: (() => void) | null = null;
      const hold = (lock: Lock | null): Promise<void> | undefined => {
        if (lock === null || isClosed || options.signal?.aborted) {
          resolve(false);
          return undefined;
        }
        return new Promise((done) => {
          mine = () => done();
          letGo = mine;
          watching?.abort();
          watching = null;
          told.elsewhere(false);
          resolve(true);
        });
      };
      parts.locks.request(name, options, hold).catch(() => {
        resolve(false);
        if (mine === null || letGo !== mine) return;
        letGo = null;
        told.lost();
        watch();
      });
    });

  /** Waits until nobody has the lock, without taking it. */
  const watch = (): void => {
    if (isClosed || watching !== null || letGo !== null) return;
    const mine = new AbortController();
    watching = mine;
    told.elsewhere(true);
    parts.locks
      .request(name, { mode: 'shared', signal: mine.signal }, () => undefined)
      .then(() => {
        if (watching !== mine) return;
        watching = null;
        wasFree = true;
        told.elsewhere(false);
      })
      .catch(() => undefined);
  };

  const give = (): void => {
    const mine = letGo;
    letGo = null;
    mine?.();
  };

  channel.onmessage = ({ data }: MessageEvent<unknown>): void => {
    const message = data as LockMessage;
    if (message === 'held') answered?.('held');
    if (message !== 'wanted' || letGo === null || isSettling) return;
    isSettling = true;
    void told.wanted().then((outcome) => {
      isSettling = false;
      if (outcome === 'held') channel.postMessage('held' satisfies LockMessage);
      else if (letGo !== null) {
        give();
        watch();
      }
    });
  };

  const take = async (): Promise<'taken' | 'held'> => {
    if (letGo !== null) return 'taken';
    const waiting = new AbortController();
    const held = new Promise<'held'>((resolve) => {
      answered = resolve;
    });
    const late = later(parts.askForMs);
    const asking = setInterval(() => channel.postMessage('wanted' satisfies LockMessage), parts.askEveryMs);
    channel.postMessage('wanted' satisfies LockMessage);
    try {
      const outcome = await Promise.race([
        request({ signal: waiting.signal }).then((isTaken): 'taken' | 'held' => (isTaken ? 'taken' : 'held')),
        held,
        late.passed,
      ]);
      if (outcome !== 'late') {
        if (outcome === 'held') waiting.abort();
        return outcome;
      }
      waiting.abort();
      return (await request({ steal: true })) ? 'taken' : 'held';
    } finally {
      late.stop();
      clearInterval(asking);
      answered = null;
    }
  };

  return {
    tryTake: async () => {
      if (letGo !== null) return true;
      if (await request({ ifAvailable: true })) return true;
      // Another tab that waits as well was quicker, or only looked: looked for again at once, both could go on so for ever.
      if (wasFree) setTimeout(watch, parts.askEveryMs);
      else watch();
      wasFree = false;
      return false;
    },
    take,
    close: () => {
      isClosed = true;
      watching?.abort();
      give();
      channel.close();
    },
  };
}

/** Does something to a piece while this tab alone may write it. `held`: another tab has what it cannot write for want of room; nothing was done. */
export async function withPieceLock<T>(piece: string, work: () => Promise<T>): Promise<T | 'held'> {
  let done: Promise<unknown> = Promise.resolve();
  const lock = pieceLock(piece, {
    wanted: async () => {
      await done.catch(() => undefined);
      return 'settled';
    },
    lost: () => undefined,
    elsewhere: () => undefined,
  });
  try {
    if ((await lock.take()) === 'held') return 'held';
    const working = work();
    done = working;
    return await working;
  } finally {
    lock.close();
  }
}

function later(ms: number): { readonly passed: Promise<'late'>; readonly stop: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const passed = new Promise<'late'>((resolve) => {
    timer = setTimeout(resolve, ms, 'late');
  });
  return { passed, stop: () => clearTimeout(timer) };
}
