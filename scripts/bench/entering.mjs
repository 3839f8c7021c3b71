import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { ROOT } from '../lib/run.mjs';
import { median, quantile } from './figures.mjs';

const DEMO = join(ROOT, 'public/demo');

/** Pieces in which each hand stays in one five-finger position. */
const FIVE_FINGER = ['lantern-walk', 'two-boats', 'harbour-stairs', 'cat-on-the-landing', 'slow-ferris', 'night-baker'];

/** Key presses a note for each demo piece typed from nothing, modifiers counted; the browser tests type the same keys and compare what comes out. */
export async function countPresses() {
  const { typePiece } = await import('../../tests/support/typist.ts');
  const files = readdirSync(DEMO).filter((name) => name.endsWith('.musicxml'));
  const typed = files.map((name) => ({
    id: name.replace('.musicxml', ''),
    ...typePiece(readFileSync(join(DEMO, name), 'utf8')),
  }));
  const over = (all) =>
    (all.reduce((sum, { presses }) => sum + presses, 0) / all.reduce((sum, { notes }) => sum + notes, 0)).toFixed(2);
  return [
    ...typed.map(({ id, presses, notes }) => [
      `${id}${FIVE_FINGER.includes(id) ? ', five-finger' : ''}: ${presses} presses for ${notes} notes`,
      (presses / notes).toFixed(2),
    ]),
    ['five-finger pieces together (held to 1.3)', over(typed.filter(({ id }) => FIVE_FINGER.includes(id)))],
    ['all twelve together (held to 1.8)', over(typed)],
  ];
}

const PRESSES = 30;

/** A quick typist's time between two keys. Unit: ms. */
const BETWEEN_MS = 300;

/** Pieces of so many bars, and the floors at the 95th percentile: until the note is seen, until it is engraved. Unit: ms. */
const LENGTHS = [16, 64];
const SEEN_MS = 50;
const ENGRAVED_MS = 120;

/** From a key press in the middle of a piece to the frame that shows the note, and to the one that shows it engraved. */
export async function measureEntering(address) {
  const browser = await puppeteer.launch(launchOptions());
  const figures = [];
  for (const bars of LENGTHS) {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.goto(address);
    await page.waitForSelector('[data-role=new-piece]');
    await page.keyboard.press('n');
    await page.waitForSelector('[data-role=opening]:focus');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=entry][data-ready=true] figure[data-shown=true]');
    for (const hand of ['right', 'left']) {
      for (let bar = 0; bar < bars; bar += 1)
        await page.keyboard.type([0, 1, 2, 3].map((i) => '12345'[(bar + i) % 5]).join(''));
      if (hand === 'right') await page.keyboard.press('9');
    }
    await page.waitForFunction(
      (notes) =>
        document.querySelector('[data-role=entered]')?.getAttribute('data-notes') === String(notes) &&
        document.querySelector('[data-role=kept][data-kept=true]') !== null,
      {},
      bars * 8,
    );
    await page.keyboard.press('Home');
    await page.keyboard.down('Control');
    for (let bar = 0; bar < bars / 2; bar += 1) await page.keyboard.press('ArrowRight');
    await page.keyboard.up('Control');
    await page.evaluate(listenForKeys);
    const seen = [];
    const engraved = [];
    for (let i = 0; i < PRESSES; i += 1) {
      await new Promise((go) => setTimeout(go, BETWEEN_MS));
      const shown = page.evaluate(nextShown);
      // Always another finger than the one that is there, and the same length: bars go on adding up.
      await page.keyboard.press('12345'[(bars / 2 + Math.floor(i / 4) + (i % 4) + 2) % 5]);
      const times = await shown;
      seen.push(times.seen);
      engraved.push(times.engraved);
    }
    figures.push(
      [`${bars} bars: key press to the note, median`, `${median(seen).toFixed(0)} ms`],
      [`${bars} bars: 95th percentile (held to ${SEEN_MS} ms)`, `${quantile(seen, 0.95).toFixed(0)} ms`],
      [`${bars} bars: key press to the note engraved, median`, `${median(engraved).toFixed(0)} ms`],
      [`${bars} bars: 95th percentile (held to ${ENGRAVED_MS} ms)`, `${quantile(engraved, 0.95).toFixed(0)} ms`],
    );
    await page.close();
  }
  await browser.close();
  return figures;
}

/** In the page: notes when a key was pressed last. */
function listenForKeys() {
  window.addEventListener('keydown', () => void (window.pressedAt = performance.now()), { capture: true });
}

/** In the page: when the note that is entered next is painted, as a first drawing or engraved, and when it is engraved. Unit: ms from the key press. */
function nextShown() {
  const painted = (tell) =>
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => tell(performance.now() - window.pressedAt);
      port2.postMessage(0);
    });
  return new Promise((done) => {
    let seen = null;
    const watchers = [...document.querySelectorAll('[data-role=engraving]')].map(({ shadowRoot }) => {
      const watcher = new MutationObserver((changes) => {
        const isEngraved = changes.some(({ target }) => target.className === 'picture');
        const isDrawn = shadowRoot.querySelector('[data-soon]') !== null;
        if (seen === null && (isEngraved || isDrawn)) painted((ms) => (seen ??= ms));
        if (!isEngraved) return;
        watchers.forEach((one) => one.disconnect());
        painted((ms) => done({ seen: seen ?? ms, engraved: ms }));
      });
      watcher.observe(shadowRoot, { childList: true, subtree: true });
      return watcher;
    });
  });
}
