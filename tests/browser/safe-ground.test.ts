import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { layDownText, oldDatabase } from '../support/old-studios';
import { musicXml } from '../support/build-piece';
import {
  arrive,
  arriveAtShelf,
  drop,
  goTo,
  home,
  newTab,
  openAt,
  press,
  saved,
  sees,
  seesCards,
  seesKey,
  textOf,
  type Teacher,
} from './support/teacher';
import { putStored, stored } from './support/world-of-tabs';

const OWN = musicXml({ title: 'Tin Roof', right: 'C4q/1 D4q/2 E4h/3', mode: 'major' });

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

const looksInto = async (page: Page, name: string, text: string): Promise<void> => {
  const path = join(mkdtempSync(join(tmpdir(), 'new-thumb-studio-')), name);
  writeFileSync(path, text);
  const input = (await page.waitForSelector('[data-role=studio-file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
};

const savedText = async (page: Page): Promise<string> =>
  new TextDecoder().decode((await saved(teacher.browser, () => press(page, 'Save the studio'))).bytes);

const record = async (page: Page, place: string): Promise<Readonly<Record<string, unknown>>> =>
  (await stored(page)).find(([name]) => name === place)?.[1] ?? {};

/** Brings the teacher's own piece in and enters a note at its end. */
async function bringsInAndEnters(page: Page): Promise<string> {
  await drop(page, [{ name: 'tin-roof.xml', text: OWN }]);
  await seesKey(page, 'C-major');
  const id = new URL(page.url()).searchParams.get('piece') as string;
  await page.keyboard.press('w');
  await page.waitForSelector('[data-role=entry][data-ready=true]');
  await page.keyboard.press('End');
  await page.keyboard.press('4');
  await page.waitForFunction(
    () =>
      document.querySelector('[data-panel=steps]')?.textContent === 'Steps (1)' &&
      document.querySelector('[data-role=kept][data-kept=true]'),
  );
  return id;
}

/** Waits until a page has its studio in memory as well. */
const isRemembered = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => document.documentElement.dataset['remembered'] === 'true');

describe('what a teacher did', () => {
  let id = '';
  let older = '';

  it('comes back with one Undo after an older studio file was taken in: the newer notes too', async () => {
    const { page } = teacher;
    id = await bringsInAndEnters(page);
    await goTo(page, '/settings');
    older = await savedText(page);
    await goTo(page, `/enter?piece=${id}`);
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await page.keyboard.press('End');
    await page.keyboard.press('5');
    await page.waitForFunction(
      () =>
        document.querySelector('[data-panel=steps]')?.textContent === 'Steps (2)' &&
        document.querySelector('[data-role=kept][data-kept=true]'),
    );
    const newer = (await record(page, `pieces/${id}`))['musicXml'];
    await goTo(page, '/settings');
    await looksInto(page, 'older.json', older);
    await page.waitForSelector('[data-role=file-preview] tr[data-table=pieces]');
    expect(
      await page.$eval('tr[data-table=pieces]', (row) =>
        [...row.querySelectorAll('td')].map((cell) => cell.textContent),
      ),
    ).toEqual(['0', '1', '12', '0']);
    await page.locator('input[name=take-in][value=renew]').click();
    await press(page, 'Take it in');
    await sees(page, 'The file is taken in: 13 pieces');
    expect((await record(page, `pieces/${id}`))['musicXml']).not.toBe(newer);
    await press(page, 'Undo');
    await sees(page, 'Taken back: studio file');
    expect((await record(page, `pieces/${id}`))['musicXml']).toBe(newer);
  });

  it('stands in one list, whichever screen it was done on, and a press goes back to any place of it', async () => {
    const { page } = teacher;
    await page.locator('input[name=look][value=paper]').click();
    await page.waitForFunction(() => document.documentElement.dataset['theme'] === 'paper');
    await page.locator('[data-role=history]').click();
    await page.waitForSelector('[data-role=history-list] li');
    const listed = await page.$$eval('[data-role=history-list] li span.min-w-0', (items) =>
      items.map((item) => item.textContent),
    );
    expect(listed.slice(0, 4)).toEqual([
      'Light or dark: Paper',
      expect.stringMatching(/^[A-G].*bar/),
      expect.stringMatching(/^[A-G].*bar/),
      '“tin-roof.xml” brought in',
    ]);
    // Back to the first of the two notes: the setting and the second note are taken back, on this screen too.
    await page.$$eval('[data-role=history-list] li button', (buttons) => (buttons[2] as HTMLButtonElement).click());
    await page.waitForFunction(() => document.documentElement.dataset['theme'] === undefined);
    await page.waitForFunction(() =>
      document.querySelector('[data-message=done]')?.textContent?.includes('Taken back'),
    );
    await goTo(page, `/enter?piece=${id}`);
    await page.waitForFunction(() => document.querySelector('[data-panel=steps]')?.textContent === 'Steps (1)');
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await page.keyboard.press('z');
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => document.querySelector('[data-panel=steps]')?.textContent === 'Steps (2)');
  });

  it('a piece that is taken off the shelf right after a key press comes back with its last note', async () => {
    const { page } = teacher;
    await page.keyboard.press('End');
    await page.keyboard.press('3');
    await page.locator('header a[href="/"]').click();
    await press(page, 'Take “Tin Roof” off the shelf');
    await seesCards(page, 12);
    await press(page, 'Undo');
    await seesCards(page, 13);
    expect(String((await record(page, `pieces/${id}`))['edition'])).toMatch(/#3\//);
  });

  it('a studio file holds it all, and goes into another browser whole', async () => {
    const { page } = teacher;
    await goTo(page, '/settings');
    const text = await savedText(page);
    expect(JSON.parse(text)).toMatchObject({
      newThumb: 'studio',
      version: 5,
      counts: { pieces: 13 },
      checksum: expect.stringMatching(/^[0-9a-f]{64}$/),
    });
    await looksInto(page, 'own.json', text);
    await sees(page, 'This studio holds all of it already.');
    await press(page, 'Leave it');
    await looksInto(page, 'cut.json', text.slice(0, Math.round(text.length * 0.7)));
    await sees(page, 'It is damaged or cut off');
    await sees(page, 'What cannot be read at all');
    await press(page, 'Leave it');
  });
});

describe('what cannot be understood', () => {
  it('one wrong setting changes that setting alone, stays in the store, and is listed under “Set aside”', async () => {
    const { page } = teacher;
    await goTo(page, '/settings');
    await page.waitForSelector('input[name=look]');
    const settings = await record(page, 'kept/settings');
    await putStored(page, 'kept', {
      ...settings,
      value: { ...(settings['value'] as object), keyOrder: 'fifths', spanMm: 9000 },
    });
    await page.reload();
    await page.waitForSelector('input[name=keyOrder][value=fifths]:checked');
    await page.locator('input[name=level][value="2"]').click();
    await page.waitForFunction(
      () => (document.querySelector('input[name=level][value="2"]') as HTMLInputElement).checked,
    );
    await page.waitForSelector('[data-role=aside] li');
    expect(await textOf(page, '[data-role=aside] li')).toContain('Reach of the hand');
    expect((await record(page, 'kept/settings'))['value']).toMatchObject({
      keyOrder: 'fifths',
      spanMm: 9000,
      level: '2',
    });
    await press(page, 'Delete');
    await sees(page, 'Everything in the studio is understood.');
    await press(page, 'Undo');
    await page.waitForSelector('[data-role=aside] li');
  });
});

describe('a worker', () => {
  it('that dies is started again, and what was asked is answered; entering goes on where it was', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(() => {
      const made: Worker[] = [];
      const Original = window.Worker;
      window.Worker = class extends Original {
        constructor(address: string | URL, options?: WorkerOptions) {
          super(address, options);
          made.push(this);
        }
      };
      // All that run now are ended from outside, as by a system that is short of memory.
      Object.assign(window, { killWorkers: () => made.splice(0).forEach((worker) => worker.terminate()) });
    });
    const kill = (): Promise<void> =>
      tab.evaluate(() => (window as unknown as { readonly killWorkers: () => void }).killWorkers());
    await goTo(tab, '/bench?piece=lantern-walk&key=D-major');
    await seesKey(tab, 'D-major');
    await kill();
    await tab.click('[data-key=Bb-major]');
    await seesKey(tab, 'Bb-major');
    await goTo(tab, '/enter?piece=lantern-walk');
    await tab.waitForSelector('[data-role=entry][data-ready=true]');
    await tab.keyboard.press('End');
    await tab.keyboard.press('2');
    await tab.waitForFunction(
      () =>
        document.querySelector('[data-panel=steps]')?.textContent === 'Steps (1)' &&
        document.querySelector('[data-role=kept][data-kept=true]'),
    );
    await kill();
    await tab.keyboard.press('3');
    await tab.waitForFunction(
      () =>
        document.querySelector('[data-panel=steps]')?.textContent === 'Steps (2)' &&
        document.querySelector('[data-role=kept][data-kept=true]'),
    );
    await tab.close();
  });

  it('that cannot read a piece says so, and the screen with it', async () => {
    const { page } = teacher;
    await openAt(page, '/bench?piece=lantern-walk&key=D-major');
    await seesKey(page, 'D-major');
    // Music that no screen of ours wrote, past the door: the piece is there, and cannot be read.
    await putStored(page, 'pieces', { ...(await record(page, 'pieces/lantern-walk')), musicXml: '<score-partwise' });
    await page.reload();
    await sees(page, 'The file is');
    expect(await page.$eval('[role=alert]', (told) => (told as HTMLElement).innerText)).toMatch(/cut off|damaged/);
    await press(page, 'Undo');
  });
});

describe('a screen that comes to grief', () => {
  it('says so, keeps the studio within reach, and is shown again with one press', async () => {
    const tab = await newTab(teacher.browser);
    await openAt(tab, '/bench?piece=two-boats&key=D-major');
    await seesKey(tab, 'D-major');
    // A fault of the page itself: what a dialogue needs is not there.
    await tab.evaluate(() => {
      const { showModal } = HTMLDialogElement.prototype;
      HTMLDialogElement.prototype.showModal = () => {
        HTMLDialogElement.prototype.showModal = showModal;
        throw new Error('a fault of ours');
      };
    });
    await press(tab, 'New pupil');
    await tab.waitForSelector('[data-role=trouble-page]');
    await sees(tab, 'The Bench cannot be shown just now');
    const file = await saved(teacher.browser, () => press(tab, 'Save the studio'));
    expect(new TextDecoder().decode(file.bytes)).toContain('"newThumb": "studio"');
    await press(tab, 'Try again');
    await seesKey(tab, 'D-major');
    await tab.close();
  });
});

describe('the browser’s store', () => {
  it('that cannot be opened gives a page that keeps its head, and offers the way on', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('no store in this window', 'SecurityError');
      };
    });
    await goTo(tab, '/bench?piece=lantern-walk');
    await tab.waitForSelector('[data-role=trouble-page]');
    await sees(tab, 'The studio cannot be shown just now');
    await press(tab, 'Save the studio');
    await sees(tab, 'The studio cannot be read just now');
    await tab.close();
  });

  it('that is full keeps what is done on the page, says so, puts it into the studio file, and writes it once there is room', async () => {
    const page = await newTab(teacher.browser);
    await page.evaluateOnNewDocument(() => {
      // A stand-in for a full disk: the browser refuses what is written with the error of its own.
      const { put, add } = IDBObjectStore.prototype;
      const refusing = (method: typeof put): typeof put =>
        function refuse(this: IDBObjectStore, value: unknown, key?: IDBValidKey) {
          if ((window as unknown as { readonly isFull?: boolean }).isFull)
            throw new DOMException('no room', 'QuotaExceededError');
          return key === undefined ? method.call(this, value) : method.call(this, value, key);
        };
      IDBObjectStore.prototype.put = refusing(put);
      IDBObjectStore.prototype.add = refusing(add);
    });
    await goTo(page, '/settings');
    await page.waitForSelector('input[name=look][value=lamplight]');
    await page.evaluate(() => Object.assign(window, { isFull: true }));
    await page.locator('input[name=look][value=lamplight]').click();
    await page.waitForSelector('[data-notice=waiting]');
    await sees(page, 'one edit is kept on this page only');
    await drop(page, [{ name: 'no-room.xml', text: musicXml({ title: 'No Room', right: 'C4q/1 D4q/2 E4h/3' }) }]);
    await sees(page, '2 edits are kept on this page only');
    const file = new TextDecoder().decode(
      (await saved(teacher.browser, () => page.locator('[data-notice=waiting] button').click())).bytes,
    );
    expect(JSON.parse(file)).toMatchObject({ settings: { look: 'lamplight' }, counts: { pieces: 14 } });
    expect(file).toContain('No Room');
    // In one breath: the page tries by itself as well, and then there is nothing left to press.
    await page.$$eval('[data-notice=waiting] button', (buttons) => {
      Object.assign(window, { isFull: false });
      buttons.find(({ textContent }) => textContent?.trim() === 'Try again')?.click();
    });
    await page.waitForSelector('[data-notice=waiting]', { hidden: true });
    await page.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
    expect((await stored(page)).some(([, piece]) => piece['fileName'] === 'no-room.xml')).toBe(true);
    await page.close();
  });

  it.each([
    ['another tab deletes', async (tab: Page) => tab.evaluate(() => void indexedDB.deleteDatabase('new-thumb'))],
    [
      'the browser itself deletes',
      async (tab: Page) => {
        const session = await tab.createCDPSession();
        await session.send('Storage.clearDataForOrigin', { origin: home(), storageTypes: 'indexeddb' });
      },
    ],
  ])(
    'that %s is told: the page keeps the studio, with what is done since, as a file, and puts it back when it is told to',
    async (_who, deletes) => {
      const other = await arriveAtShelf();
      const { page } = other;
      await goTo(page, '/settings');
      await isRemembered(page);
      await deletes(page);
      await sees(page, 'The browser has closed or deleted the studio.');
      await sees(page, 'This page still has all of it: 12 pieces, 12 pupils.');
      await page.locator('input[name=look][value=lamplight]').click();
      await sees(page, 'and one edit made since');
      const names = (): Promise<readonly (string | undefined)[]> =>
        page.evaluate(async () => (await indexedDB.databases()).map(({ name }) => name));
      expect(await names()).toEqual([]);
      const { bytes } = await saved(other.browser, () => press(page, 'Save the studio file now'));
      expect(JSON.parse(new TextDecoder().decode(bytes))).toMatchObject({
        newThumb: 'studio',
        counts: { pieces: 12, pupils: 12 },
        settings: { look: 'lamplight' },
      });
      expect(await names()).toEqual([]);
      await Promise.all([page.waitForNavigation(), page.locator('[data-role=put-back]').click()]);
      await page.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
      await goTo(page, '/');
      await seesCards(page, 12);
      expect(await page.$('[data-notice=store]')).toBeNull();
      await other.leave();
    },
  );

  it('of an older version opens with all it held', async () => {
    const old = await arrive();
    await old.page.goto(`${home()}/api/health`);
    await old.page.evaluate(layDownText(oldDatabase(4)));
    await openAt(old.page, '/');
    await old.page.waitForSelector('[data-piece=tin-roof]');
    await goTo(old.page, '/enter?piece=tin-roof');
    await old.page.waitForFunction(() => document.querySelector('[data-panel=steps]')?.textContent === 'Steps (3)');
    await old.leave();
  });
});

describe('the first piece of one’s own', () => {
  it('makes the browser be asked, once, to keep the studio', async () => {
    const other = await arrive();
    await other.page.evaluateOnNewDocument(() => {
      const asked = { times: 0 };
      Object.assign(window, { asked });
      StorageManager.prototype.persist = () => {
        asked.times += 1;
        return Promise.resolve(true);
      };
    });
    await goTo(other.page, '/');
    await seesCards(other.page, 12);
    const times = (): Promise<number> =>
      other.page.evaluate(() => (window as unknown as { readonly asked: { readonly times: number } }).asked.times);
    expect(await times()).toBe(0);
    await drop(other.page, [{ name: 'a.xml', text: OWN }]);
    await seesKey(other.page, 'C-major');
    await drop(other.page, [{ name: 'b.xml', text: OWN }]);
    await other.page.waitForFunction(() => location.pathname === '/bench');
    await other.page.waitForFunction(
      () => (window as unknown as { readonly asked: { readonly times: number } }).asked.times > 0,
    );
    expect(await times()).toBe(1);
    await other.leave();
  });
});

describe('a file outside of the browser', () => {
  it('is kept up to date where the browser can do that', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(() => {
      // A stand-in for the dialogue: a real file handle, of the browser's own file system.
      Object.assign(window, {
        showSaveFilePicker: async () =>
          (await navigator.storage.getDirectory()).getFileHandle('studio.json', { create: true }),
      });
    });
    await goTo(tab, '/settings');
    await press(tab, 'Keep a file up to date …');
    await tab.waitForSelector('[data-role=kept-file][data-kind=kept]');
    await tab.locator('input[name=courtesy][value=none]').click();
    const written = await tab.waitForFunction(async () => {
      const handle = await (await navigator.storage.getDirectory()).getFileHandle('studio.json');
      // At the moment when it is written the file cannot be read.
      const read = handle.getFile().then((file) => file.text());
      const text = await read.catch(() => '');
      return text.includes('"courtesy":"none"') ? text : null;
    });
    expect(JSON.parse((await written.jsonValue()) ?? '')).toMatchObject({
      newThumb: 'studio',
      settings: { courtesy: 'none' },
    });
    await sees(tab, 'last written');
    await press(tab, 'Stop');
    await tab.waitForSelector('[data-role=kept-file][data-kind=none]');
    await tab.close();
  });

  it('is asked for when the last one is old, as the teacher chose', async () => {
    const { page } = teacher;
    await page.bringToFront();
    await putStored(page, 'kept', { id: 'saved', form: 5, value: { atMs: Date.now() - 40 * 24 * 60 * 60 * 1000 } });
    await openAt(page, '/settings');
    await sees(page, 'The last studio file is 40 days old.');
    await page.locator('[data-notice=reminder] button:last-of-type').click();
    await page.waitForSelector('[data-notice=reminder]', { hidden: true });
    await page.waitForSelector('input[name=fileReminder][value=never]:checked');
  });
});
