import type { Result } from '@/core/base';
import { USUAL_WORDING } from '@/core/explain';
import { readPieceToEnter, type EntryStore } from '@/data/entering';
import type { StudioDatabase } from '@/data/database';
import { createPieceLock } from '@/data/device/piece-lock';
import type { EnterCommand, StoreFault } from '@/data/door/commands';
import { noteCaret } from '@/data/door/carets';
import { runCommand, type Done } from '@/data/door/door';
import { createStudio, type Studio } from '@/data/door/studio';
import { editionOf } from '@/data/reading';
import { createEntering } from '@/features/entry/entering/entering';
import type { Entering, EnteringTold } from '@/features/entry/entering/entering-parts';
import { createEntryService } from '@/workers/entry/entry-service';
import type { PretendedLocks } from './locks';

/** A tab in which a piece is entered, without a screen: the controller, the core's service and the store are those of the application. */
export interface EnteringTab {
  readonly entering: Entering;
  readonly studio: Studio;
  readonly told: readonly EnteringTold['kind'][];
  /** Ends the worker: a fresh one has no piece open. */
  readonly killWorker: () => void;
  /** The answer to the next write is lost on its way, and asked for once more, as it is of a worker that died over it. */
  readonly loseAnswer: () => void;
  /** Whether there is room on the device for what this tab writes. */
  readonly setRoom: (room: 'room' | 'full') => void;
  readonly setSeen: (isSeen: boolean) => void;
  /** Answers nobody any more, as a tab that the system has put to sleep. */
  readonly freeze: (isFrozen: boolean) => void;
  readonly close: () => Promise<void>;
}

export interface TabsOf {
  readonly database: StudioDatabase;
  readonly locks: PretendedLocks;
  readonly piece: string;
  /** Told of every change of the studio, as the browser tells every tab of it. */
  readonly listeners: Set<() => void>;
  /** Lets other things happen in between: resolves after a while, long or short. */
  readonly pause: () => Promise<void>;
  /** After how long a tab no longer asks for the lock, and takes it. Unit: ms. */
  readonly patience: number;
  /** Hears of every change of a tab, with what it shows. */
  readonly look?: (tab: Entering) => void;
}

let stamped = 1_000;
let opened = 0;

/** Opens a piece in a tab of its own. */
export function enteringTab({ database, locks, piece, listeners, pause, patience, look }: TabsOf): EnteringTab {
  opened += 1;
  let [isFull, isLost, isSeen, isFrozen] = [false, false, true, false];
  let service = createEntryService();
  const told: EnteringTold['kind'][] = [];

  const run = async (command: EnterCommand, write: () => Promise<Result<Done, StoreFault>>) => {
    await pause();
    if (isFull) return { ok: false, error: { code: 'store.full' } } as const;
    const first = await write();
    if (!isLost || command.kind !== 'piece.enter') return first;
    isLost = false;
    return write();
  };
  const studio = createStudio(database, `tab ${opened}`, () => (stamped += 1), {
    write: (command, attribution) => run(command as EnterCommand, () => runCommand(database, command, attribution)),
  });

  const store: EntryStore = {
    open: async () => {
      await pause();
      return readPieceToEnter(database, piece);
    },
    enter: (command) => studio.run(command),
    edition: async () => {
      await pause();
      return editionOf(database, piece);
    },
    noteCaret: (edition, typing) => noteCaret(database, piece, edition, typing),
    isWaiting: () => studio.waiting().count > 0,
    watch: (tell) => {
      const hear = (): void => void pause().then(() => listeners.has(hear) && tell());
      listeners.add(hear);
      const leave = studio.listen(tell);
      return () => {
        listeners.delete(hear);
        leave();
      };
    },
  };

  type Service = ReturnType<typeof createEntryService>;
  let last: Promise<unknown> = Promise.resolve();
  /** Asks the service: one question after the other, as a worker does. One that was ended meanwhile is asked once more, as its supervisor does. */
  const asked =
    <Name extends keyof Service>(name: Name) =>
    (...question: never[]): Promise<never> => {
      const mine = last.then(async () => {
        for (;;) {
          const now = service;
          await pause();
          const answer = await (now[name] as unknown as (...all: never[]) => Promise<never>)(...question);
          await pause();
          if (now === service) return answer;
        }
      });
      last = mine;
      return mine;
    };
  const worker = Object.fromEntries(
    (['open', 'press', 'setOut', 'abc', 'abcDone', 'played'] as const).map((name) => [name, asked(name)]),
  ) as unknown as Service;

  const entering = createEntering(piece, {
    worker,
    store,
    lock: (lockTold) => {
      const never = new Promise<never>(() => undefined);
      return createPieceLock(
        piece,
        { ...lockTold, wanted: () => (isFrozen ? never : lockTold.wanted()) },
        { ...locks, askEveryMs: 4, askForMs: patience },
      );
    },
    stamp: () => (stamped += 1),
    hear: () => undefined,
    isSeen: () => isSeen,
  });
  const unlook = look ? entering.listen(() => look(entering)) : () => undefined;
  const end = entering.begin(({ kind }) => told.push(kind));
  entering.setPage({ columns: 24, prefix: 'after-', wording: USUAL_WORDING });
  return {
    entering,
    studio,
    told,
    killWorker: () => (service = createEntryService()),
    loseAnswer: () => (isLost = true),
    setRoom: (room) => {
      isFull = room === 'full';
      if (!isFull) void studio.retry();
    },
    setSeen: (now) => {
      isSeen = now;
      entering.seen();
    },
    freeze: (now) => (isFrozen = now),
    close: async () => {
      await end();
      unlook();
    },
  };
}
