import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { median, quantile, timed } from './figures.mjs';
import { twoHands } from './made-pieces.mjs';
import { usualMove } from './usual-move.mjs';

const PIECES = 12;
const BARS = 32;

/** How long the stages of a piece of 32 bars take once its hands are planned, in Node: all of them found and described, and one of them as a score. */
export async function measureStages() {
  const job = {
    ...(await import('../../src/core/piece/index.ts')),
    ...(await import('../../src/core/stages/index.ts')),
  };
  const { USUAL_PLAYER } = await import('../../src/core/fingering/index.ts');
  const { parseKey } = await import('../../src/core/pitch/index.ts');
  const options = { ...usualMove(USUAL_PLAYER), fingering: 'plan', to: parseKey('D', 'major') };
  const moved = (seed) => {
    const bytes = new TextEncoder().encode(twoHands(BARS, seed));
    const piece = job.openPiece(bytes, { format: null, key: null, part: null }).value;
    return { piece, version: job.moveTo(piece, job.asWritten(piece), options).value };
  };
  const found = [];
  const made = [];
  for (let seed = 0; seed < PIECES; seed += 1) {
    const { piece, version } = moved(700 + seed);
    const start = performance.now();
    const { proposed, others } = job.stagesOf(piece, version);
    found.push(performance.now() - start);
    const frame = { partId: piece.part.id, courtesy: 'bar' };
    for (const { transformations } of [...proposed, ...others])
      made.push(median(timed(1, () => job.stageScore(version.score, frame, transformations))));
  }
  const warm = found.slice(PIECES / 3);
  return [
    [`all stages of ${BARS} bars, median (held to 50 ms)`, `${median(warm).toFixed(0)} ms`],
    [`all stages of ${BARS} bars, slowest of ${warm.length}`, `${Math.max(...warm).toFixed(0)} ms`],
    ['one stage as a score, median', `${median(made).toFixed(1)} ms`],
    ['one stage as a score, 95th percentile', `${quantile(made, 0.95).toFixed(1)} ms`],
  ];
}

/** Between two presses a teacher looks at what is there. Unit: ms. */
const LOOK_MS = 900;
const ROUNDS = 4;

/** From the press of `.` on the Bench to the frame that shows the next stage engraved. */
export async function measureStageSteps(address) {
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  await page.goto(new URL('/bench?piece=mill-wheel&key=D-major', address).href);
  await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
  await page.waitForSelector('button[data-key]');
  await page.keyboard.press('l');
  await page.waitForSelector('[data-stage=whole]');
  const stages = (await page.$$('[data-stage]')).length;
  await wait(LOOK_MS * 4);
  const times = [];
  for (let i = 0; i < stages * ROUNDS; i += 1) {
    await page.evaluate(listenForNextStage);
    await page.keyboard.press('.');
    times.push(await page.evaluate(() => window.measuredMs));
    await wait(LOOK_MS);
  }
  await browser.close();
  return [
    [`${times.length} steps: median`, `${median(times).toFixed(0)} ms`],
    [`${times.length} steps: 95th percentile (held to 100 ms)`, `${quantile(times, 0.95).toFixed(0)} ms`],
    [`${times.length} steps: slowest`, `${Math.max(...times).toFixed(0)} ms`],
  ];
}

function wait(ms) {
  return new Promise((go) => setTimeout(go, ms));
}

/** Runs in the page: leaves a promise of the ms from the next key press to the first frame with another stage marked on the rail and its page in place. */
function listenForNextStage() {
  window.measuredMs = new Promise((resolve) => {
    let pressedAt = null;
    const shown = () => document.querySelector('[data-stage][aria-current]')?.dataset.stage;
    const paper = document.querySelector('[data-role=paper]');
    const [before, label] = [shown(), paper.querySelector('figure').getAttribute('aria-label')];
    let changed = false;
    window.addEventListener('keydown', (event) => (pressedAt = event.timeStamp), { once: true, capture: true });
    const look = () => {
      const figure = paper.querySelector('figure');
      // The page is another one once it was not shown for a moment, or is drawn under another label.
      if (pressedAt !== null && (figure.dataset.shown === 'false' || figure.getAttribute('aria-label') !== label))
        changed = true;
      const isDone = pressedAt !== null && shown() !== before && changed && figure.dataset.shown === 'true';
      if (isDone) requestAnimationFrame(() => resolve(performance.now() - pressedAt));
      return isDone;
    };
    const watcher = new MutationObserver(() => look() && watcher.disconnect());
    watcher.observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      attributeFilter: ['data-shown', 'aria-current', 'aria-label'],
    });
  });
}
