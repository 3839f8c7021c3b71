import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { toBase64 } from '@/features/shared/files/base64';
import { writePlayedFile } from '@/core/write';
import type { Studio } from '@/data/door/studio';
import { aRun } from '../support/studio';
import { rounds } from '../support/rounds';
import { findings, findingsInBothLooks, overflow } from './support/axe';
import { arriveAtShelf, goTo, seesCards, seesKey, textOf, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;

beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});

afterAll(() => teacher.leave());

/** Buttons and fields whose words are cut, and those that lie outside of the window sideways without a row that scrolls to them. */
function cutThings(): Promise<readonly string[]> {
  return page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'header button, header a, [data-role=head] button, [data-role=head] a, [data-role=foot] button, summary, h1',
      ),
    ]
      .filter((element) => element.getClientRects().length > 0 && !element.closest('[data-role=key-strip], .sr-only'))
      .filter((element) => element.tagName === 'SUMMARY' || !element.closest('details:not([open])'))
      .flatMap((element) => {
        const { left, right } = element.getBoundingClientRect();
        const isOut = left < -1 || right > window.innerWidth + 1;
        const isCut = element.tagName === 'BUTTON' && element.scrollWidth > element.clientWidth + 1;
        return isOut || isCut
          ? [`${isOut ? 'outside' : 'cut'}: ${element.textContent || element.getAttribute('aria-label')}`]
          : [];
      }),
  );
}

async function resize(width: number, height: number): Promise<void> {
  await page.setViewport({ width, height });
  await page.waitForFunction((wanted: number) => window.innerWidth === wanted, {}, width);
}

/** Runs in the page: puts a run into the record. */
async function putRun(run: object): Promise<void> {
  const { newThumb } = window as unknown as { readonly newThumb: { readonly studio: Pick<Studio, 'run'> } };
  await newThumb.studio.run({ kind: 'note.run', run: run as never }, '');
}

/** One key that was struck. */
const ONE_KEY = toBase64(writePlayedFile([{ midi: 62, downMs: 0, upMs: 400, velocity: 64 }]));

const SIZES = [
  [1280, 800],
  [1440, 900],
  [1024, 768],
  [820, 1180],
  [390, 844],
  // 1280 by 800 at twice its size.
  [640, 400],
] as const;

/** At so many sizes the colours are looked at by lamplight too: they are the same at all. The long run looks at each. */
const LAMPLIT = rounds(1, SIZES.length);

describe.each(SIZES)('at %i by %i', (width, height) => {
  beforeAll(() => resize(width, height));
  const isLamplit = SIZES.findIndex(([w, h]) => w === width && h === height) < LAMPLIT;
  const found = (): Promise<readonly string[]> => (isLamplit ? findingsInBothLooks(page) : findings(page));

  it('the Bench has nothing that axe finds, nothing cut, and does not scroll sideways', async () => {
    await goTo(page, '/bench?piece=market-chords&key=Eb-major&at=1:1&pupil=demo-tam');
    await seesKey(page, 'Eb-major');
    await page.keyboard.press('n');
    await page.waitForSelector('[data-flag][aria-pressed=true]');
    expect(await overflow(page)).toBe(0);
    expect(await cutThings()).toEqual([]);
    const more = await page.$('[data-role=more]');
    await more?.click();
    if (more) await page.waitForSelector('details[open] [data-role=survey]');
    expect([await overflow(page), await cutThings()]).toEqual([0, []]);
    await more?.click();
    expect(await found()).toEqual([]);
  });

  it('stages have neither, on the Bench and beside the keys', async () => {
    await goTo(page, '/bench?piece=mill-wheel&key=D-major&stage=landing-1');
    await page.waitForSelector('[data-stage=landing-1][aria-current]');
    await page.locator('[data-role=arrange-stages]').click();
    await page.waitForSelector('[data-entry=whole]');
    expect([await overflow(page), await cutThings()]).toEqual([0, []]);
    expect(await findings(page)).toEqual([]);
    await goTo(page, '/survey?piece=mill-wheel&show=stages');
    await page.waitForSelector('[data-role=stages-by-key][data-whole=true]');
    expect(await overflow(page)).toBe(0);
    expect(await found()).toEqual([]);
    await goTo(page, '/bench?piece=market-chords&key=Eb-major&at=1:1');
    await seesKey(page, 'Eb-major');
  });

  it('the steps of practice, their order and the record have neither', async () => {
    const query = 'piece=mill-wheel&key=D-major&pupil=demo-tam';
    await page.evaluate(putRun, { ...aRun('run', 'mill-wheel', 1), pupil: 'demo-tam', midi: ONE_KEY });
    await goTo(page, `/practice?${query}&step=next`);
    await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
    expect([await overflow(page), await cutThings()]).toEqual([0, []]);
    expect(await found()).toEqual([]);
    await page.locator('[data-role=arrange-steps]').click();
    await page.locator('[data-entry=slow] [data-role=edit-step]').click();
    await page.waitForSelector('[data-role=step-form]');
    expect([await overflow(page), await findings(page)]).toEqual([0, []]);
    await goTo(page, `/record?${query}&run=run`);
    await page.waitForSelector('[data-role=record-run] [data-role=judged]');
    expect([await overflow(page), await cutThings()]).toEqual([0, []]);
    expect(await found()).toEqual([]);
    await goTo(page, '/bench?piece=market-chords&key=Eb-major&at=1:1');
    await seesKey(page, 'Eb-major');
  });

  it('the music stand has neither, with its bars and with the pencil', async () => {
    await page.keyboard.press('m');
    await page.waitForSelector('[data-role=stand-page] figure[aria-busy=false]');
    await page.waitForSelector('[data-role=key-strip]');
    expect(await overflow(page)).toBe(0);
    expect(await found()).toEqual([]);
    await page.keyboard.press('i');
    await page.waitForSelector('[data-role=pencil-bar]');
    expect(await findings(page)).toEqual([]);
  });

  it('shelf and settings have neither', async () => {
    await goTo(page, '/');
    await page.waitForSelector('[data-piece] figure[aria-busy=false]');
    expect(await overflow(page)).toBe(0);
    expect(await cutThings()).toEqual([]);
    expect(await found()).toEqual([]);
    await goTo(page, '/settings');
    await page.waitForSelector('h1');
    expect(await overflow(page)).toBe(0);
  });
});

describe('with a device that asks for it', () => {
  it('in forced colours the chosen key, hand note and view can be told without their colours', async () => {
    await resize(1280, 800);
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    const session = await page.createCDPSession();
    await session.send('Emulation.setEmulatedMedia', { features: [{ name: 'forced-colors', value: 'active' }] });
    await goTo(page, '/bench?piece=market-chords&key=Eb-major&at=1:1');
    await seesKey(page, 'Eb-major');
    const isTold = await page.evaluate(() => {
      const [chosen, other] = ['true', 'false'].map((pressed) =>
        document.querySelector(`[data-role=key-strip] [aria-pressed=${pressed}]`),
      );
      if (!chosen || !other) return false;
      const [a, b] = [getComputedStyle(chosen), getComputedStyle(other)];
      return (
        a.backgroundColor !== b.backgroundColor || a.outlineStyle !== b.outlineStyle || a.borderColor !== b.borderColor
      );
    });
    expect(isTold).toBe(true);
    await session.send('Emulation.setEmulatedMedia', { features: [] });
    await session.detach();
  });
});

describe('a screen reader at the Bench', () => {
  it('hears a bar with its notes, fingers and hand note', async () => {
    await goTo(page, '/bench?piece=market-chords&key=Eb-major&at=1:1');
    await seesKey(page, 'Eb-major');
    expect(await textOf(page, '[data-role=said]')).toBe(
      'Bar 1, beat 1: E♭3 left hand finger 5, G3 left hand finger 3, B♭3 left hand finger 1, B♭4 right hand finger 5. to know: Finger 5 on B♭ and E♭. to know: Thumb on E♭ and B♭',
    );
    const music = await page.$eval('[data-role=paper] figure', (figure) => figure.getAttribute('aria-label'));
    expect(music).toBe('Market Chords, C major above E♭ major, 8 bars');
    await goTo(page, '/');
    await seesCards(page, 12);
  });
});
