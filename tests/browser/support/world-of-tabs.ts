import type { Browser, Page } from 'puppeteer-core';
import type { Entering, Records, World } from '../../support/histories';
import { goTo, newTab } from './teacher';

/** What the console of a tab offers. */
interface ConsoleDoor {
  readonly newThumb: {
    readonly studio: {
      readonly run: (command: unknown, label: string) => Promise<unknown>;
      readonly next: (undoRedo: string) => Promise<unknown>;
      readonly undoOrRedo: (number: number, undoRedo: string, how: string) => Promise<unknown>;
      readonly contents: () => Promise<unknown>;
    };
    readonly pieceToEnter: (
      id: string,
    ) => Promise<{ readonly piece: { readonly musicXml: string; readonly edition: string | null } } | null>;
    readonly editsAfter: (number: number) => Promise<readonly number[]>;
  };
}

/** Opens a tab on a screen that is quickly there and has little to draw when the studio changes, with its door open. */
export async function openTab(browser: Browser): Promise<Page> {
  const page = await newTab(browser);
  await goTo(page, '/bench');
  await page.waitForFunction(() => 'newThumb' in window);
  return page;
}

/** A studio with real tabs of one browser. A tab breaks by being closed while something is on its way. */
export function worldOfTabs(browser: Browser, pages: Map<string, Page>): World {
  let opened = 0;
  const pageOf = (tab: string): Page => pages.get(tab) as Page;
  const anyPage = (): Page => [...pages.values()][0] as Page;
  const call = <T>(
    page: Page,
    name: 'run' | 'next' | 'undoOrRedo' | 'contents',
    ...question: readonly unknown[]
  ): Promise<T> =>
    page.evaluate(
      (method, asked) =>
        (window as unknown as ConsoleDoor).newThumb.studio[method as 'run'](...(asked as [unknown, string])),
      name,
      question as unknown[],
    ) as Promise<T>;
  const close: World['close'] = async (tab) => {
    const old = pageOf(tab);
    opened += 1;
    const name = `tab ${opened}`;
    pages.delete(tab);
    if (!old.isClosed()) await old.close({ runBeforeUnload: false });
    pages.set(name, await openTab(browser));
    return name;
  };
  return {
    run: (tab, command) => call(pageOf(tab), 'run', command, command.kind),
    runAndBreak: async (tab, command) => {
      const asked = call(pageOf(tab), 'run', command, command.kind).catch(() => null);
      await pageOf(tab).close({ runBeforeUnload: false });
      await asked;
      return null;
    },
    next: (tab, undoRedo) => call(pageOf(tab), 'next', undoRedo),
    undoOrRedo: (tab, number, undoRedo, how) => call(pageOf(tab), 'undoOrRedo', number, undoRedo, how),
    toEnter: (id) =>
      anyPage().evaluate(async (piece) => {
        const found = await (window as unknown as ConsoleDoor).newThumb.pieceToEnter(piece);
        return found ? ({ ...found, musicXml: found.piece.musicXml, edition: found.piece.edition } as unknown) : null;
      }, id) as Promise<Entering | null>,
    contents: () => call(anyPage(), 'contents'),
    records: async () => new Map((await stored(anyPage())).filter(([name]) => !name.startsWith('history/'))) as Records,
    done: () => anyPage().evaluate(() => (window as unknown as ConsoleDoor).newThumb.editsAfter(-1)),
    close,
    breaksOneIn: 15,
  };
}

/** Every record of the studio and of its history, by its place, as the browser keeps it. */
export function stored(page: Page): Promise<[string, Readonly<Record<string, unknown>>][]> {
  return page.evaluate(
    () =>
      new Promise<[string, Readonly<Record<string, unknown>>][]>((resolve, reject) => {
        const opening = indexedDB.open('new-thumb');
        opening.onerror = () => reject(new Error('no studio'));
        opening.onsuccess = () => {
          const tables = ['pieces', 'pupils', 'plan', 'answers', 'runs', 'kept', 'aside', 'history'];
          const reading = opening.result.transaction(tables);
          const found: [string, Readonly<Record<string, unknown>>][] = [];
          for (const table of tables) {
            const asked = reading.objectStore(table).getAll();
            asked.onsuccess = () =>
              found.push(
                ...asked.result.map(
                  (record: { readonly id?: string; readonly number?: number }) =>
                    [`${table}/${record.id ?? record.number}`, record] as [string, never],
                ),
              );
          }
          reading.oncomplete = () => {
            opening.result.close();
            resolve(found);
          };
        };
      }),
  );
}

/** Puts a record in its place, past every door: as damage or another version would leave it. */
export function putStored(page: Page, store: string, record: Readonly<Record<string, unknown>>): Promise<void> {
  return page.evaluate(
    (name, put) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('new-thumb');
        opening.onsuccess = () => {
          const writing = opening.result.transaction(name, 'readwrite');
          writing.objectStore(name).put(put);
          writing.onerror = () => reject(new Error('it could not be put'));
          writing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    store,
    record as Record<string, unknown>,
  );
}

/** Empties the studio, or its history alone, past every door. */
export function clearStores(page: Page, stores: readonly string[]): Promise<void> {
  return page.evaluate(
    (names) =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('new-thumb');
        opening.onsuccess = () => {
          const clearing = opening.result.transaction(names as string[], 'readwrite');
          for (const name of names) clearing.objectStore(name).clear();
          clearing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    stores as string[],
  );
}
