import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { demoFile } from '../support/demo-pieces';
import { arriveAtShelf, drop, goTo, sees, seesCards, seesKey, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;

beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});

afterAll(() => teacher.leave());

/** The titles of the first cards, once they are these. */
function seesFirst(titles: readonly string[]): Promise<unknown> {
  return page.waitForFunction(
    (wanted: readonly string[]) => {
      const shown = [...document.querySelectorAll('[data-piece] h2')].map((title) => title.textContent?.trim());
      return wanted.every((title, i) => shown[i] === title);
    },
    {},
    titles,
  );
}

describe('a shelf in order', () => {
  it('by title, by signs, by the hand that is asked for, and as pieces came; the order stays', async () => {
    await page.select('[data-role=shelf-order]', 'title');
    await seesFirst(['Bridge to the Other Bank', 'Cat on the Landing', 'Echo Well']);
    await page.select('[data-role=shelf-order]', 'level');
    await page.waitForFunction(() => document.querySelectorAll('[data-piece]').length === 12);
    await page.select('[data-role=shelf-order]', 'used');
    await goTo(page, '/bench?piece=night-baker&key=D-major');
    await seesKey(page, 'D-major');
    await page.waitForFunction(
      () =>
        new Promise((resolve) => {
          const opening = indexedDB.open('new-thumb');
          opening.onsuccess = () => {
            const asked = opening.result.transaction('pieces').objectStore('pieces').get('night-baker');
            asked.onsuccess = () => {
              opening.result.close();
              resolve((asked.result as { usedAt: number | null }).usedAt !== null);
            };
          };
        }),
      { polling: 200 },
    );
    await goTo(page, '/');
    await seesFirst(['Song of the Night Baker']);
    await page.select('[data-role=shelf-order]', 'added');
    await seesFirst(['Lantern Walk', 'Two Boats, One Mooring']);
  });

  it('tags find pieces, and are undone like everything else', async () => {
    const tags = '[data-piece=two-boats] [data-role=card-tags]';
    await page.click(tags);
    await page.type('[data-piece=two-boats] input[aria-label="A new tag"]', 'rote ');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() =>
      document.querySelector('[data-piece=two-boats] [data-role=tags]')?.textContent?.includes('rote'),
    );
    await page.keyboard.press('Escape');
    await page.select('[data-role=shelf-tag]', 'rote');
    await seesCards(page, 1);
    await sees(page, '1 of 12 pieces');
    await page.select('[data-role=shelf-tag]', '');
    await page.type('input[aria-label="Find a piece"]', 'rote');
    await seesCards(page, 1);
    await page.click('input[aria-label="Find a piece"]', { count: 3 });
    await page.keyboard.press('Backspace');
    await page.click('h1');
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => document.querySelector('[data-role=shelf-tag]') === null);
  });

  it('what is not needed now goes into the archive, and comes back', async () => {
    await page.locator('[aria-label="Put “Echo Well” into the archive"]').click();
    await seesCards(page, 11);
    await page.click('[data-role=archive]');
    await seesFirst(['Echo Well']);
    await page.locator('[aria-label="Put “Echo Well” back on the shelf"]').click();
    await sees(page, 'Nothing is in the archive.');
    await page.click('[data-role=archive]');
    await seesCards(page, 12);
  });
});

describe('a shelf of 300 pieces', () => {
  it('has cards for what is in sight only, engraves the last when it is scrolled to, and finds by words', async () => {
    const file = demoFile('two-boats');
    const text = typeof file === 'string' ? file : new TextDecoder().decode(file);
    await drop(
      page,
      Array.from({ length: 300 }, (_, i) => ({
        name: `boat-${i}.musicxml`,
        text: text.replace('Two Boats, One Mooring', `Boat ${i}`),
      })),
    );
    await sees(page, '312 pieces');
    expect(await page.$$eval('[data-piece]', (cards) => cards.length)).toBeLessThan(40);
    await page.waitForFunction(
      () => {
        window.scrollTo(0, document.documentElement.scrollHeight);
        return [...document.querySelectorAll('[data-piece]')].some(
          (card) => card.textContent?.includes('Boat 299') && card.querySelector('figure[aria-busy=false]'),
        );
      },
      { polling: 100 },
    );
    await page.evaluate(() => window.scrollTo(0, 0));
    await page.type('input[aria-label="Find a piece"]', 'boat-123');
    await seesFirst(['Boat 123']);
    await seesCards(page, 1);
    expect(teacher.complaints).toEqual([]);
  });
});
