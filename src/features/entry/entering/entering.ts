import type { EntryView } from '@/core/views';
import type { Grid, PlayedKey } from '@/core/read';
import type { EntryStore, LockTold, PieceLock, PieceToEnter, StoreFault } from '@/data';
import type { Asked } from '@/workers/guarded';
import type { EntryPageAsked, EntryResume, EntryService, Pressed, ScreenCommand } from '@/workers/entry-protocol';
import type { Answer, Trouble } from '@/workers/protocol';
import { createKeeper, type Kept, type KeeperEnd } from './keeper';
import { sameSystems } from './same-systems';

/** A piece that is being entered, as one tab shows it. */
export interface EnteringState {
  /** Null until the piece is open. */
  readonly view: EntryView | null;
  readonly musicXml: string | null;
  /** Said of what is shown. */
  readonly kept: Kept;
  /** Whether another tab is entering this piece: it is shown here as it becomes, and the first key goes on here. */
  readonly isElsewhere: boolean;
  /** Why the last key did nothing. */
  readonly notice: string | null;
  /** Why the piece cannot be shown: it is not on the shelf, the store did not answer, or what the core says of it. */
  readonly trouble: 'gone' | 'not-opened' | Trouble | null;
  /** Rises where the piece was opened anew, since it was changed elsewhere. */
  readonly opening: number;
}

/** What is told once, beside what is shown. `not-kept`: something that was entered last is not in the piece. */
export type EnteringTold =
  | { readonly kind: 'changed-elsewhere' }
  | { readonly kind: 'held-elsewhere' }
  | { readonly kind: 'not-kept'; readonly fault: StoreFault | null }
  | { readonly kind: 'trouble'; readonly trouble: Trouble };

type EntryWorker = Pick<Asked<EntryService>, 'open' | 'press' | 'setOut' | 'abc' | 'abcDone' | 'played'>;

/** What entering is made of, apart from the page: the worker with the core, the store, and the lock that says who writes. */
export interface EnteringParts {
  readonly worker: EntryWorker;
  readonly store: EntryStore;
  readonly lock: (told: LockTold) => PieceLock;
  /** The time of a key press, never the same twice. Unit: ms since 1970. */
  readonly stamp: () => number;
  readonly hear: (midis: readonly number[]) => void;
  /** Whether anybody sees this tab; told by `seen` where that changes. */
  readonly isSeen: () => boolean;
}

/** The entering of one piece in one tab. */
export interface Entering {
  /** Begins, and says whom things are told that are not shown. Gives what ends it: everything is settled first, then others may write. */
  readonly begin: (tell: (told: EnteringTold) => void) => () => Promise<void>;
  readonly state: () => EnteringState;
  readonly listen: (tell: () => void) => () => void;
  /** How the page is set out; the piece is opened with the first one. */
  readonly setPage: (page: EntryPageAsked) => void;
  readonly press: (command: ScreenCommand) => void;
  /** Reads ABC into the piece as it is written. Gives what is wrong with it; null where nothing is. */
  readonly abc: (text: string) => Promise<Trouble | null>;
  readonly abcDone: () => void;
  readonly played: (keys: readonly PlayedKey[], msPerQuarter: number, grid: Grid) => void;
  /** This tab is looked at again. */
  readonly seen: () => void;
  /** Notes where entering stands: the tab may be gone the next moment. */
  readonly hidden: () => void;
  /** Resolves once everything that was pressed is kept, or told. */
  readonly settled: () => Promise<void>;
}

/** Something that was asked for: a key press, or music that is read in. */
interface Ask {
  readonly number: number;
  readonly send: (worker: EntryWorker, atMs: number) => Promise<Answer<Pressed>>;
  /** Whether it is asked once more where the piece was opened anew before it was kept: in whatever music there is then, or in the same music alone. */
  readonly again: 'in any music' | 'in the same music';
  /** It will not be asked again. */
  readonly drop: () => void;
}

/** What a worker answers that has no piece open: it was started anew. */
const CLOSED = 'entry.closed';

function isTurn({ kind }: ScreenCommand): boolean {
  return kind === 'undo' || kind === 'redo';
}

const NOTHING_SHOWN: EnteringState = {
  view: null,
  musicXml: null,
  kept: { kind: 'keeping' },
  isElsewhere: false,
  notice: null,
  trouble: null,
  opening: 0,
};

/**
 * Enters a piece. One tab writes, the one that holds the piece's lock; in the others the piece is shown as the store has it. The lock is asked for with
 * the first key, which then counts in the piece as the store has it. Whatever was asked for and is not in the store when the music turns out to be
 * another one is asked for once more, or told.
 */
// eslint-disable-next-line max-lines-per-function -- small functions that share what was asked for and is not kept yet
export function createEntering(id: string, { worker, store, ...parts }: EnteringParts): Entering {
  let state = NOTHING_SHOWN;
  const listeners = new Set<() => void>();
  let tell: (told: EnteringTold) => void = () => undefined;
  let page: EntryPageAsked | null = null;
  let role: 'none' | 'writer' | 'watcher' = 'none';
  /** Asked for and not sent yet; sent and not known to be in the store. */
  let queue: readonly Ask[] = [];
  let sent: readonly Ask[] = [];
  let asked = 0;
  /** Which opening of the piece the worker's answers belong to. */
  let generation = 0;
  let isOpen = false;
  let mustOpen = true;
  /** Asks up to this one are still sent before the lock is given; null where nobody wants it. */
  let givingUpTo: number | null = null;
  let giving: Promise<unknown> = Promise.resolve();
  /** The music and the place in it that are shown. */
  let shown: { readonly edition: string | null; readonly typing: string } | null = null;
  /** Whether entering goes on from where the store says that it stood. */
  let isFromStore = false;
  /** Whether ABC is being written: each reading takes the place of the one before. */
  let isAbc = false;
  /** Whether the music that is shown came from elsewhere since the last key. */
  let isChanged = false;
  /** How often it was begun, and what is held since. */
  let begun = 0;
  let held: { readonly lock: PieceLock; readonly unwatch: () => void } | null = null;
  let driving: Promise<void> | null = null;
  let answers: Promise<unknown> = Promise.resolve();

  const publish = (change: Partial<EnteringState> = {}): void => {
    const view = change.view && sameSystems(state.view, change.view);
    state = { ...state, ...change, ...(view ? { view } : {}), kept: keeper.kept() };
    listeners.forEach((listener) => listener());
  };

  const onEnd = (why: KeeperEnd): void => {
    if (why.kind === 'refused') {
      // What was refused for its own sake would be refused again.
      sent = [];
      tell({ kind: 'not-kept', fault: why.fault });
    }
    mustOpen = true;
    publish();
    drive();
  };
  const onKept = (): void => {
    sent = sent.filter(({ number }) => number > keeper.keptUpTo());
    if (isOpen) publish();
  };
  const keeper = createKeeper(id, store, { changed: onKept, ended: onEnd });

  const told: LockTold = {
    wanted: () => {
      const given = give();
      giving = given.catch(() => undefined);
      return given;
    },
    lost: () => {
      role = 'watcher';
      mustOpen = true;
      drive();
    },
    elsewhere: (isElsewhere) => {
      publish({ isElsewhere });
      if (!isElsewhere && role === 'watcher') void promote();
    },
  };

  /** Settles what was asked for before another tab wanted the lock; what comes now waits until this tab has it again. */
  const give = async (): Promise<'settled' | 'held'> => {
    givingUpTo = asked;
    drive();
    await allAnswered();
    const isHeld = store.isWaiting();
    if (!isHeld) {
      await noteCaret();
      role = 'watcher';
    }
    givingUpTo = null;
    drive();
    return isHeld ? 'held' : 'settled';
  };

  /** Nobody enters this piece any more: this tab may, without a key. */
  const promote = async (): Promise<void> => {
    if (!(await held?.lock.tryTake()) || role !== 'watcher') return;
    role = 'writer';
    isFromStore = true;
    mustOpen = true;
    drive();
  };

  const noteCaret = async (): Promise<void> => {
    const kept = keeper.kept();
    if (role === 'writer' && isOpen && shown && kept.kind === 'kept')
      await store.noteCaret(kept.edition, shown.typing).catch(() => undefined);
  };

  const drive = (): void => {
    driving ??= Promise.resolve()
      .then(loop)
      .finally(() => {
        driving = null;
        if (isToDo()) drive();
      });
  };
  const due = (): readonly Ask[] => {
    const end = givingUpTo;
    return end === null ? queue : queue.filter(({ number }) => number <= end);
  };
  const isToDo = (): boolean => held !== null && page !== null && (due().length > 0 || (mustOpen && isToBeOpened()));
  /** A tab that nobody sees is brought up to date once it is seen: the one that is entered into needs the time. */
  const isToBeOpened = (): boolean => role !== 'watcher' || parts.isSeen() || queue.length > 0;

  const loop = async (): Promise<void> => {
    while (isToDo() && page !== null && held !== null) {
      if (due().length > 0 && role === 'watcher') await takeLock(held.lock);
      else if (mustOpen) await open(page, held.lock);
      else if (isOpen) sendAll();
      else dropAll();
    }
  };

  const takeLock = async (lock: PieceLock): Promise<void> => {
    if ((await lock.take()) === 'held') {
      dropAll();
      tell({ kind: 'held-elsewhere' });
      return;
    }
    role = 'writer';
    mustOpen = true;
    isFromStore = true;
  };

  const open = async (on: EntryPageAsked, lock: PieceLock): Promise<void> => {
    generation += 1;
    mustOpen = false;
    isOpen = false;
    await keeper.settled();
    // What is not in the store is asked for once more, in its order, before what came since.
    queue = [...sent.filter(({ number }) => number > keeper.keptUpTo()), ...queue];
    sent = [];
    keeper.end();
    if (role === 'none') role = (await lock.tryTake()) ? 'writer' : 'watcher';
    const found = await store.open().catch(() => 'unreachable' as const);
    if (found === null || found === 'unreachable') return cannotOpen(found === null ? 'gone' : 'not-opened');
    const { musicXml, part, edition } = found.piece;
    const isOther = shown !== null && shown.edition !== edition;
    if (isOther) dropTurns();
    const answer = await worker.open({ musicXml, part }, found.steps, on, resumeAt(found));
    if (!answer.ok) return cannotOpen(answer.trouble);
    if (isOther) isChanged = true;
    isFromStore = false;
    isOpen = true;
    shown = { edition, typing: answer.value.typing };
    keeper.begin(found, (queue[0]?.number ?? asked + 1) - 1);
    publish({
      view: answer.value.view,
      musicXml,
      notice: null,
      trouble: null,
      opening: state.opening + (isOther ? 1 : 0),
    });
    if (page !== null && page !== on) setOut(page);
    // What changed between the reading and now would otherwise be told to nobody.
    keeper.look();
  };

  const cannotOpen = (trouble: NonNullable<EnteringState['trouble']>): void => {
    if (queue.length > 0) tell({ kind: 'not-kept', fault: null });
    dropAll();
    publish({ trouble });
  };

  const dropAll = (): void => {
    const dropped = queue;
    queue = [];
    dropped.forEach(({ drop }) => drop());
  };

  /** What was asked for in other music than there is now, and makes no sense in this. */
  const dropTurns = (): void => {
    const dropped = queue.filter(({ again }) => again === 'in the same music');
    queue = queue.filter((one) => !dropped.includes(one));
    dropped.forEach(({ drop }) => drop());
    if (dropped.length > 0) tell({ kind: 'not-kept', fault: null });
  };

  /** Where entering goes on: where the store says that it stood, if it was last entered elsewhere; else where it stood here. */
  const resumeAt = ({ piece, typing }: PieceToEnter): EntryResume | null => {
    const isSame = shown !== null && shown.edition === piece.edition;
    const isElsewhere = role === 'watcher' || isFromStore || (shown !== null && !isSame);
    if (typing !== null && isElsewhere) return { typing, how: 'there', isAbc: isAbc && isSame };
    return shown && { typing: shown.typing, how: isSame ? 'there' : 'near', isAbc: isAbc && isSame };
  };

  const sendAll = (): void => {
    const now = due();
    queue = queue.filter((ask) => !now.includes(ask));
    sent = [...sent, ...now];
    if (isChanged) tell({ kind: 'changed-elsewhere' });
    isChanged = false;
    for (const ask of now) {
      const mine = generation;
      const answered = ask.send(worker, parts.stamp()).then((answer) => take(ask, mine, answer));
      answers = Promise.all([answers, answered]);
    }
  };

  const take = (ask: Ask, mine: number, answer: Answer<Pressed>): void => {
    // The piece is being opened anew: it is asked for again there.
    if (mine !== generation) return;
    if (!answer.ok && answer.trouble.code === CLOSED) {
      // The worker was started anew: the piece is opened again from what is kept, and the key counts there.
      mustOpen = true;
      return drive();
    }
    if (!answer.ok) {
      sent = sent.filter((one) => one !== ask);
      return tell({ kind: 'trouble', trouble: answer.trouble });
    }
    const { view, notice, sounds, keep, typing } = answer.value;
    if (keep) {
      const edition = keeper.keep({ entered: keep, typing, upTo: ask.number });
      // The music was changed elsewhere just now: the key counts once the piece is opened again.
      if (edition === undefined) return;
      shown = { edition, typing };
    } else {
      sent = sent.filter((one) => one !== ask);
      shown = shown && { ...shown, typing };
    }
    publish({ view, notice, ...(keep ? { musicXml: keep.musicXml } : {}) });
    parts.hear(sounds);
  };

  const setOut = (wanted: EntryPageAsked): void => {
    const mine = generation;
    void worker.setOut(wanted).then((answer) => {
      if (answer.ok && mine === generation) publish({ view: answer.value });
    });
  };

  const ask = (send: Ask['send'], again: Ask['again'], drop: () => void = () => undefined): void => {
    asked += 1;
    queue = [...queue, { number: asked, send, again, drop }];
    drive();
  };

  /** Resolves once everything that is due was answered and is kept. */
  const allAnswered = async (): Promise<void> => {
    let seen: Promise<unknown> | null = null;
    // What is answered may lead to more that is asked for.
    while (driving !== null || seen !== answers || due().length > 0) {
      seen = answers;
      await driving;
      await answers;
      await keeper.settled();
      if (!isToDo() && driving === null) break;
    }
    await keeper.settled();
  };

  /** The same of what has to wait until the lock is given and taken again. */
  const settled = async (): Promise<void> => {
    do {
      await allAnswered();
      await giving;
    } while (queue.length > 0 && isToDo());
  };

  const onStore = (): void => {
    if (state.trouble !== null) {
      // It may be there again: brought back by Undo.
      mustOpen = true;
      drive();
    } else if (isOpen) keeper.look();
  };

  const end = async (which: number): Promise<void> => {
    await settled();
    await noteCaret();
    if (which !== begun || held === null) return;
    const { lock, unwatch } = held;
    held = null;
    role = 'none';
    mustOpen = true;
    unwatch();
    lock.close();
  };

  return {
    begin: (to) => {
      begun += 1;
      const mine = begun;
      tell = to;
      held ??= { lock: parts.lock(told), unwatch: store.watch(onStore) };
      drive();
      return () => end(mine);
    },
    state: () => state,
    listen: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    setPage: (wanted) => {
      page = wanted;
      if (isOpen) setOut(wanted);
      else drive();
    },
    press: (command) =>
      // What was to be taken back, or done again, was a step of the music as it was then.
      ask((to, atMs) => to.press(command, atMs), isTurn(command) ? 'in the same music' : 'in any music'),
    abc: (text) =>
      new Promise((resolve) => {
        const send: Ask['send'] = async (to, atMs) => {
          isAbc = true;
          const answer = await to.abc(text, atMs);
          if (!answer.ok) {
            if (answer.trouble.code !== CLOSED) resolve(answer.trouble);
            return answer;
          }
          resolve(answer.value.trouble);
          return { ok: true, value: answer.value.pressed };
        };
        ask(send, 'in the same music', () => resolve(null));
      }),
    abcDone: () => {
      isAbc = false;
      void worker.abcDone();
    },
    played: (keys, msPerQuarter, grid) => ask((to, atMs) => to.played(keys, msPerQuarter, grid, atMs), 'in any music'),
    seen: drive,
    hidden: () => void noteCaret(),
    settled,
  };
}
