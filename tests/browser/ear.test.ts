/** A piano without a cable, from the permission to the verdict: Chromium’s own microphone, fed with what a simulated pupil plays. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { heardByMicrophone, inTime, pupilsWav, TUNING_IN } from './support/pupils-wav';
import { arriveAtShelf, goTo, home, openAt, sees, textOf, type Teacher } from './support/teacher';

const RUN = '/practice?piece=lantern-walk&key=D-major&pupil=demo-tam&hand=right&from=0&to=1&tempo=100&way=free';
const RECORD = '/record?piece=lantern-walk&key=D-major&pupil=demo-tam';

/** A run that was told of something. */
const UNCLEAN = '[data-run][data-outcome=unclean]';

/** From the listening on, the pupil waits so long: there is time to press the button, also on a slow machine. */
const WAITS_MS = 6000;
const QUARTER_MS = 650;
/** From the button on, the music is over in less. */
const OVER_MS = 18_000;
/** A machine that is taken away now and then may need more than one try. */
const TRIES = 3;
/** The first two bars in D, with F for each F sharp: the key, and how many quarters it is held. */
const PLAYED = [
  [62, 1],
  [64, 1],
  [65, 2],
  [65, 1],
  [67, 1],
  [69, 2],
] as const;

/** Chooses the microphone where it is practised. */
async function choosesMicrophone(page: Page): Promise<void> {
  await openAt(page, RUN);
  await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
  await page.select('[data-role=instrument]', 'microphone');
  await page.waitForSelector('[data-role=listen-by-microphone]');
}

/** Listens, and plays; tells whether the button was pressed before the pupil began, and nothing was lost on the way. */
async function playsInTime(page: Page): Promise<boolean> {
  await page.select('[data-role=instrument]', 'screen');
  await page.select('[data-role=instrument]', 'microphone');
  const begunMs = performance.now();
  await page.locator('[data-role=listen-by-microphone]').click();
  await page.locator('[data-role=run]:not([disabled])').click();
  await page.waitForSelector('[data-role=run][data-state=listening]');
  const isInTime = performance.now() - begunMs < WAITS_MS;
  // By itself it ends soon after the last note, where that was lit; else the pupil says so.
  await page.waitForSelector('[data-role=run]:not([data-state=listening])', { timeout: OVER_MS }).catch(async () => {
    await page.locator('[data-role=run]').click();
  });
  await page.waitForSelector('[data-role=judged]');
  return isInTime && !(await page.evaluate(() => document.body.innerText.includes('The sound came with gaps')));
}

describe('a pupil whose piano has no cable', () => {
  const wav = pupilsWav();
  let teacher: Teacher;
  let page: Page;
  beforeAll(async () => {
    wav.plays(TUNING_IN);
    teacher = await arriveAtShelf(undefined, heardByMicrophone(wav));
    ({ page } = teacher);
    await choosesMicrophone(page);
  });
  afterAll(() => teacher.leave());

  it('is told why the microphone is asked for, and cannot begin before', async () => {
    await sees(page, 'Nothing that it hears leaves this device');
    expect(await page.$eval('[data-role=run]', (button) => (button as HTMLButtonElement).disabled)).toBe(true);
  });

  it('plays five named notes, and is told how the piano is tuned', async () => {
    await page.locator('[data-role=listen-by-microphone]').click();
    await page.waitForSelector('[data-role=tuning-in]');
    await page.waitForSelector('[data-role=tuning-said]');
    expect(await textOf(page, '[data-role=tuning-said]')).toMatch(
      /^Your piano is (in tune|[34] cents (flat|sharp): fine)\.$/,
    );
  });

  it('plays, and is told that F was played for F sharp, and of nothing else', async () => {
    await page.locator('[data-role=keep-sound]').click();
    await page.waitForSelector('[data-role=keep-sound]:checked');
    wav.plays(inTime(PLAYED, QUARTER_MS, WAITS_MS));
    for (let tries = 1; tries <= TRIES && !(await playsInTime(page)); tries += 1);
    const faults = await page.$$eval('[data-fault]', (all) => all.map((fault) => fault.getAttribute('data-fault')));
    expect(faults).toEqual(['forgot-signature']);
    await sees(page, 'F instead of F♯');
  });

  it('has the run in the record, with its sound, which Settings count', async () => {
    await goTo(page, RECORD);
    await page.locator(UNCLEAN).click();
    await sees(page, 'F instead of F♯');
    await page.waitForFunction(
      () => (document.querySelector<HTMLAudioElement>('[data-role=run-sound] audio')?.duration ?? 0) > 5,
    );
    await page.locator('[data-role=as-written]').click();
    await page.waitForSelector('[data-role=as-written]:checked');
    await goTo(page, '/settings');
    await page.waitForSelector('[data-role=sounds-kept]');
    await sees(page, 'One run played as written: 1 told of a fault');
  });

  it('has the sound back with the run, where that was deleted and undone', async () => {
    await goTo(page, RECORD);
    await page.waitForSelector(UNCLEAN);
    const run = await page.$eval(UNCLEAN, (line) => line.getAttribute('data-run'));
    await page.locator(`li:has(${UNCLEAN}) [data-role=delete-run]`).click();
    await page.waitForFunction((id) => document.querySelector(`[data-run="${id}"]`) === null, {}, run);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await page.locator(`[data-run="${run}"]`).click();
    await page.waitForSelector('[data-role=run-sound]');
  });

  it('sent nothing anywhere', () => {
    expect(teacher.strangers).toEqual([]);
    expect(teacher.complaints).toEqual([]);
  });
});

describe('a microphone that cannot be had', () => {
  let teacher: Teacher;
  beforeAll(async () => {
    teacher = await arriveAtShelf(undefined, ['--use-fake-device-for-media-stream']);
  });
  afterAll(() => teacher.leave());

  it('for want of permission is told, with the other ways, and the keys go on', async () => {
    const { page, browser } = teacher;
    await browser.defaultBrowserContext().overridePermissions(home(), []);
    await choosesMicrophone(page);
    await page.locator('[data-role=listen-by-microphone]').click();
    await sees(page, 'The browser was not allowed to use the microphone.');
    await sees(page, 'or play on the keys, or on a MIDI keyboard');
    await page.select('[data-role=instrument]', 'screen');
    await page.locator('[data-role=run]').click();
    await page.waitForSelector('[data-role=run][data-state=listening]');
  });

  it('any more, since it was unplugged, is told, and may be asked for again', async () => {
    const { page, browser } = teacher;
    await browser.defaultBrowserContext().overridePermissions(home(), ['microphone']);
    await page.evaluateOnNewDocument(() => {
      const devices = navigator.mediaDevices;
      const ask = devices.getUserMedia.bind(devices);
      devices.getUserMedia = async (wanted) => {
        const stream = await ask(wanted);
        Object.assign(window, { unplug: () => stream.getAudioTracks()[0]?.dispatchEvent(new Event('ended')) });
        return stream;
      };
      const Context = window.AudioContext;
      window.AudioContext = class extends Context {
        constructor(options?: AudioContextOptions) {
          super(options);
          Object.assign(window, { fallAsleep: () => this.suspend() });
        }
      };
    });
    await choosesMicrophone(page);
    await page.locator('[data-role=listen-by-microphone]').click();
    await page.waitForSelector('[data-role=tuning-in]');
    await page.evaluate(() => (window as unknown as { readonly unplug: () => void }).unplug());
    await sees(page, 'The microphone was unplugged.');
    await page.waitForSelector('[data-role=listen-by-microphone]');
  });

  it('since the device puts its sound to sleep is told, and another microphone listens afterwards', async () => {
    const { page } = teacher;
    await page.locator('[aria-label="Put this message away"]').click();
    await page.locator('[data-role=listen-by-microphone]').click();
    await page.waitForSelector('[data-role=tuning-in]');
    await page.evaluate(() => (window as unknown as { readonly fallAsleep: () => void }).fallAsleep());
    await sees(page, 'The browser has put the microphone to sleep.');
    await page.locator('[aria-label="Put this message away"]').click();
    await page.locator('[data-role=listen-by-microphone]').click();
    await page.waitForSelector('[data-role=tuning-in]');
  });
});
