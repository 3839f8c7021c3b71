import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { BEGINNING, liveThrough } from '../support/histories';
import { rounds } from '../support/rounds';
import { beginPiece, hasSteps, opensPiece } from './support/entering';
import { arriveAtShelf, goTo, newTab, press, sees, seesKey, type Teacher } from './support/teacher';
import { clearStores, openTab, stored, worldOfTabs } from './support/world-of-tabs';

/** How many histories are lived through. */
const HISTORIES = rounds(32, 200);

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
