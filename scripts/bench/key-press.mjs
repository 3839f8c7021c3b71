import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { median, quantile } from './figures.mjs';

const PRESSES = 28;

/** Between two presses a teacher looks at what is there. Unit: ms. */
const LOOK_MS = 900;

/** The floors: so many bars are engraved anew within this time at the 95th percentile. Unit: ms. */
const FLOORS = [
  { bars: 16, floorMs: 80 },
  { bars: 64, floorMs: 150 },
];

/** No task on the main thread is longer than this while keys are pressed. Unit: ms. */
const LONGEST_TASK_MS = 50;

/** From the press of `]` on the Bench to the frame that shows the piece engraved in the next key, for pieces of two lengths made of the demo piece `musicXml` (8 bars).
 * `loadMs` tells how long a plain load of the same page takes in the engraver. */
export async function measureKeyPress(address, musicXml, loadMs) {
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  const figures = [];
  for (const { bars, floorMs } of FLOORS) {
    const file = repeated(musicXml, bars / 8);
    await page.goto(address);
    await page.waitForSelector('[data-piece]');
    await page.evaluate(dropped, file, `${bars}-bars.musicxml`);
    await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
    await page.waitForSelector('[data-key=D-major]');
    await wait(LOOK_MS * 4);
    const times = [];
    const tasks = [];
    for (let i = 0; i < PRESSES; i += 1) {
      await page.evaluate(listenForNextPage);
      await page.keyboard.press(']');
      times.push(await page.evaluate(() => window.measuredMs));
      await wait(LOOK_MS);
      tasks.push(...(await page.evaluate(() => window.longTasks)));
    }
    const at95 = quantile(times, 0.95);
    const plain = await loadMs(file);
    figures.push(
      [`${bars} bars: median`, `${median(times).toFixed(0)} ms`],
      [`${bars} bars: 95th percentile (held to ${floorMs} ms)`, `${at95.toFixed(0)} ms`],
      [`${bars} bars: slowest`, `${Math.max(...times).toFixed(0)} ms`],
      [`${bars} bars: times a plain load of the same page`, (median(times) / plain).toFixed(2)],
      [
        `${bars} bars: tasks over ${LONGEST_TASK_MS} ms in ${PRESSES} presses (none wanted)`,
        tasks.length === 0 ? 'none' : `${tasks.length}, the longest ${Math.max(...tasks).toFixed(0)} ms`,
      ],
    );
  }
  await browser.close();
  return figures;
}

function wait(ms) {
  return new Promise((go) => setTimeout(go, ms));
}

/** The same bars several times over. */
export function repeated(musicXml, times) {
  return musicXml.replace(/(<part id="[^"]*">)([\s\S]*?)(<\/part>)/g, (_, open, bars, close) => {
    const all = bars.match(/<measure[\s\S]*?<\/measure>/g) ?? [];
    const plain = all.map((bar) => bar.replace(/<attributes>[\s\S]*?<\/attributes>/, ''));
    const written = Array.from({ length: times }, (__, i) => (i === 0 ? all : plain)).flat();
    return open + written.map((bar, i) => bar.replace(/number="[^"]*"/, `number="${i + 1}"`)).join('') + close;
  });
}

/** Runs in the page: drops a file on the window. */
function dropped(text, name) {
  const transfer = new DataTransfer();
  transfer.items.add(new File([text], name));
  window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
}

/** Runs in the page: leaves a promise of the ms from the next key press to the first frame with the new page in place, and a list of the tasks
 * that took too long. */
function listenForNextPage() {
  window.longTasks = [];
  window.taskWatcher?.disconnect();
  window.taskWatcher = new PerformanceObserver((list) =>
    window.longTasks.push(...list.getEntries().map(({ duration }) => duration)),
  );
  window.taskWatcher.observe({ type: 'longtask' });
  window.measuredMs = new Promise((resolve) => {
    let pressedAt = null;
    const paper = document.querySelector('[data-role=paper]');
    const before = paper.dataset.key;
    window.addEventListener('keydown', (event) => (pressedAt = event.timeStamp), { once: true, capture: true });
    const look = () => {
      const isDone =
        pressedAt !== null && paper.dataset.key !== before && paper.querySelector('figure').dataset.shown === 'true';
      if (isDone) requestAnimationFrame(() => resolve(performance.now() - pressedAt));
      return isDone;
    };
    const watcher = new MutationObserver(() => look() && watcher.disconnect());
    watcher.observe(paper, {
      subtree: true,
      childList: true,
      attributes: true,
      attributeFilter: ['data-shown', 'data-key'],
    });
  });
}
