import type { Answer } from '@/contract/answer';
import type { Pressed } from '@/contract/entry-questions';
import type { EntryWorker } from './entering-parts';

/** Something that was asked for: a key press, or music that is read in. */
export interface Ask {
  /** Counted from 1, in the order in which they were asked for. */
  readonly number: number;
  readonly send: (worker: EntryWorker, atMs: number) => Promise<Answer<Pressed>>;
  /** Whether it is asked once more where the piece was opened anew before it was kept: in whatever music there is then, or in the same music alone. */
  readonly again: 'in any music' | 'in the same music';
  /** It will not be asked again. */
  readonly drop: () => void;
}

/** What was asked for and is not known to be in the store, in its order: first what was sent to the worker, then what waits to be sent. */
export interface Asks {
  readonly add: (one: Omit<Ask, 'number'>) => void;
  /** The number of the last one before those that wait. */
  readonly before: () => number;
  readonly areWaiting: () => boolean;
  /** Those that may be sent now. */
  readonly due: () => readonly Ask[];
  /** From now on only what was asked for so far is due, or everything again. */
  readonly hold: () => void;
  readonly release: () => void;
  /** Takes those that are due as sent. */
  readonly take: () => readonly Ask[];
  /** It led to nothing that has to be kept. */
  readonly done: (one: Ask) => void;
  /** Everything up to a number is in the store. */
  readonly kept: (upTo: number) => void;
  /** What was sent will not be asked again: it would be refused again. */
  readonly forgetSent: () => void;
  /** What was sent and is not in the store waits to be sent once more, before what came since. */
  readonly again: (keptUpTo: number) => void;
  /** Drops what makes no sense in other music, or everything that waits. Says whether there was any. */
  readonly dropTurns: () => boolean;
  readonly dropAll: () => boolean;
}

export function createAsks(): Asks {
  let waiting: readonly Ask[] = [];
  let sent: readonly Ask[] = [];
  let count = 0;
  /** Those up to this one are due; null where all are. */
  let heldFrom: number | null = null;

  const due = (): readonly Ask[] => {
    const last = heldFrom;
    return last === null ? waiting : waiting.filter(({ number }) => number <= last);
  };
  const notIn =
    (others: readonly Ask[]) =>
    (one: Ask): boolean =>
      !others.includes(one);
  const dropWaiting = (dropped: readonly Ask[]): boolean => {
    waiting = waiting.filter(notIn(dropped));
    dropped.forEach(({ drop }) => drop());
    return dropped.length > 0;
  };

  return {
    add: (one) => {
      count += 1;
      waiting = [...waiting, { ...one, number: count }];
    },
    before: () => (waiting[0]?.number ?? count + 1) - 1,
    areWaiting: () => waiting.length > 0,
    due,
    hold: () => {
      heldFrom = count;
    },
    release: () => {
      heldFrom = null;
    },
    take: () => {
      const now = due();
      waiting = waiting.filter(notIn(now));
      sent = [...sent, ...now];
      return now;
    },
    done: (one) => {
      sent = sent.filter(notIn([one]));
    },
    kept: (upTo) => {
      sent = sent.filter(({ number }) => number > upTo);
    },
    forgetSent: () => {
      sent = [];
    },
    again: (keptUpTo) => {
      waiting = [...sent.filter(({ number }) => number > keptUpTo), ...waiting];
      sent = [];
    },
    dropTurns: () => dropWaiting(waiting.filter(({ again }) => again === 'in the same music')),
    dropAll: () => dropWaiting(waiting),
  };
}
