// Takes the pictures of docs/screenshots from the demo studio, each main view at 1280 by 800 or on the screen it is made for.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium, launchOptions } from './lib/chromium.mjs';
import { ROOT } from './lib/run.mjs';
import { freePort, serve } from './lib/server.mjs';

const ENGRAVED = '[data-role=paper] figure[aria-busy=false]';

/** Each view: where it is, what must be there before the picture is taken, what is pressed first, one after the other, and of which part alone the picture is. */
const VIEWS = [
  { name: 'shelf', path: '/', waitsFor: '[data-piece=mill-wheel] figure[aria-busy=false]' },
  {
    name: 'bench',
    path: '/bench?piece=lantern-walk&key=E-major&at=1:3',
    waitsFor: ENGRAVED,
    presses: ['[data-flag=fourth-on-black]'],
  },
  {
    name: 'stand',
    path: '/stand?piece=bridge-to-the-other-bank&key=Eb-major',
    waitsFor: '[data-role=stand-page] figure[aria-busy=false]',
    size: [820, 1180],
  },
  {
    name: 'practice',
    path: '/practice?piece=lantern-walk&key=D-major&hand=right&from=2&to=5&tempo=120&pupil=demo-tam',
    waitsFor: '[data-role=practice-paper] figure[aria-busy=false]',
    selects: [['[data-role=instrument]', 'simulated']],
    presses: ['[data-role=let-play]'],
    until: '[data-role=judged]',
  },
  {
    name: 'record',
    path: '/record?pupil=demo-tam&piece=lantern-walk',
    waitsFor: '[data-run]',
    presses: ['[data-run]'],
    until: '[data-role=judged]',
  },
  { name: 'pupils', path: '/pupils', waitsFor: '[data-role=pupils] tr[data-pupil]' },
  { name: 'pupil', path: '/pupil?pupil=demo-perrin', waitsFor: '[data-role=next-key][data-whole=true]' },
  { name: 'week', path: '/week', waitsFor: '[data-role=week] [data-card]' },
  {
    name: 'lesson',
    path: '/lesson?pupil=demo-isa',
    waitsFor: '[data-run]',
    presses: ['[data-run]'],
    until: '[data-role=judged]',
    size: [820, 1180],
  },
  {
    name: 'steps',
    path: '/practice?piece=lantern-walk&key=D-major&pupil=demo-tam&step=next',
    waitsFor: '[data-role=practice-paper] figure[aria-busy=false]',
    size: [820, 1180],
  },
  {
    name: 'enter',
    path: '/enter?piece=slow-ferris',
    waitsFor: '[data-role=entered] [data-line="1"] figure[aria-busy=false]',
    keys: ['End', '4', '3', 't', '2'],
    // The hand tracks come a moment after the last key.
    until: '>>> [data-track]',
  },
  {
    name: 'survey',
    path: '/survey?piece=the-sixth-step&pupil=demo-tam&keys=D-major,F-major',
    waitsFor: '[data-role=survey][data-whole=true]',
  },
  {
    name: 'stages-and-keys',
    path: '/survey?piece=market-chords&show=stages&to=D-major&pupil=demo-tam',
    waitsFor: '[data-role=stages-by-key][data-whole=true]',
  },
  { name: 'fit', path: '/fit?pupil=demo-tam&tonics=C,D,F&ask=stays-put', waitsFor: '[data-role=fit][data-state=done]' },
  {
    name: 'handout',
    path: '/handout?piece=bridge-to-the-other-bank&key=Eb-major&pupil=demo-tam&sheet=handout',
    waitsFor: '[data-sheet=handout] [data-role=sheet-page]',
  },
  {
    name: 'page-handout',
    path: '/handout?piece=market-chords&key=D-major&pupil=demo-tam&sheet=handout',
    waitsFor: '[data-sheet=handout] [data-role=sheet-page]',
    part: '[data-role=sheet-page]',
    size: [1280, 1400],
  },
  {
    name: 'page-rote',
    path: '/handout?piece=lantern-walk&key=D-major&pupil=demo-tam&sheet=rote',
    waitsFor: '[data-sheet=rote] [data-role=sheet-page]',
    part: '[data-role=sheet-page]',
    size: [1280, 1400],
  },
  { name: 'atlas', path: '/atlas?key=Eb-major', waitsFor: '[data-role=position] figure[aria-busy=false]' },
  { name: 'settings', path: '/settings#words', waitsFor: '[data-role=wording-preview]' },
];

ensureBuilt();
ensureChromium();
const folder = join(ROOT, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const { address, stop } = await serve(await freePort());
const browser = await puppeteer.launch(launchOptions());
const page = await browser.newPage();
page.setDefaultTimeout(120_000);
await page.setViewport({ width: 1280, height: 800 });
await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }]);
await page.goto(address);
await page.waitForFunction(() => document.querySelectorAll('[data-piece] figure[aria-busy=false]').length === 12);
for (const { name, path, waitsFor, selects, presses, keys, until, part, size = [1280, 800] } of VIEWS) {
  await page.setViewport({ width: size[0], height: size[1] });
  await page.goto(address + path);
  await page.waitForSelector(waitsFor);
  for (const [selector, value] of selects ?? []) await page.select(selector, value);
  for (const selector of presses ?? []) {
    await page.waitForSelector(selector);
    await page.click(selector);
  }
  if (keys && !path.startsWith('/enter')) await page.waitForSelector('button[data-key]');
  for (const key of keys ?? []) {
    const [held, last] = key.includes('+') ? key.split('+') : [null, key];
    if (held) await page.keyboard.down(held);
    await page.keyboard.press(last);
    if (held) await page.keyboard.up(held);
  }
  if (until) await page.waitForSelector(until);
  if (keys && path.startsWith('/enter')) await page.waitForSelector('[data-role=kept][data-kept=true]');
  // The music that is in sight is engraved.
  await page.waitForFunction(() =>
    [...document.querySelectorAll('figure[aria-busy=true]')].every(
      (figure) => figure.getBoundingClientRect().top > window.innerHeight,
    ),
  );
  // Nothing is on its way any more that is about to be heard.
  await page.waitForFunction(
    () => document.querySelector('[data-role=player] .btn-primary')?.textContent?.includes('…') !== true,
  );
  await page.evaluate(() => document.fonts.ready);
  // A part of the screen alone, as a printed page.
  const seen = part ? await page.$(part) : page;
  await seen.screenshot({ path: join(folder, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
stop();
