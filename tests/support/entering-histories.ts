import type { StudioDatabase } from '@/data/database';
import type { StudioContents } from '@/data/file/contents';
import { pieceById } from '@/data/reading';
import type { Entering } from '@/features/entry/entering/entering-parts';
import type { ScreenCommand } from '@/contract/entry-questions';
import { musicXml } from './build-piece';
import { enteringTab, type EnteringTab } from './entering-tabs';
import { chance } from './histories';
import { pretendedLocks } from './locks';
import { contents, does, emptyStudio, newPiece, turns } from './studio';

/** A state of the music that the store held: what it was called, and how many bars it had. */
interface Held {
  readonly edition: string | null;
  readonly bars: number;
}

/** One browser in which a piece is entered in several tabs. */
export interface EnteringWorld {
  readonly database: StudioDatabase;
  readonly open: () => EnteringTab;
  /** Every state of the music that was committed, in order. */
  readonly held: readonly Held[];
  readonly edition: () => Promise<string | null | undefined>;
  readonly bars: () => Promise<number>;
}

const PIECE = 'tune';
const TWO_BARS = musicXml({ right: 'C4q/1 D4q/2 E4h/3 | G4w/5', left: 'C3w/5 | C3w/5' });
const barsIn = (music: unknown): number =>
  String(music).match(/<measure /g)?.length
    ? (String(music)
        .split('<part ')
        .at(1)
        ?.match(/<measure /g)?.length ?? 0)
    : 0;

/** A studio with one piece, and whoever enters it. `pause` lets other things happen in between; `patience`: see `TabsOf`. */
export async function enteringWorld(
  pause: () => Promise<void>,
  look?: (tab: Entering) => void,
  patience = 60,
): Promise<EnteringWorld> {
  const database = emptyStudio();
  await does(database, { kind: 'piece.add', pieces: [newPiece(PIECE, { musicXml: TWO_BARS })] });
  const [locks, listeners, held] = [pretendedLocks(), new Set<() => void>(), [] as Held[]];
  const note = (record: Readonly<Record<string, unknown>>): void => {
    held.push({ edition: (record['edition'] as string | undefined) ?? null, bars: barsIn(record['musicXml']) });
    listeners.forEach((listener) => listener());
  };
  held.push({ edition: null, bars: 2 });
  database.pieces.hook('creating', (_id, record, transaction) => {
    transaction.on('complete', () => note(record as never));
  });
  database.pieces.hook('updating', (changes, _id, record, transaction) => {
    transaction.on('complete', () => note({ ...record, ...changes }));
  });
  database.pieces.hook('deleting', (_id, _record, transaction) => {
    transaction.on('complete', () => listeners.forEach((listener) => listener()));
  });
  return {
    database,
    open: () => enteringTab({ database, locks, piece: PIECE, listeners, pause, patience, ...(look ? { look } : {}) }),
    held,
    edition: async () => (await database.pieces.get(PIECE)) && ((await pieceById(database, PIECE))?.edition ?? null),
    bars: async () => barsIn((await database.pieces.get(PIECE))?.musicXml),
  };
}

/** Lets things happen for a while that differs from time to time, the same for the same seed. */
export function pausesOf(seed: number): () => Promise<void> {
  const luck = chance(seed);
  return async () => {
    for (let ticks = luck.below(4); ticks > 0; ticks -= 1) await new Promise((resolve) => setImmediate(resolve));
  };
}

/** A key that always adds a bar: what was entered can be counted. */
const ADDS: ScreenCommand = { kind: 'insert-bar' };

/** What can happen to the piece while it is entered. */
const HAPPENS = [
  ...['key', 'key', 'key', 'keys', 'note', 'undo', 'settle', 'open', 'close', 'restore', 'delete', 'die', 'lose'],
  ...['full', 'room', 'look', 'freeze'],
] as const;

/**
 * One history: two tabs (and whoever is opened in their place) enter one piece by chance, while it is restored, deleted and brought back, workers die,
 * answers get lost, the disk is full, tabs sleep. At every moment what a tab shows as kept must be what the store held under that name; at the end every
 * tab shows what the store holds, and everything that was pressed was entered or told. Throws where not.
 */
export async function liveThroughEntering(seed: number): Promise<void> {
  const luck = chance(seed);
  const fail = (what: string): never => {
    throw new Error(`history of entering ${seed}: ${what}`);
  };
  let world: EnteringWorld | null = null;
  const look = (tab: Entering): void => {
    const { kept, view } = tab.state();
    if (kept.kind !== 'kept' || !view || !world) return;
    const found = world.held.filter(({ edition }) => edition === kept.edition);
    if (found.length === 0) fail(`“kept” as ${kept.edition}, which the store never held`);
    if (!found.some(({ bars }) => bars === view.bars))
      fail(`${view.bars} bars are shown as kept, the store had others`);
  };
  // Some take the lock before the other tab could answer: as on a machine that is busy, or after a sleep.
  world = await enteringWorld(pausesOf(seed + 1), look, luck.of([0, 4, 60]));
  const { database } = world;
  const tabs: EnteringTab[] = [world.open(), world.open()];
  const all = [...tabs];
  let older: StudioContents | null = null;
  let [pressed, isCounted] = [0, true];
  for (let step = 0; step < 14; step += 1) {
    const which = luck.below(2);
    const tab = tabs[which] as EnteringTab;
    switch (luck.of(HAPPENS)) {
      case 'key':
      case 'keys':
        for (let more = 1 + luck.below(5); more > 0; more -= 1) {
          tab.entering.press(ADDS);
          pressed += 1;
        }
        break;
      case 'note':
        tab.entering.press({ kind: 'finger', finger: luck.of([1, 2, 3, 4, 5]), row: luck.of(['beat', 'bar']) });
        break;
      case 'undo':
        tab.entering.press({ kind: 'undo' });
        isCounted = false;
        break;
      case 'settle':
        await tab.entering.settled();
        break;
      case 'open':
      case 'close': {
        await tab.close();
        const fresh = world.open();
        tabs[which] = fresh;
        all.push(fresh);
        break;
      }
      case 'restore':
        if (older && luck.below(2) === 0) {
          await does(
            database,
            { kind: 'studio.take-in', contents: older, how: 'replace', file: 'studio' },
            'restore',
            'settings',
          );
          isCounted = false;
        } else older = await contents(database);
        break;
      case 'delete':
        if ((await world.edition()) === undefined) break;
        await does(database, { kind: 'piece.remove', id: PIECE }, 'remove', 'shelf');
        if (luck.below(3) === 0) await tab.entering.settled();
        await turns(database, 'undo', 'shelf');
        isCounted = false;
        break;
      case 'die':
        tab.killWorker();
        break;
      case 'lose':
        tab.loseAnswer();
        break;
      case 'full':
        tab.setRoom('full');
        break;
      case 'room':
        tab.setRoom('room');
        break;
      case 'look':
        tab.setSeen(luck.below(2) === 0);
        break;
      case 'freeze':
        tab.freeze(true);
        break;
    }
    for (let ticks = luck.below(30); ticks > 0; ticks -= 1) await new Promise((resolve) => setImmediate(resolve));
  }
  await comesToRest(tabs, all);
  const edition = await world.edition();
  for (const tab of tabs) {
    const { kept, view, trouble } = tab.entering.state();
    if (trouble !== null) fail(`a tab shows trouble: ${JSON.stringify(trouble)}`);
    if (kept.kind !== 'kept' || kept.edition !== edition)
      fail(`at rest ${JSON.stringify(kept)}, the store has ${edition}`);
    if (view?.bars !== (await world.bars())) fail(`${view?.bars} bars are shown, the store has ${await world.bars()}`);
  }
  const isTold = all.some(
    ({ told, studio }) => told.some((kind) => kind !== 'changed-elsewhere') || studio.waiting().refused.length > 0,
  );
  const added = await addedIn(database);
  if (isCounted && !isTold && added !== pressed)
    fail(`${pressed} bars were added, and the store has ${added} of them; nobody was told`);
  for (const tab of tabs) await tab.close();
  await database.delete();
}

/** How many bars were put in, as the history has it. */
async function addedIn(database: StudioDatabase): Promise<number> {
  const changes = await database.changes.toArray();
  return changes.filter((one) => one.kind === 'entered' && one.change.includes('"code":"bars-added"')).length;
}

/** There is room again, everybody is awake and looks, and all that was pressed is dealt with. */
async function comesToRest(tabs: readonly EnteringTab[], all: readonly EnteringTab[]): Promise<void> {
  for (const tab of all) {
    tab.freeze(false);
    tab.setRoom('room');
    await tab.studio.retry();
  }
  for (const tab of tabs) tab.setSeen(true);
  for (let times = 0; times < 3; times += 1) {
    for (const tab of tabs) await tab.entering.settled();
    for (let ticks = 0; ticks < 20; ticks += 1) await new Promise((resolve) => setImmediate(resolve));
  }
  for (const tab of tabs) await tab.entering.settled();
}
