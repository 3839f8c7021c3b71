// The whole shelf asked at once, and a survey, in the browser.
import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { twoHands } from './made-pieces.mjs';

const PIECES = 1000;
const LEAST_BARS = 8;
const MOST_BARS = 32;

/** How often the bench looks how far the shelf is. Unit: ms. */
const LOOK_MS = 250;

/** Pieces of 8 to 32 bars for two hands, made from a seed. */
function shelfOf(count) {
  return Array.from({ length: count }, (_, i) => ({
    id: `made-${i}`,
    origin: 'own',
    fileName: `made-${i}.musicxml`,
    musicXml: twoHands(LEAST_BARS + ((i * 7) % (MOST_BARS - LEAST_BARS + 1)), 1000 + i).replace(
      '<score-partwise',
      `<!-- ${i} --><score-partwise`,
    ),
    addedAt: i,
    lastKey: null,
    ownKey: null,
  }));
}

async function fillShelf(page, pieces) {
  for (let from = 0; from < pieces.length; from += 50) {
    await page.evaluate(
      (some) =>
        new Promise((resolve, reject) => {
          const opening = indexedDB.open('new-thumb');
          opening.onsuccess = () => {
            const change = opening.result.transaction('pieces', 'readwrite');
            for (const piece of some) change.objectStore('pieces').put(piece);
            change.oncomplete = () => {
              opening.result.close();
              resolve();
            };
            change.onerror = () => reject(change.error);
          };
        }),
      pieces.slice(from, from + 50),
    );
  }
}

const watchTasks = () => {
  window.longTasks = [];
  new PerformanceObserver((list) =>
    window.longTasks.push(...list.getEntries().map(({ duration }) => duration)),
  ).observe({ type: 'longtask', buffered: true });
};

/** Opens a screen and tells how long it takes until it shows something. */
async function until(page, address, condition, ...given) {
  const start = Date.now();
  await page.goto(address);
  await page.waitForFunction(condition, { timeout: 600_000, polling: 20 }, ...given);
  return Date.now() - start;
}

const known = (wanted) => Number(document.querySelector('[data-role=fit]')?.getAttribute('data-known')) >= wanted;

/** From the address to the first answers, to all, and to all again from what is kept; the longest task of the page meanwhile. */
export async function measureShelf(address) {
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.evaluateOnNewDocument(watchTasks);
  await page.goto(`${address}/settings`);
  await page.waitForSelector('[data-settled=true]');
  await fillShelf(page, shelfOf(PIECES));
  const from = Date.now();
  await page.goto(`${address}/fit?tonics=C,D,F&ask=stays-put`);
  await page.waitForSelector('[data-role=fit]');
  const shown = Date.now();
  await page.waitForFunction(known, { timeout: 60_000, polling: 20 }, 1);
  const first = Date.now();
  while (!(await page.evaluate(known, PIECES))) await new Promise((go) => setTimeout(go, LOOK_MS));
  const all = Date.now();
  const longest = Math.max(0, ...(await page.evaluate(() => window.longTasks)));
  // Again, once what was found is put away: from the screen that is up to all that is kept.
  await page.waitForSelector('[data-role=fit][data-state=done]', { timeout: 60_000 });
  await page.goto(`${address}/fit?tonics=C,D,F&ask=stays-put`);
  const again = await page.evaluate(
    (wanted) =>
      new Promise((resolve) => {
        let up = null;
        const look = () => {
          const screen = document.querySelector('[data-role=fit]');
          if (screen && up === null) up = performance.now();
          if (Number(screen?.getAttribute('data-known')) >= wanted) resolve(performance.now() - up);
          else requestAnimationFrame(look);
        };
        look();
      }),
    PIECES,
  );
  await page.waitForSelector('[data-state=done]', { timeout: 600_000 });
  const survey = await until(
    page,
    `${address}/survey?piece=made-24&pupil=any`,
    () => document.querySelector('[data-role=survey]')?.getAttribute('data-whole') === 'true',
  );
  await browser.close();
  return [
    ['the shelf: first answer after the screen is up (held to 1 s)', `${first - shown} ms`],
    ['all 1,000 pieces in fifteen keys (held to 300 s, aim 60 s)', `${((all - from) / 1000).toFixed(1)} s`],
    ['again, from what is kept (held to 100 ms)', `${again.toFixed(0)} ms`],
    ['longest task of the page meanwhile', `${longest.toFixed(0)} ms`],
    ['a survey of fifteen keys, from the address to the last key', `${survey} ms`],
  ];
}
