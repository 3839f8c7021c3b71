import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { freePort, serve } from '../lib/server.mjs';
import { quantile } from './figures.mjs';

const TIMES = 5;

/** From the address to the first engraved card. Unit: ms. */
async function firstCard(page, address) {
  const begun = Date.now();
  await page.goto(address, { waitUntil: 'commit' }).catch(() => page.goto(address));
  await page.waitForSelector('[data-piece] figure[aria-busy=false]');
  return Date.now() - begun;
}

/** A browser that was never here; one that was, with the server; and without it. */
export async function measureFirstLoad({ address }) {
  const [cold, again] = [[], []];
  for (let i = 0; i < TIMES; i += 1) {
    const browser = await puppeteer.launch(launchOptions());
    const page = await browser.newPage();
    cold.push(await firstCard(page, address));
    await page.goto('about:blank');
    again.push(await firstCard(page, address));
    await browser.close();
  }
  // A server of its own, that can go.
  const own = await serve(await freePort());
  const browser = await puppeteer.launch(launchOptions());
  const page = await browser.newPage();
  page.setDefaultTimeout(120_000);
  await page.goto(`${own.address}/settings`);
  const begun = Date.now();
  await page.waitForSelector('[data-role=offline][data-kept=whole]');
  const keptMs = Date.now() - begun;
  await firstCard(page, own.address);
  own.stop();
  const offline = [];
  for (let i = 0; i < TIMES; i += 1) {
    await page.goto('about:blank');
    offline.push(await firstCard(page, own.address));
  }
  await browser.close();
  const median = (times) => `${(quantile(times, 0.5) / 1000).toFixed(2)} s`;
  return [
    ['never here before: first card engraved (held to 1.5 s)', median(cold)],
    ['once more, with the server', median(again)],
    ['once more, without the server', median(offline)],
    ['the whole application kept for use without a network', `${(keptMs / 1000).toFixed(1)} s`],
  ];
}
