import type { LockTold, PieceLock } from '@/data';
import type { EntryPageAsked, Pressed } from '@/contract/entry-questions';
import type { Answer } from '@/contract/answer';
import { createAsks, type Ask } from './asks';
import type { Entering, EnteringParts, EnteringState, EnteringTold } from './entering-parts';
import { createKeeper, type KeeperEnd } from './keeper';
import { resumeAt, type Shown } from './resume-at';
import { createScreenState } from './screen-state';
import { abcReading, CLOSED, keyPress, playedKeys } from './what-is-asked';

/**
 * Enters a piece. One tab writes, the one that holds the piece's lock; in the others the piece is shown as the store has it. The lock is asked for with
 * the first key, which then counts in the piece as the store has it. Whatever was asked for and is not in the store when the music turns out to be
 * another one is asked for once more, or told.
 */
// eslint-disable-next-line max-lines-per-function -- small functions that share what was asked for and is not kept yet
export function createEntering(id: string, { worker, store, ...parts }: EnteringParts): Entering {
  let tell: (told: EnteringTold) => void = () => undefined;
  let page: EntryPageAsked | null = null;
  let role: 'none' | 'writer' | 'watcher' = 'none';
  const asks = createAsks();
  /** Which opening of the piece the worker's answers belong to. */
  let generation = 0;
  let isOpen = false;
  let mustOpen = true;
  let giving: Promise<unknown> = Promise.resolve();
  /** The music and the place in it that are shown. */
  let shown: Shown | null = null;
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

  const onEnd = (why: KeeperEnd): void => {
    if (why.kind === 'refused') {
      asks.forgetSent();
      tell({ kind: 'not-kept', fault: why.fault });
    }
    mustOpen = true;
    publish();
    drive();
  };
  const onKept = (): void => {
    asks.kept(keeper.keptUpTo());
    if (isOpen) publish();
  };
  const keeper = createKeeper(id, store, { changed: onKept, ended: onEnd });
  const screen = createScreenState(() => keeper.kept());
  const { publish } = screen;

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
    asks.hold();
    drive();
    await allAnswered();
    const isHeld = store.isWaiting();
    if (!isHeld) {
      await noteCaret();
      role = 'watcher';
    }
    asks.release();
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
  const isToDo = (): boolean =>
    held !== null && page !== null && (asks.due().length > 0 || (mustOpen && isToBeOpened()));
  /** A tab that nobody sees is brought up to date once it is seen: the one that is entered into needs the time. */
  const isToBeOpened = (): boolean => role !== 'watcher' || parts.isSeen() || asks.areWaiting();

  const loop = async (): Promise<void> => {
    while (isToDo() && page !== null && held !== null) {
      if (asks.due().length > 0 && role === 'watcher') await takeLock(held.lock);
      else if (mustOpen) await open(page, held.lock);
      else if (isOpen) sendAll();
      else asks.dropAll();
    }
  };

  const takeLock = async (lock: PieceLock): Promise<void> => {
    if ((await lock.take()) === 'held') {
      asks.dropAll();
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
    asks.again(keeper.keptUpTo());
    keeper.end();
    if (role === 'none') role = (await lock.tryTake()) ? 'writer' : 'watcher';
    const found = await store.open().catch(() => 'unreachable' as const);
    if (found === null || found === 'unreachable') return cannotOpen(found === null ? 'gone' : 'not-opened');
    const { musicXml, part, edition } = found.piece;
    const isOther = shown !== null && shown.edition !== edition;
    if (isOther && asks.dropTurns()) tell({ kind: 'not-kept', fault: null });
    const isElsewhere = role === 'watcher' || isFromStore || isOther;
    const answer = await worker.open(
      { musicXml, part },
      found.steps,
      on,
      resumeAt(found, { shown, isElsewhere, isAbc }),
    );
    if (!answer.ok) return cannotOpen(answer.trouble);
    if (isOther) isChanged = true;
    isFromStore = false;
    isOpen = true;
    shown = { edition, typing: answer.value.typing };
    keeper.begin(found, asks.before());
    publish({
      view: answer.value.view,
      musicXml,
      notice: null,
      trouble: null,
      opening: screen.state().opening + (isOther ? 1 : 0),
    });
    if (page !== null && page !== on) setOut(page);
    // What changed between the reading and now would otherwise be told to nobody.
    keeper.look();
  };

  const cannotOpen = (trouble: NonNullable<EnteringState['trouble']>): void => {
    if (asks.dropAll()) tell({ kind: 'not-kept', fault: null });
    publish({ trouble });
  };

  const sendAll = (): void => {
    const now = asks.take();
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
      asks.done(ask);
      return tell({ kind: 'trouble', trouble: answer.trouble });
    }
    const { view, notice, sounds, keep, typing } = answer.value;
    if (keep) {
      const edition = keeper.keep({ entered: keep, typing, upTo: ask.number });
      // The music was changed elsewhere just now: the key counts once the piece is opened again.
      if (edition === undefined) return;
      shown = { edition, typing };
    } else {
      asks.done(ask);
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

  const ask = (one: Omit<Ask, 'number'>): void => {
    asks.add(one);
    drive();
  };

  /** Resolves once everything that is due was answered and is kept. */
  const allAnswered = async (): Promise<void> => {
    let seen: Promise<unknown> | null = null;
    // What is answered may lead to more that is asked for.
    while (driving !== null || seen !== answers || asks.due().length > 0) {
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
    } while (asks.areWaiting() && isToDo());
  };

  const onStore = (): void => {
    if (screen.state().trouble !== null) {
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
    state: screen.state,
    listen: screen.listen,
    setPage: (wanted) => {
      page = wanted;
      if (isOpen) setOut(wanted);
      else drive();
    },
    press: (command) => ask(keyPress(command)),
    abc: (text) => new Promise((read) => ask(abcReading(text, { begins: () => void (isAbc = true), read }))),
    abcDone: () => {
      isAbc = false;
      void worker.abcDone();
    },
    played: (keys, msPerQuarter, grid) => ask(playedKeys(keys, msPerQuarter, grid)),
    seen: drive,
    hidden: () => void noteCaret(),
    settled,
  };
}
