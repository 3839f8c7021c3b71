import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { quantile } from './figures.mjs';

const ROUNDS = 6;
/** Between two keys. Unit: ms. */
const EACH_MS = 180;

/** From a MIDI event to the light on its note, on the pupil's page, while another core is kept busy: the keys of a piece, struck in time by a keyboard that is not there. */
export async function measureAnswering(address) {
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.evaluateOnNewDocument(pretendMidi);
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  await page.goto(new URL('/practice?piece=bridge-to-the-other-bank&hand=right&way=wait', address).href);
  await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
  await page.select('[data-role=instrument]', 'midi');
  await page.evaluate(keepBusy);
  const times = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    await page.click('[data-role=run]');
    await page.waitForSelector('[data-role=run][data-state=listening]');
    times.push(...(await page.evaluate(playThrough, EACH_MS)));
    await page.waitForSelector('[data-role=judged]');
  }
  await browser.close();
  return [
    [
      `${times.length} keys, median · 95th percentile (held to 30 ms)`,
      `${quantile(times, 0.5).toFixed(1)} · ${quantile(times, 0.95).toFixed(1)} ms`,
    ],
  ];
}

/** Runs in the page: a MIDI keyboard that is not there. */
function pretendMidi() {
  const input = Object.assign(new EventTarget(), { type: 'input', state: 'connected' });
  const access = Object.assign(new EventTarget(), { inputs: new Map([['one', input]]) });
  Object.defineProperty(navigator, 'requestMIDIAccess', { configurable: true, value: () => Promise.resolve(access) });
  globalThis.sendMidi = (data) =>
    input.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(data) }));
}

/** Runs in the page: a worker that never rests. */
function keepBusy() {
  const endless = new Blob(['for (let i = 0; ; i += 1) if (i < 0) break;'], { type: 'text/javascript' });
  globalThis.busy = new Worker(URL.createObjectURL(endless));
}

/** Runs in the page: finds each key by trying, as the page waits for it, and tells how long the light took of those that were right. */
async function playThrough(eachMs) {
  const paper = document.querySelector('[data-role=practice-paper]');
  const times = [];
  const pause = (ms) => new Promise((go) => setTimeout(go, ms));
  const frame = () => new Promise((go) => requestAnimationFrame(() => go()));
  const isListening = () => document.querySelector('[data-role=run]').dataset.state === 'listening';
  while (isListening()) {
    const before = paper.dataset.lit;
    const wanted = [...document.querySelectorAll('[data-finger][data-down=true][data-hand=right]')].map((key) =>
      Number(key.dataset.midi),
    );
    if (wanted.length === 0) break;
    const start = performance.now();
    for (const midi of wanted) globalThis.sendMidi([0x90, midi, 80]);
    while (paper.dataset.lit === before && performance.now() - start < 500) await frame();
    if (paper.dataset.lit === before) break;
    times.push(performance.now() - start);
    for (const midi of wanted) globalThis.sendMidi([0x80, midi, 0]);
    await pause(eachMs);
  }
  return times;
}
