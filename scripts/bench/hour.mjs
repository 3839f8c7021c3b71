import puppeteer from 'puppeteer-core';
import { launchOptions } from '../lib/chromium.mjs';
import { seeded } from '../lib/seeded.mjs';
import { memoryOf, tidy } from './memory.mjs';

const MINUTES = Number(process.env.NEW_THUMB_MINUTES ?? 60);
/** A teacher does something this often. Unit: ms. */
const PACE_MS = 1500;

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const KEYS = ['C', 'D', 'Eb', 'F', 'G', 'Ab', 'A', 'Bb'];

/** One thing that a teacher does, drawn by chance. */
async function step(page, random, pieces) {
  const pick = (items) => items[Math.floor(random() * items.length)];
  const goTo = (path) => page.evaluate((to) => window.next.router.push(to), path);
  const what = random();
  if (what < 0.5) return page.keyboard.press(pick([']', '[', 'n', 'N', 'p', 'm', 'Escape']));
  if (what < 0.75) return goTo(`/bench?piece=${pick(pieces)}&key=${pick(KEYS)}-major`);
  if (what < 0.82) return goTo(`/survey?piece=${pick(pieces)}`);
  if (what < 0.88) return goTo(`/practice?piece=${pick(pieces)}&pupil=demo-tam`);
  if (what < 0.92) return goTo(`/handout?piece=${pick(pieces)}&key=${pick(KEYS)}-major`);
  return goTo(pick(['/', '/fit', '/pupils', '/week', '/atlas', '/settings']));
}

/** One tab, used for an hour: what it holds after ten minutes and at the end. */
export async function measureHour(address) {
  const options = launchOptions();
  const browser = await puppeteer.launch(options);
  const page = await browser.newPage();
  const complaints = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address);
  await page.waitForSelector('[data-piece]');
  const pieces = await page.$$eval('[data-piece]', (cards) => cards.map((card) => card.getAttribute('data-piece')));
  const session = await page.createCDPSession();
  await session.send('HeapProfiler.enable');
  const random = seeded(7);
  const begun = Date.now();
  const minutes = () => (Date.now() - begun) / 60_000;
  const seen = [];
  let steps = 0;
  while (minutes() < MINUTES) {
    await step(page, random, pieces);
    steps += 1;
    await wait(PACE_MS);
    if (minutes() < seen.length + 1) continue;
    await tidy(page, session);
    seen.push(memoryOf(options.userDataDir));
  }
  await browser.close();
  const sixth = Math.floor(seen.length / 6);
  return [
    ['steps, by seed', String(steps)],
    ['faults of the page (held to 0)', String(complaints.length)],
    [`memory after ${sixth + 1} minutes · at the end`, `${seen[sixth]} · ${seen.at(-1)} MB`],
    ['most memory', `${Math.max(...seen)} MB`],
  ];
}
