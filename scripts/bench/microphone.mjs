// The ear as a pupil has it: Chromium's fake microphone, the worklet, the worker, the light on the note.
import puppeteer from 'puppeteer-core';
import { heardByMicrophone, inTime, pupilsWav, TUNING_IN } from '../../tests/browser/support/pupils-wav.ts';
import { ensurePianos } from '../ear/listening-set.mjs';
import { launchOptions } from '../lib/chromium.mjs';
import { median } from './figures.mjs';
import { memoryOf, tidy } from './memory.mjs';

const PRACTICE = '/practice?piece=lantern-walk&key=D-major&pupil=demo-tam&hand=right&tempo=100';
/** The first two bars in D: the key, and how many quarters it is held. */
const PLAYED = [
  [62, 1],
  [64, 1],
  [66, 2],
  [66, 1],
  [67, 1],
  [69, 2],
];
const QUARTER_MS = 650;
const WAITS_MS = 8000;
const MINUTES = Number(process.env.NEW_THUMB_MINUTES ?? 60);

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
/** Opens practice by microphone, tuned in; `part` is the rest of the address, `goesRound` whether the file begins anew at its end. */
async function tunedIn(address, part, goesRound) {
  ensurePianos();
  const wav = pupilsWav();
  wav.plays(TUNING_IN);
  const options = launchOptions();
  const flags = heardByMicrophone(wav).map((flag) => (goesRound ? flag.replace('%noloop', '') : flag));
  const browser = await puppeteer.launch({ ...options, args: [...(options.args ?? []), ...flags] });
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(address + PRACTICE + part);
  await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]', { timeout: 60_000 });
  await page.select('[data-role=instrument]', 'microphone');
  await page.locator('[data-role=listen-by-microphone]').click();
  await page.waitForSelector('[data-role=tuning-said]', { timeout: 90_000 });
  await page.select('[data-role=instrument]', 'screen');
  await page.select('[data-role=instrument]', 'microphone');
  return { wav, page, browser, options };
}

async function listens(page) {
  await page.locator('[data-role=listen-by-microphone]').click();
  await page.locator('[data-role=run]:not([disabled])').click();
  await page.waitForSelector('[data-role=run][data-state=listening]', { timeout: 60_000 });
}

/** The worker that listens, found by what it does: it alone has something to do while nothing is pressed. */
async function busyShare(page, during) {
  const workers = page.workers();
  const sessions = workers.map(({ client }) => client);
  for (const session of sessions) {
    await session.send('Profiler.enable');
    await session.send('Profiler.setSamplingInterval', { interval: 500 });
    await session.send('Profiler.start');
  }
  await during();
  const shares = [];
  for (const session of sessions) {
    const { profile } = await session.send('Profiler.stop');
    const resting = new Set(
      profile.nodes
        .filter(({ callFrame }) => ['(idle)', '(program)'].includes(callFrame.functionName))
        .map(({ id }) => id),
    );
    const total = profile.timeDeltas.reduce((sum, delta) => sum + delta, 0);
    const busy = profile.timeDeltas.reduce((sum, delta, i) => (resting.has(profile.samples[i]) ? sum : sum + delta), 0);
    shares.push(busy / total);
  }
  return Math.max(...shares);
}

/** How far behind the key the light is, how much of a core the ear takes, and how long it listens once more afterwards. */
export async function measureMicrophone({ address }) {
  const { wav, page, browser } = await tunedIn(address, '&from=0&to=3&way=free', false);
  const keys = inTime(PLAYED, QUARTER_MS, WAITS_MS);
  wav.plays(keys);
  await page.evaluate(() => {
    const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    window.litAt = [];
    navigator.mediaDevices.getUserMedia = async (wanted) => {
      window.askedAt = performance.now();
      return ask(wanted);
    };
    new MutationObserver(() => {
      const count = Number(document.querySelector('[data-lit]')?.getAttribute('data-lit') ?? 0);
      while (window.litAt.length < count) window.litAt.push(performance.now());
    }).observe(document.body, { subtree: true, attributes: true, attributeFilter: ['data-lit'] });
  });
  await listens(page);
  const share = await busyShare(page, () => wait(WAITS_MS + 8 * QUARTER_MS));
  const { askedAt, litAt } = await page.evaluate(() => ({ askedAt: window.askedAt, litAt: window.litAt }));
  const pressed = Date.now();
  await page.locator('[data-role=run]').click();
  await page.waitForSelector('[data-role=judged]', { timeout: 120_000 });
  const after = (Date.now() - pressed) / (WAITS_MS + 8 * QUARTER_MS);
  await browser.close();
  const behind = litAt.slice(0, keys.length).map((at, i) => at - askedAt - keys[i].downMs);
  return [
    ['notes lit, of those played', `${litAt.length} of ${keys.length}`],
    ['behind the key at most (held to 0.5 s)', `${(Math.max(...behind) / 1000).toFixed(2)} s`],
    ['behind the key, median', `${(median(behind) / 1000).toFixed(2)} s`],
    ['first ear: share of real time (held to 0.2)', share.toFixed(3)],
    ['second ear with its loading: share of real time', after.toFixed(2)],
  ];
}

/** An hour in which keys are heard that nobody waits for: what the page holds by the way. */
export async function measureListeningHour({ address }) {
  const { wav, page, browser, options } = await tunedIn(address, '&from=0&to=3&way=wait', true);
  const complaints = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  wav.plays(
    inTime(
      PLAYED.map(([midi, quarters]) => [midi + 1, quarters]),
      QUARTER_MS,
      500,
    ),
  );
  await listens(page);
  const session = await page.createCDPSession();
  const seen = [];
  for (let minute = 1; minute <= MINUTES; minute += 1) {
    await wait(60_000);
    await tidy(page, session);
    seen.push(memoryOf(options.userDataDir));
  }
  const isListening = (await page.$('[data-role=run][data-state=listening]')) !== null;
  await page.locator('[data-role=run]').click();
  await page.waitForSelector('[data-role=run]:not([data-state=listening])', { timeout: 60_000 });
  await browser.close();
  return [
    ['still listening at its end', isListening ? 'yes' : 'no'],
    ['faults of the page (held to 0)', String(complaints.length)],
    ...[15, 30, 45, 60].filter((at) => at <= MINUTES).map((at) => [`memory after ${at} minutes`, `${seen[at - 1]} MB`]),
  ];
}
