import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { median, quantile } from './figures.mjs';

const PRESSES = 28;

/** The floor of the first slice: an eight-bar piece engraves anew within this time. Unit: ms. */
const FLOOR_MS = 250;

/** From the press of `]` on the Bench to the frame that shows the piece engraved in the next key. */
export async function measureKeyPress(address) {
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  await page.goto(`${address}/bench?piece=lantern-walk&key=C-major`);
  await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
  await page.waitForSelector('[data-key=D-major]');
  const times = [];
  for (let i = 0; i < PRESSES; i += 1) {
    await page.evaluate(listenForNextPage);
    await page.keyboard.press(']');
    times.push(await page.evaluate(() => window.measuredMs));
  }
  await browser.close();
  const slow = times.filter((time) => time > FLOOR_MS).length;
  return [
    ['median', `${median(times).toFixed(0)} ms`],
    ['95th percentile', `${quantile(times, 0.95).toFixed(0)} ms`],
    ['slowest', `${Math.max(...times).toFixed(0)} ms`],
    [`held to ${FLOOR_MS} ms`, slow === 0 ? 'every press' : `missed by ${slow} of ${times.length}`],
  ];
}

/** Runs in the page: leaves a promise of the ms from the next key press to the first frame with the new page in place. */
function listenForNextPage() {
  window.measuredMs = new Promise((resolve) => {
    let pressedAt = null;
    const paper = document.querySelector('[data-role=paper]');
    const before = paper.dataset.key;
    window.addEventListener('keydown', (event) => (pressedAt = event.timeStamp), { once: true, capture: true });
    const look = () => {
      const isDone = pressedAt !== null && paper.dataset.key !== before && paper.querySelector('figure').getAttribute('aria-busy') === 'false';
      if (isDone) requestAnimationFrame(() => resolve(performance.now() - pressedAt));
      return isDone;
    };
    const watcher = new MutationObserver(() => look() && watcher.disconnect());
    watcher.observe(paper, { subtree: true, childList: true, attributes: true, attributeFilter: ['aria-busy', 'data-key'] });
  });
}
