import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { KeyInput, Page } from 'puppeteer-core';
import { arriveAtShelf, goTo, openAt, press, sees, seesCards, seesKey, textOf, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;

beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});

afterAll(() => teacher.leave());

async function withControl(key: KeyInput): Promise<void> {
  await page.keyboard.down('Control');
  await page.keyboard.press(key);
  await page.keyboard.up('Control');
}

/** Says what to do, in a few letters, and takes the first that is found. Gives what it was. */
async function say(words: string): Promise<string> {
  await withControl('k');
  await page.waitForSelector('[data-role=choice-box] input:focus');
  await page.keyboard.type(words);
  await page.waitForFunction(
    (typed: string) =>
      (document.querySelector('[data-role=choice-box] input') as HTMLInputElement | null)?.value === typed &&
      document.querySelector('[data-role=choice-box] [aria-selected=true]') !== null,
    {},
    words,
  );
  const found = await textOf(page, '[data-role=choice-box] [aria-selected=true] span');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => document.querySelector('[data-role=choice-box]') === null);
  return found;
}

describe('every command by its words', () => {
  it('opens a piece from any screen', async () => {
    await goTo(page, '/settings');
    await page.waitForSelector('h1');
    expect(await say('open harbour')).toBe('open “Harbour Stairs” on the Bench');
    await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
    expect(page.url()).toContain('piece=harbour-stairs');
  });

  it('goes to every place, and to every page of a pupil', async () => {
    for (const [typed, found, path] of [
      ['week', 'to the week', '/week'],
      ['lesson', 'to a lesson', '/lesson'],
      ['record tam', 'to Tam Oakhollow’s record', '/record?pupil=demo-tam'],
      ['tam lesson', 'to Tam Oakhollow’s lesson', '/lesson?pupil=demo-tam'],
      ['handout', 'to paper: handouts and other sheets to print', '/handout'],
      ['pupils', 'to the pupils', '/pupils'],
    ] as const) {
      await goTo(page, '/');
      await seesCards(page, 12);
      expect(await say(typed)).toBe(found);
      await page.waitForFunction((wanted: string) => location.pathname + location.search === wanted, {}, path);
    }
  });

  it('goes on from screens that have no keys of their own', async () => {
    await goTo(page, '/lesson?pupil=demo-tam');
    expect(await say('record tam')).toBe('to Tam Oakhollow’s record');
    await page.waitForFunction(() => location.pathname === '/record');
    expect(await say('week')).toBe('to the week');
    await page.waitForFunction(() => location.pathname === '/week');
    await goTo(page, '/bench?piece=harbour-stairs');
    await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
  });

  it('goes to E♭, hears bars 3–4, rings every F, takes the next pupil', async () => {
    await page.waitForSelector('button[data-key]');
    expect(await say('go to eb')).toBe('go to E♭ major');
    await seesKey(page, 'Eb-major');
    expect(await say('hear bars 3–4')).toBe('hear bars 3–4 (3 to 4)');
    await page.waitForSelector('[data-role=player][data-playing=true]');
    await page.waitForSelector('[data-role=player][data-playing=false]');
    expect(await say('ring every f (')).toMatch(/^ring every F \(\d+\)$/);
    await page.waitForFunction(
      () =>
        (document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring]')
          .length ?? 0) > 0,
    );
    const before = await page.$eval('[data-role=pupil]', (select) => (select as HTMLSelectElement).value);
    expect(await say('next pupil')).toBe('next pupil');
    await page.waitForFunction(
      (old: string) => (document.querySelector('[data-role=pupil]') as HTMLSelectElement).value !== old,
      {},
      before,
    );
  });

  it('knows what every key of the screen does, and its keys', async () => {
    await page.keyboard.press('?');
    await page.waitForSelector('dialog[open][aria-label="Keys of this screen"]');
    const told = await page.$$eval('dialog[open] dl > div', (rows) =>
      rows.map((row) => [
        row.querySelector('kbd')?.textContent?.trim() ?? '',
        row.querySelector('dd')?.textContent?.trim() ?? '',
      ]),
    );
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
    const single = told.filter(([key]) => key?.length === 1 && !'?'.includes(key));
    expect(single.length).toBeGreaterThan(15);
    await withControl('k');
    await page.waitForSelector('[data-role=choice-box]');
    const offered = await page.$$eval('[data-role=choice-box] [role=option]', (options) =>
      options.map((option) => [
        option.querySelector('kbd')?.textContent ?? '',
        option.querySelector('span')?.textContent,
      ]),
    );
    expect(offered).toEqual(expect.arrayContaining(single));
    await page.keyboard.type('no such thing');
    await sees(page, 'Nothing here is called so');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
  });

  it('what is opened right after another box was closed stays open', async () => {
    await withControl('k');
    await page.waitForSelector('[data-role=choice-box][open]');
    // The field of the first still has the focus, and the browser tells of its closing when the second is open already.
    await page.evaluate(
      () =>
        new Promise<void>((told) => {
          const box = document.querySelector<HTMLDialogElement>('[data-role=choice-box]');
          box?.addEventListener('close', () => requestAnimationFrame(() => requestAnimationFrame(() => told())));
          box?.close();
          box?.querySelector('input')?.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true }));
        }),
    );
    expect(await page.$('dialog[open][aria-label="Keys of this screen"]')).not.toBeNull();
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
  });

  it('the keys are shown for as long as ? is held', async () => {
    await page.keyboard.down('?');
    await page.waitForSelector('dialog[open][aria-label="Keys of this screen"]');
    const since = Date.now();
    await page.waitForFunction((start: number) => Date.now() - start > 700, { polling: 100 }, since);
    await page.keyboard.up('?');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
  });
});

describe('the tour', () => {
  it('has five stops, each with what it speaks of, and ends on the shelf', async () => {
    await goTo(page, '/');
    await page.locator('[data-role=tour-start]').click();
    for (const [stop, at] of [
      [0, '[data-role=paper]'],
      [1, '[data-role=key-strip]'],
      [2, '[data-role=beside]'],
      [3, '[data-role=foot]'],
      [4, '[data-role=new-piece]'],
    ] as const) {
      await page.waitForSelector(`[data-role=tour][data-stop="${stop}"]`);
      await page.waitForSelector(`${at}[data-toured]`);
      // What is spoken of is not covered by what is said.
      await page.waitForFunction(
        (selector: string) => {
          const [box, spoken] = ['[data-role=tour]', selector].map((one) =>
            document.querySelector(one)?.getBoundingClientRect(),
          );
          if (!box || !spoken) return false;
          const across = Math.min(box.right, spoken.right) - Math.max(box.left, spoken.left);
          const down = Math.min(box.bottom, spoken.bottom) - Math.max(box.top, spoken.top);
          return across <= 0 || down <= 0 || across * down < (spoken.width * spoken.height) / 3;
        },
        {},
        at,
      );
      // The box stands above the foot of the screen, and moves once that is there.
      await page.locator('[data-role=tour-next]').click();
    }
    await page.waitForFunction(() => document.querySelector('[data-role=tour]') === null);
    expect(new URL(page.url()).pathname).toBe('/');
  });

  it('is left at any time, and does not come back by itself', async () => {
    await page.locator('[data-role=tour-start]').click();
    await page.waitForSelector('[data-role=tour][data-stop="0"]:focus');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('[data-role=tour]') === null);
    await openAt(page, '/');
    await seesCards(page, 12);
    expect(await page.$('[data-role=tour]')).toBeNull();
  });
});

describe('an empty shelf', () => {
  it('says what to do first: from paper, from files, or the demo again', async () => {
    await press(page, 'Put the demo away');
    await page.waitForSelector('[data-role=empty-shelf]');
    await press(page, 'New piece');
    await page.waitForSelector('[data-role=opening]:focus');
    await page.keyboard.press('Escape');
    await press(page, 'Bring the demo studio back');
    await seesCards(page, 12);
  });
});

describe('an address that leads nowhere', () => {
  it('says so in the house’s own look, with a way on', async () => {
    await page.goto(new URL('/no-such-screen', page.url()).href);
    await page.waitForSelector('[data-role=not-found]');
    await page.waitForSelector('header nav');
    await press(page, 'To the shelf');
    await seesCards(page, 12);
  });
});
