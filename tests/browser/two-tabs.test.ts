import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { BEGINNING, chance, liveThrough } from '../support/histories';
import { arriveAtShelf, goTo, newTab, press, sees, seesKey, type Teacher } from './support/teacher';
import { clearStores, openTab, stored, worldOfTabs } from './support/world-of-tabs';

const ALL = ['pieces', 'pupils', 'plan', 'answers', 'kept', 'aside', 'history', 'changes'];

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

/** A new piece, open for entering in a tab. */
async function begin(page: Page): Promise<string> {
  await goTo(page, '/');
  await page.waitForSelector('[data-role=new-piece]');
  await page.keyboard.press('n');
  await page.waitForSelector('[data-role=opening]:focus');
  await page.keyboard.press('Enter');
  await page.waitForSelector('[data-role=entry][data-ready=true]');
  return new URL(page.url()).searchParams.get('piece') as string;
}

const opens = async (page: Page, id: string): Promise<void> => {
  await goTo(page, `/enter?piece=${id}`);
  await page.waitForSelector('[data-role=entry][data-ready=true]');
};

/** Waits until so many steps are entered and kept. */
const hasSteps = (page: Page, steps: number) =>
  page.waitForFunction(
    (wanted: number) =>
      document.querySelector('[data-panel=steps]')?.textContent === `Steps (${wanted})` &&
      document.querySelector('[data-role=kept][data-kept=true]') !== null,
    {},
    steps,
  );

const notesOf = async (page: Page, id: string): Promise<number> => {
  const record = (await stored(page)).find(([name]) => name === `pieces/${id}`)?.[1];
  return String(record?.['musicXml']).match(/<pitch>/g)?.length ?? 0;
};

describe('the same piece in two tabs', () => {
  it('the second is told at its first key press, and goes on from what is there', async () => {
    const one = teacher.page;
    const id = await begin(one);
    const two = await newTab(teacher.browser);
    await opens(two, id);
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

describe('200 histories of two real tabs', () => {
  it('keep what was acknowledged, have nothing half done, change no field that was not named, and go back to the start', async () => {
    const [one, two] = [await openTab(teacher.browser), await openTab(teacher.browser)];
    await teacher.page.close();
    const pages = new Map([
      ['one', one],
      ['two', two],
    ]);
    const world = worldOfTabs(teacher.browser, pages);
    let names: readonly [string, string] = ['one', 'two'];
    for (let seed = 10_001; seed <= 10_200; seed += 1) {
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

/** So long is a moment waited for at most that may never come, since the keys before it were lost on the way. Unit: ms. */
const MOMENT_MS = 300;

describe('a tab that is killed while a piece is entered', () => {
  it('has kept every key press that it showed as kept, a hundred times', async () => {
    // Two browsers, one a core, each with a studio of its own.
    const others = await arriveAtShelf();
    await Promise.all([killed(teacher, 1, 50), killed(others, 2, 50)]);
    await others.leave();
  }, 900_000);

  /** Kills a tab so many times in the middle of entering; another one, which is never touched, looks into the store. */
  async function killed({ browser, page: witness }: Teacher, seed: number, times: number): Promise<void> {
    const luck = chance(seed);
    await witness.bringToFront();
    await goTo(witness, '/bench');
    const page = await newTab(browser);
    const pieces = [await begin(page), await begin(page), await begin(page)];
    await page.close();
    for (let kill = 0; kill < times; kill += 1) {
      const id = pieces[kill % pieces.length] as string;
      const victim = await newTab(browser);
      let shown = 0;
      await victim.exposeFunction('showsKept', (steps: number) => {
        shown = Math.max(shown, steps);
      });
      await victim.evaluateOnNewDocument(watchKept);
      await opens(victim, id);
      await victim.waitForSelector('[data-panel=steps]');
      const begun = await stepsShown(victim);
      const keys = Array.from({ length: 1 + luck.below(6) }, () => luck.of(['1', '2', '3', '4', '5'] as const));
      const pressed = Promise.all(keys.map((key) => victim.keyboard.press(key))).catch(() => undefined);
      // A seeded moment: once so many of the keys are shown.
      await victim
        .waitForFunction(
          (wanted: number) =>
            Number(/\d+/.exec(document.querySelector('[data-panel=steps]')?.textContent ?? '')?.[0]) >= wanted,
          { timeout: MOMENT_MS },
          begun + luck.below(keys.length + 1),
        )
        .catch(() => undefined);
      if (luck.below(2) === 0) await victim.close({ runBeforeUnload: false });
      else await crash(victim);
      void pressed;
      const { steps, music } = await keptOf(witness, id);
      expect({ seed, kill, isKept: steps >= shown, areOneState: steps === music, steps, shown }).toMatchObject({
        isKept: true,
        areOneState: true,
      });
    }
  }

  /** How many steps of a piece the history has, and of how many its music says that it comes. */
  async function keptOf(page: Page, id: string): Promise<{ readonly steps: number; readonly music: number }> {
    const all = await stored(page);
    const edition = String(all.find(([name]) => name === `pieces/${id}`)?.[1]['edition'] ?? '');
    return {
      steps: all.filter(
        ([name, head]) => name.startsWith('history/') && head['piece'] === id && head['state'] === 'done',
      ).length,
      music: Number(/#(\d+)\//.exec(edition)?.[1] ?? 0),
    };
  }

  const stepsShown = (page: Page): Promise<number> =>
    page.$eval('[data-panel=steps]', (panel) => Number(/\d+/.exec(panel.textContent ?? '')?.[0]));

  /** Ends the process of a tab, as the system does when memory runs out. */
  async function crash(page: Page): Promise<void> {
    const crashed = new Promise<void>((resolve) => page.once('error', () => resolve()));
    const session = await page.createCDPSession();
    void session.send('Page.crash').catch(() => undefined);
    await crashed;
    // What is left of it is cleared away in its own time.
    void page.close({ runBeforeUnload: false }).catch(() => undefined);
  }
});

/** Runs in the page: tells how many steps it shows while it shows them as kept. */
function watchKept(): void {
  const look = (): void => {
    const steps = Number(/\d+/.exec(document.querySelector('[data-panel=steps]')?.textContent ?? '')?.[0] ?? 0);
    if (document.querySelector('[data-role=kept][data-kept=true]'))
      (window as unknown as { readonly showsKept: (steps: number) => void }).showsKept(steps);
  };
  document.addEventListener('DOMContentLoaded', () =>
    new MutationObserver(look).observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    }),
  );
}
