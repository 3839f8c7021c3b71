import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { BEGINNING, chance, liveThrough } from '../support/histories';
import { rounds } from '../support/rounds';
import { beginPiece, hasSteps, opensPiece } from './support/entering';
import { arriveAtShelf, goTo, newTab, press, sees, seesKey, type Teacher } from './support/teacher';
import { clearStores, openTab, stored, worldOfTabs } from './support/world-of-tabs';

/** How many histories are lived through. */
const HISTORIES = rounds(12, 200);
const ENTERED = rounds(2, 300);

const ALL = ['pieces', 'pupils', 'plan', 'answers', 'runs', 'kept', 'aside', 'history', 'changes'];

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

const notesOf = async (page: Page, id: string): Promise<number> => {
  const record = (await stored(page)).find(([name]) => name === `pieces/${id}`)?.[1];
  return String(record?.['musicXml']).match(/<pitch>/g)?.length ?? 0;
};

const fingersOf = async (page: Page, id: string): Promise<readonly number[]> => {
  const record = (await stored(page)).find(([name]) => name === `pieces/${id}`)?.[1];
  return [...String(record?.['musicXml']).matchAll(/<fingering[^>]*>(\d)/g)].map(([, digit]) => Number(digit));
};

describe('the same piece in two tabs', () => {
  it('the second is told at its first key press, and goes on from what is there', async () => {
    const one = teacher.page;
    const id = await beginPiece(one);
    const two = await newTab(teacher.browser);
    await opensPiece(two, id);
    // A tab that is not looked at draws nothing.
    await one.bringToFront();
    await one.keyboard.press('1');
    await one.keyboard.press('2');
    await hasSteps(one, 2);
    await two.bringToFront();
    await hasSteps(two, 2);
    await two.keyboard.press('3');
    await sees(two, 'This piece was changed elsewhere meanwhile.');
    await hasSteps(two, 3);
    expect(await notesOf(two, id)).toBe(3);
    await one.bringToFront();
    await hasSteps(one, 3);
    await one.keyboard.press('4');
    await hasSteps(one, 4);
    expect(await notesOf(one, id)).toBe(4);
    await two.close();
  });

  it('what is shown as kept is in the store, however often the tabs are changed', async () => {
    const one = teacher.page;
    const id = await beginPiece(one);
    const two = await newTab(teacher.browser);
    await opensPiece(two, id);
    await sees(two, 'Open in another tab');
    let steps = 0;
    for (const [i, keys] of ['1234512345123451', '1234512345', '54', '3', '12345', '2'].entries()) {
      const tab = i % 2 === 0 ? two : one;
      await tab.bringToFront();
      for (const key of keys) await tab.keyboard.press(key as '1');
      steps += keys.length;
      await hasSteps(tab, steps);
      expect([i, await notesOf(tab, id)]).toEqual([i, steps]);
    }
    // Both at once: every key counts once.
    await Promise.all([one, two].map(async (tab) => tab.keyboard.type('12345')));
    for (const tab of [one, two]) {
      await tab.bringToFront();
      await hasSteps(tab, steps + 10);
    }
    expect(await notesOf(two, id)).toBe(steps + 10);
    await two.close();
  });

  it('a key in the second never replaces the note that the first has entered: it goes on at the caret of the first', async () => {
    const one = teacher.page;
    await one.bringToFront();
    const id = await beginPiece(one);
    await one.keyboard.type('12345');
    await hasSteps(one, 5);
    const two = await newTab(teacher.browser);
    await opensPiece(two, id);
    await hasSteps(two, 5);
    // Both tabs go to the first note; the first enters another one there.
    await one.bringToFront();
    await one.keyboard.press('Home');
    await one.keyboard.press('5');
    await hasSteps(one, 6);
    await two.bringToFront();
    await hasSteps(two, 6);
    await two.keyboard.press('4');
    await hasSteps(two, 7);
    expect(await fingersOf(two, id)).toEqual([5, 4, 3, 4, 5]);
    await two.close();
    await one.bringToFront();
  });

  it('a screen that shows an older state changes only what it names', async () => {
    const one = teacher.page;
    await one.bringToFront();
    await goTo(one, '/bench?piece=lantern-walk&key=D-major&at=1:3');
    await seesKey(one, 'D-major');
    const two = await newTab(teacher.browser);
    await goTo(two, '/bench?piece=lantern-walk&key=D-major&at=1:3');
    await seesKey(two, 'D-major');
    await one.bringToFront();
    await one.keyboard.press('5');
    await one.waitForSelector('button[title^="Take back: finger 5"]');
    await two.bringToFront();
    await two.select('[data-role=own-key]', 'A-minor');
    await seesKey(two, 'A-minor');
    const piece = (await stored(two)).find(([name]) => name === 'pieces/lantern-walk')?.[1];
    expect(piece).toMatchObject({ ownKey: 'A-minor', decided: { fingers: [{ finger: 5 }] } });
    // Undo in the first tab is about what was done there.
    await one.bringToFront();
    await press(one, 'Undo');
    await sees(one, 'Taken back: finger 5');
    expect((await stored(one)).find(([name]) => name === 'pieces/lantern-walk')?.[1]).toMatchObject({
      ownKey: 'A-minor',
      decided: { fingers: [] },
    });
    await two.bringToFront();
    await press(two, 'Undo');
    await sees(two, 'Taken back: the piece is in A minor');
    await two.close();
  });

  it('undo says where another tab changed the same since, and lets the teacher choose', async () => {
    const one = teacher.page;
    await one.bringToFront();
    await goTo(one, '/settings');
    await one.waitForSelector('input[name=look]');
    await one.locator('input[name=look][value=paper]').click();
    await one.waitForFunction(() => document.documentElement.dataset['theme'] === 'paper');
    const two = await newTab(teacher.browser);
    await goTo(two, '/settings');
    await two.waitForSelector('input[name=look][value=paper]:checked');
    await two.locator('input[name=look][value=lamplight]').click();
    await one.bringToFront();
    await one.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
    await press(one, 'Undo');
    await sees(
      one,
      '“Light or dark: Paper” is not taken back: the same was changed since, by “Light or dark: Lamplight”.',
    );
    await press(one, 'Put back what was there before');
    await one.waitForFunction(() => document.documentElement.dataset['theme'] === undefined);
    // That is an edit like any other.
    await press(one, 'Undo');
    await one.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
    await two.close();
  });
});

describe('histories of entering in two real tabs', () => {
  it('show as kept only what is stored, and end with all that was pressed', async () => {
    const [one, two] = [await newTab(teacher.browser), await newTab(teacher.browser)];
    const luck = chance(31);
    for (let history = 1; history <= ENTERED; history += 1) {
      // A tab that is not looked at draws nothing.
      await one.bringToFront();
      const id = await beginPiece(one);
      await two.bringToFront();
      await opensPiece(two, id);
      let pressed = 0;
      for (let turn = 2 + luck.below(4); turn > 0; turn -= 1) {
        const tab = luck.of([one, two]);
        await tab.bringToFront();
        const keys = Array.from({ length: 1 + luck.below(7) }, () => luck.of(['1', '2', '3', '4', '5'] as const));
        for (const key of keys) await tab.keyboard.press(key, luck.of([{}, { delay: 20 }]));
        pressed += keys.length;
        if (luck.below(3) > 0) continue;
        await hasSteps(tab, pressed);
        expect([history, await notesOf(tab, id)]).toEqual([history, pressed]);
      }
      for (const tab of [one, two]) {
        await tab.bringToFront();
        await hasSteps(tab, pressed);
      }
      expect([history, await notesOf(one, id)]).toEqual([history, pressed]);
    }
    await one.close();
    await two.close();
  }, 1_800_000);
});

describe('histories of two real tabs', () => {
  it('keep what was acknowledged, have nothing half done, change no field that was not named, and go back to the start', async () => {
    const [one, two] = [await openTab(teacher.browser), await openTab(teacher.browser)];
    await teacher.page.close();
    const pages = new Map([
      ['one', one],
      ['two', two],
    ]);
    const world = worldOfTabs(teacher.browser, pages);
    let names: readonly [string, string] = ['one', 'two'];
    for (let seed = 10_001; seed <= 10_000 + HISTORIES; seed += 1) {
      const page = [...pages.values()][0] as Page;
      await clearStores(page, ALL);
      await world.run(names[0], BEGINNING);
      await clearStores(page, ['history', 'changes']);
      names = await liveThrough(world, seed, names);
    }
    Object.assign(teacher, { page: pages.get(names[0]) });
    await pages.get(names[1])?.close();
  }, 900_000);
});
