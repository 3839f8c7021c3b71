import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { quantile } from './figures.mjs';
import { memoryOf } from './memory.mjs';

const TONICS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'Cb'];
const MINOR = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'F', 'Bb', 'Eb', 'Ab', 'D#', 'G#', 'A#'];
const KEYS = [...TONICS.map((tonic) => `${tonic}-major`), ...MINOR.map((tonic) => `${tonic}-minor`)];
const TIMES = 5;
/** How often memory is looked at. Unit: ms. */
const EVERY_MS = 250;

/** Handouts in Chromium, from the press of the button to the file: one, and thirty as one PDF; and what the process of the page takes meanwhile. */
export async function measurePrinting(address) {
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-sheets-'));
  const options = launchOptions(folder);
  const browser = await puppeteer.launch(options);
  const page = await browser.newPage();
  page.setDefaultTimeout(120_000);
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  const one = [];
  await opensHandout(page, address, []);
  await savesPdf(page);
  for (let i = 0; i < TIMES; i += 1) one.push(await savesPdf(page));
  await opensHandout(page, address, KEYS.slice(1));
  const peak = watchMemory(options.userDataDir);
  const thirtyMs = await savesPdf(page);
  const megabytes = peak();
  await browser.close();
  return [
    ['one handout, warm, median (held to 1.5 s)', `${(quantile(one, 0.5) / 1000).toFixed(2)} s`],
    ['thirty handouts as one PDF (held to 15 s)', `${(thirtyMs / 1000).toFixed(1)} s`],
    ['most memory of the page and its workers meanwhile (held to 500 MB)', `${megabytes} MB`],
  ];
}

async function opensHandout(page, address, keys) {
  const query = new URLSearchParams({ piece: 'lantern-walk', key: 'C-major', sheet: 'handout', keys: keys.join(',') });
  await page.goto(new URL(`/handout?${query}`, address).href);
  await page.waitForSelector('[data-role=sheet-page]');
}

/** Unit: ms. */
async function savesPdf(page) {
  await page.waitForSelector('[data-role=save-pdf]:not(:disabled)');
  const begun = Date.now();
  await page.click('[data-role=save-pdf]');
  await page.waitForSelector('[data-role=printing]');
  await page.waitForSelector('[data-role=save-pdf]:not(:disabled)');
  return Date.now() - begun;
}

/** Looks at what the process of the page holds, its workers among it: the largest of this browser's. Told when it is over, it gives the most. Unit: MB. */
function watchMemory(userDataDir) {
  let most = 0;
  const look = () => {
    most = Math.max(most, memoryOf(userDataDir));
  };
  const timer = setInterval(look, EVERY_MS);
  return () => {
    clearInterval(timer);
    look();
    return most;
  };
}
