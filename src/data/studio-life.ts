'use client';

import { storeWorker } from './storing/store-client';
import { deleteDatabase, NewerStudioError, openDatabase, type StudioDatabase } from './database';
import { forgetTab, removeLeftovers } from './device/leftovers';
import type { Command } from './door/commands';
import { runCommand, storeFault, type Attribution } from './door/door';
import { createStudio, type Studio, type StudioSource, type Write } from './door/studio';
import { loadedView, viewOf, viewOfLists } from './door/view';
import { contentsOf, type StudioContents } from './file/contents';
import type { Remembered } from './remembered';

/** How the browser's store stands to this tab. `old`: another tab opened it in a newer version. `gone`: it was deleted or closed under the page. `blocked`:
 * it cannot be brought up while another tab has it open in an older version. `newer`: a newer version has brought it up, and this one leaves it alone.
 * `unreachable`: the browser does not open it at all. `removed`: the teacher wanted nothing of it left; `removed-elsewhere`: and said so in another tab. */
export type StoreState =
  'open' | 'blocked' | 'old' | 'newer' | 'gone' | 'unreachable' | 'removed' | 'removed-elsewhere';

/** What a page still has of a studio that is gone. `isWhole`: all of it. */
export interface Lost {
  readonly pieces: number;
  readonly pupils: number;
  readonly isWhole: boolean;
}

let opened: StudioDatabase | null = null;
let door: Studio | null = null;
let storeState: StoreState = 'open';
/** Once this page has had a studio open, none is made anew and empty behind the teacher’s back. */
let mayMake = true;
/** What is left of the studio; null where it is in its store, or where nothing is left. */
let left: Promise<Remembered | null> = Promise.resolve(null);
let lost: Lost | 'reading' | null = null;
const listeners = new Set<() => void>();

/** The studio's database in this browser. It stays inside `data`: screens read by the hooks, and change by the door. */
export function studioDatabase(): StudioDatabase {
  opened ??= watched(openDatabase(undefined, () => mayMake));
  return opened;
}

/** How the store stands just now. */
export function studioState(): StoreState {
  return storeState;
}

/** What this page still has of a studio that is gone; null where it is not gone, and where nothing is left. */
export function lostStudio(): Lost | 'reading' | null {
  return lost;
}

export function onStudioState(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

function tell(state: StoreState): void {
  storeState = state;
  listeners.forEach((listener) => listener());
}

/** At the latest so long after the studio is open it is read into memory; what the screen shows first comes first. Unit: ms. */
const REMEMBERED_AFTER_MS = 400;

function rememberSoon(): void {
  const remember = (): void =>
    void storeWorker()
      .remember()
      // Whoever looks from outside, as a test does, sees that the studio is safe.
      .then((answer) => (document.documentElement.dataset['remembered'] = String(answer.ok)));
  // Safari has no idle time.
  if ('requestIdleCallback' in window) window.requestIdleCallback(remember, { timeout: REMEMBERED_AFTER_MS });
  else setTimeout(remember, REMEMBERED_AFTER_MS);
}

/** Whether the teacher wanted nothing of the studio left in this browser: nothing is kept any more. */
export function isRemoved(): boolean {
  return storeState === 'removed' || storeState === 'removed-elsewhere';
}

/** What tabs tell each other: that everything is being removed. */
const REMOVAL = 'new-thumb-removal';

function watched(database: StudioDatabase): StudioDatabase {
  new BroadcastChannel(REMOVAL).onmessage = () => {
    if (isRemoved()) return;
    tell('removed-elsewhere');
    database.close();
    void storeWorker().forget();
    forgetTab();
  };
  database.on('blocked', () => tell('blocked'));
  database.on(
    'ready',
    () => {
      mayMake = false;
      // Only a connection that the browser itself ends says so.
      database.backendDB().addEventListener('close', () => lose(database, () => Promise.resolve(null)));
      if (storeState !== 'open') tell('open');
      rememberSoon();
    },
    true,
  );
  database.on('versionchange', (event) => {
    // Whoever wants to change the database waits for us. A newer version finds everything written; what is deleted is read first.
    if (event.newVersion === null) lose(database, () => readNow(database));
    else {
      database.close();
      tell('old');
    }
    return false;
  });
  // The hooks wait for a store that does not open without a word: it is told here.
  database.open().catch((error: unknown) => {
    if (storeState === 'open') tell(isNewer(error) ? 'newer' : 'unreachable');
  });
  return database;
}

function isNewer(error: unknown): boolean {
  const inner = (error as { readonly inner?: unknown } | null)?.inner;
  return error instanceof NewerStudioError || inner instanceof NewerStudioError;
}

/** The browser takes the studio away: the page keeps what it has of it in memory. `read`: what can still be read of it. */
function lose(database: StudioDatabase, read: () => Promise<Remembered | null>): void {
  if (storeState === 'gone' || isRemoved()) return;
  left = remembered(read).finally(() => database.close());
  lost = 'reading';
  tell('gone');
  void left.then((all) => {
    const isSomething = all !== null && Object.values(all.tables).some((records) => records.length > 0);
    lost = isSomething
      ? { pieces: all.tables.pieces.length, pupils: all.tables.pupils.length, isWhole: all.isWhole }
      : null;
    tell('gone');
  });
}

/** What the storing worker remembers, or, where that is not all, what can still be read. */
async function remembered(read: () => Promise<Remembered | null>): Promise<Remembered | null> {
  const answer = await storeWorker().recall();
  if (answer.ok && answer.value?.isWhole) return answer.value;
  const now = await read().catch(() => null);
  return now ?? (answer.ok ? answer.value : null);
}

async function readNow(database: StudioDatabase): Promise<Remembered> {
  const view = await loadedView(database);
  const { pieces, pupils, plan, lessons, answers, runs, kept, aside } = {
    pieces: await view.all('pieces'),
    pupils: await view.all('pupils'),
    plan: await view.all('plan'),
    lessons: await view.all('lessons'),
    answers: await view.all('answers'),
    runs: await view.all('runs'),
    kept: await view.all('kept'),
    aside: await view.all('aside'),
  };
  const stamps = await database.stamps.toArray();
  return { isWhole: true, tables: { pieces, pupils, plan, lessons, answers, runs, kept, aside }, stamps };
}

/** The studio as it is: in its store, or, where that is gone, as this page remembers it. */
const source: StudioSource = async () => {
  if (isRemoved()) throw new Error('the studio was removed');
  if (storeState !== 'gone') return { view: viewOf(studioDatabase()), stamps: await studioDatabase().stamps.toArray() };
  const all = await left;
  if (!all) throw new Error('nothing of the studio is left in this page');
  return { view: viewOfLists(all.tables), stamps: all.stamps };
};

/** The door of this tab. */
export function studio(): Studio {
  door ??= createStudio(studioDatabase(), tabName(), Date.now, { write, source });
  return door;
}

/** What is entered is kept by a worker: the page is busy drawing it. Where no worker runs, the page keeps it itself. Nothing is written into a store that
 * is gone, or into another one in its place. */
const write: Write = async (command, attribution, onPart) => {
  if (storeState === 'gone' || isRemoved()) return { ok: false, error: { code: 'store.lost' } };
  const done = await writeNow(command, attribution, onPart);
  // It may have gone just then.
  const isLost = !done.ok && done.error.code === 'store.unreachable' && studioState() === 'gone';
  return isLost ? { ok: false, error: { code: 'store.lost' } } : done;
};

const writeNow: Write = async (command, attribution, onPart) => {
  if (command.kind !== 'piece.enter') return runCommand(studioDatabase(), command, attribution, onPart);
  const answer = await storeWorker().enter(command, attribution);
  return answer.ok ? answer.value : runCommand(studioDatabase(), command, attribution);
};

/** Puts what this page still has of the studio into a new store of this browser, with what was done since. Says whether it is there; then the page has to
 * be loaded anew. Where somebody began another studio meanwhile, that one stays, and gets what it does not have. */
export async function putStudioBack(label: string): Promise<boolean> {
  const all = await left;
  if (!all) return false;
  const contents = await contentsOf(viewOfLists(all.tables), all.stamps);
  const before = opened;
  const fresh = openDatabase(undefined, () => true);
  // What screens read from now on is there.
  opened = fresh;
  const done = await takeIn(fresh, contents, label);
  if (!done) {
    fresh.close();
    opened = before;
    return false;
  }
  storeState = 'open';
  await studio().retry();
  return true;
}

async function takeIn(fresh: StudioDatabase, contents: StudioContents, label: string): Promise<boolean> {
  try {
    return (await runCommand(fresh, await takingIn(fresh, contents), attributionOf(label))).ok;
  } catch (error) {
    storeFault(error);
    return false;
  }
}

async function takingIn(fresh: StudioDatabase, contents: StudioContents): Promise<Command> {
  const isEmpty = (await fresh.pieces.count()) + (await fresh.pupils.count()) === 0;
  return { kind: 'studio.take-in', contents, how: isEmpty ? 'replace' : 'keep', file: 'studio' };
}

function attributionOf(label: string): Attribution {
  return { tab: tabName(), label, atMs: Date.now() };
}

/** Removes all that the application has put into this browser: the studio, what is kept of forms, and the application itself. It waits until other tabs
 * have let go of the studio. */
export async function removeEverything(): Promise<void> {
  tell('removed');
  new BroadcastChannel(REMOVAL).postMessage('removed');
  studioDatabase().close();
  await storeWorker().forget();
  await deleteDatabase();
  await removeLeftovers();
}

/** A name for this tab that it keeps over a reload. */
function tabName(): string {
  const known = sessionStorage.getItem(TAB);
  if (known) return known;
  const name = crypto.randomUUID();
  sessionStorage.setItem(TAB, name);
  return name;
}

const TAB = 'new-thumb-tab';
