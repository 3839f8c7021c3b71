/** Without a network, and with a newer version: what is in the browser is whole, and goes on until the teacher takes the new one. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { launchOptions } from '../../scripts/lib/chromium.mjs';
import { middleman, type Middleman } from './support/middleman';
import { drop, home, newTab, press, saved, sees, seesCards, seesKey } from './support/teacher';
import { musicXml } from '../support/build-piece';

let server: Middleman;
let browser: Browser;
let page: Page;
const strangers: string[] = [];

beforeAll(async () => {
  server = await middleman(home());
  browser = await puppeteer.launch(launchOptions());
  page = await tab();
});
afterAll(async () => {
  await browser.close();
  await server.leave();
});

function tab(): Promise<Page> {
  return newTab(browser, { strangers, keeps: 'release', at: server.address });
}

async function isKeptWhole(on: Page = page): Promise<void> {
  await on.goto(`${server.address}/settings`);
  await on.waitForSelector('[data-role=offline][data-kept=whole]');
}

/** Which release a page is of; the first bears no name. */
const releaseOf = (on: Page): Promise<string> =>
  on.evaluate(() => document.documentElement.dataset['release'] ?? 'first');

describe('after the first visit', () => {
  it('all of it is in the browser, and Settings say so', async () => {
    await page.goto(server.address);
    await seesCards(page, 12);
    await isKeptWhole();
    await sees(page, 'it works without a network');
  });

  it('a file that comes damaged is refused, and the rest is not fetched twice', async () => {
    // Tried in a browser of its own: this one has everything.
    const other = await puppeteer.launch(launchOptions());
    const there = await newTab(other, { keeps: 'release', at: server.address });
    server.damage('/samples/Fs7.mp3');
    await there.goto(`${server.address}/settings`);
    await there.waitForSelector('[data-role=offline][data-kept=failed]');
    await sees(there, 'It is tried again at the next visit');
    server.damage(null);
    server.asked.splice(0);
    await there.reload();
    await there.waitForSelector('[data-role=offline][data-kept=whole]');
    const again = server.asked.filter((path) => path.startsWith('/samples/'));
    expect(again).toContain('/samples/Fs7.mp3');
    // Those that were on their way at that moment may be asked for again.
    expect(again.length).toBeLessThan(10);
    await other.close();
  });
});

describe('with the server gone', () => {
  beforeAll(() => server.goAway());
  afterAll(() => server.comeBack());

  it('a page opens from its address, and the next by a link', async () => {
    await page.goto(`${server.address}/atlas`);
    await sees(page, 'C major');
    await page.locator('header a[href="/"]').click();
    await seesCards(page, 12);
  });

  it('a piece goes to another key, is heard, and is put on paper', async () => {
    await page.goto(`${server.address}/bench?piece=lantern-walk&key=D-major`);
    await seesKey(page, 'D-major');
    await page.locator('[data-role=player] .btn-primary').click();
    await page.waitForSelector('[data-role=player][data-playing=true]');
    await sees(page, 'bar 2');
    await page.goto(`${server.address}/handout?piece=lantern-walk&key=D-major`);
    await page.waitForSelector('[data-role=save-pdf]:not([disabled])');
    const { bytes } = await saved(browser, () => page.locator('[data-role=save-pdf]').click());
    expect(new TextDecoder().decode(bytes.slice(0, 5))).toBe('%PDF-');
  });

  it('a file is brought in, and every other place opens', async () => {
    await page.goto(server.address);
    await seesCards(page, 12);
    await drop(page, [
      { name: 'tin-roof.xml', text: musicXml({ title: 'Tin Roof', right: 'C4q/1 D4q/2 E4h/3', mode: 'major' }) },
    ]);
    await seesKey(page, 'C-major');
    for (const place of [
      'survey',
      'enter',
      'fit',
      'pupils',
      'week',
      'week/',
      'practice',
      'stand',
      'record',
      'lesson',
    ]) {
      const answer = await page.goto(`${server.address}/${place}`);
      expect([place, answer?.status()]).toEqual([place, 200]);
      expect(answer?.headers()['content-security-policy']).toContain("frame-ancestors 'none'");
    }
  });

  it('an address that is none is told as such', async () => {
    const answer = await page.goto(`${server.address}/nowhere`);
    expect(answer?.status()).toBe(404);
  });

  it('Settings say that there is no asking for a newer version', async () => {
    await page.goto(`${server.address}/settings`);
    await press(page, 'Look for a newer version');
    await sees(page, 'The server does not answer.');
  });
});

describe('a newer version', () => {
  it('is offered, and nothing changes before it is taken', async () => {
    await isKeptWhole();
    const second = await tab();
    await second.goto(`${server.address}/bench?piece=lantern-walk&key=D-major`);
    await seesKey(second, 'D-major');
    server.publish('second');
    await page.bringToFront();
    await press(page, 'Look for a newer version');
    await page.waitForSelector('[data-notice=newer]');
    await second.waitForSelector('[data-notice=newer]');
    await page.reload();
    await page.waitForSelector('[data-notice=newer]');
    expect(await releaseOf(page)).toBe('first');
  });

  it('that is taken in one tab leaves the other as it is, until that is loaded again', async () => {
    const [second] = (await browser.pages()).filter((one) => one.url().includes('/bench'));
    if (!second) throw new Error('the second tab is gone');
    await Promise.all([page.waitForNavigation(), page.locator('[data-role=take-newer]').click()]);
    await page.waitForFunction(() => document.documentElement.dataset['release'] === 'second');
    await second.bringToFront();
    await sees(second, 'Another tab uses a newer version of New Thumb.');
    expect(await releaseOf(second)).toBe('first');
    // What it has not used so far is still there for it.
    await second.locator('button[data-key="F-major"]').click();
    await seesKey(second, 'F-major');
    await Promise.all([second.waitForNavigation(), second.locator('[data-role=take-newer]').click()]);
    expect(await releaseOf(second)).toBe('second');
    await second.close();
  });

  it('goes on without a network, and the files of the old one are let go', async () => {
    await page.bringToFront();
    await server.goAway();
    await page.goto(server.address);
    await seesCards(page, 13);
    expect(await releaseOf(page)).toBe('second');
    await page.waitForFunction(async () => (await caches.keys()).length === 1);
    await server.comeBack();
  });
});

describe('everything of it', () => {
  it('is told of, and removed from the browser when the teacher wants that', async () => {
    await page.goto(`${server.address}/about`);
    await sees(page, 'it keeps neither the one nor the other');
    const notices = await page.evaluate(async () => (await fetch('/notices.txt')).text());
    for (const name of ['verovio', 'react', 'tone', 'pdfkit', 'Salamander']) expect(notices).toContain(name);
    const second = await tab();
    await second.goto(`${server.address}/lesson?pupil=pupil-ottilie-brandt`);
    await second.waitForFunction(() => document.documentElement.dataset['remembered'] === 'true');
    await second.evaluate(() => sessionStorage.setItem('new-thumb-form/lesson/a/2026-11-26', 'typed'));
    await page.bringToFront();
    await page.locator('[data-role=remove-all]').click();
    await sees(page, '13 pieces and 12 pupils go from this browser');
    await page.locator('[data-role=really-remove]').click();
    await sees(page, 'Nothing of New Thumb is left in this browser.');
    const left = await page.evaluate(async () => ({
      databases: (await indexedDB.databases()).length,
      caches: (await caches.keys()).length,
      workers: (await navigator.serviceWorker.getRegistrations()).length,
      words: sessionStorage.length + localStorage.length,
    }));
    expect(left).toEqual({ databases: 0, caches: 0, workers: 0, words: 0 });
    // What is done in another tab, and what the page still asks for, brings nothing of it back.
    await second.bringToFront();
    await sees(second, 'Everything was removed from this browser in another tab.');
    await second.evaluate(async () => {
      await fetch('/manifest.webmanifest');
      await fetch('/notices.txt');
    });
    await second.locator('header a[href="/week"]').click();
    await page.evaluate(async () => {
      await fetch('/notices.txt');
    });
    expect(
      await second.evaluate(async () => ({
        databases: (await indexedDB.databases()).length,
        caches: (await caches.keys()).length,
        words: sessionStorage.length,
      })),
    ).toEqual({ databases: 0, caches: 0, words: 0 });
    await second.close();
    await page.bringToFront();
    await page.locator('[data-role=begin-anew]').click();
    await seesCards(page, 12);
  });
});

it('asked nothing of anybody else', () => {
  expect(strangers).toEqual([]);
});
