import type { LockParts } from '@/data/device/piece-lock';

/** Locks and channels as the browser has them, for tabs that are only pretended. */
export interface PretendedLocks extends Pick<LockParts, 'locks' | 'channel'> {
  /** Whether anybody has a lock of this name. */
  readonly isHeld: (name: string) => boolean;
}

interface Held {
  readonly mode: LockMode;
  readonly takeAway: () => void;
}

interface Waiting {
  readonly mode: LockMode;
  readonly grant: () => void;
}

/** One browser: all that is made of it share its locks, in the order of the standard (first come, first served; shared ones together). */
export function pretendedLocks(): PretendedLocks {
  const held = new Map<string, Held[]>();
  const waiting = new Map<string, Waiting[]>();
  const listOf = <T>(lists: Map<string, T[]>, name: string): T[] => {
    const list = lists.get(name) ?? [];
    lists.set(name, list);
    return list;
  };
  const isFree = (name: string, mode: LockMode): boolean => {
    const now = listOf(held, name);
    return now.length === 0 || (mode === 'shared' && now.every((one) => one.mode === 'shared'));
  };
  const grantNext = (name: string): void => {
    const list = listOf(waiting, name);
    while (list[0] && isFree(name, list[0].mode)) (list.shift() as Waiting).grant();
  };

  const request = (name: string, options: LockOptions, work: (lock: Lock | null) => unknown): Promise<unknown> =>
    new Promise((resolve, reject) => {
      const mode = options.mode ?? 'exclusive';
      const grant = (): void => {
        const one: Held = { mode, takeAway: () => reject(new DOMException('stolen', 'AbortError')) };
        listOf(held, name).push(one);
        const release = (): void => {
          const list = listOf(held, name);
          if (list.includes(one)) list.splice(list.indexOf(one), 1);
          grantNext(name);
        };
        void Promise.resolve()
          .then(() => work({ name, mode }))
          .finally(release)
          .then(resolve, reject);
      };
      if (options.steal) {
        listOf(held, name)
          .splice(0)
          .forEach(({ takeAway }) => takeAway());
        return grant();
      }
      if (isFree(name, mode) && listOf(waiting, name).length === 0) return grant();
      if (options.ifAvailable) return void Promise.resolve(work(null)).then(resolve, reject);
      const mine: Waiting = { mode, grant };
      listOf(waiting, name).push(mine);
      options.signal?.addEventListener('abort', () => {
        const list = listOf(waiting, name);
        if (!list.includes(mine)) return;
        list.splice(list.indexOf(mine), 1);
        reject(new DOMException('no longer wanted', 'AbortError'));
        grantNext(name);
      });
    });

  type Channel = ReturnType<LockParts['channel']>;
  const channels = new Map<string, Set<Channel>>();
  const channel = (name: string): Channel => {
    const all = channels.get(name) ?? new Set<Channel>();
    channels.set(name, all);
    const mine: Channel = {
      onmessage: null,
      postMessage: (data: unknown) => {
        for (const other of all)
          if (other !== mine)
            setImmediate(() => (other.onmessage as ((event: { readonly data: unknown }) => void) | null)?.({ data }));
      },
      close: () => void all.delete(mine),
    };
    all.add(mine);
    return mine;
  };

  return {
    locks: { request: request as LockManager['request'] },
    channel,
    isHeld: (name) => (held.get(name) ?? []).length > 0,
  };
}
