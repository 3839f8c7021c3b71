import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { rounds } from '../support/rounds';
import { arriveAtShelf, goTo, hasTools, openAt, seesKey, type Teacher, type WindowSize } from './support/teacher';

let teacher: Teacher;
let page: Page;
let pieces: readonly string[];

beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
  pieces = await page.$$eval('[data-piece]', (cards) => cards.map((card) => card.getAttribute('data-piece') ?? ''));
  await goTo(page, '/bench?piece=market-chords&key=Eb-major');
  await seesKey(page, 'Eb-major');
  // One row of labels, as a teacher has it who writes degrees under the notes.
  await hasTools(page);
  await page.click('[data-role=under-notes]');
  await page.click('[data-label=degrees]');
  await page.click('[data-role=tools]');
  await page.waitForFunction(() => document.querySelector('[data-role=page-tools]') === null);
});

afterAll(() => teacher.leave());

async function resize(size: WindowSize): Promise<void> {
  await page.setViewport(size);
  await page.waitForFunction((width: number) => window.innerWidth === width, {}, size.width);
}

/** Waits until the first pair (or system) of the music is seen whole, with its labels. */
function seesWholePair(): Promise<unknown> {
  return page.waitForFunction(() => {
    const paper = document.querySelector('[data-role=paper]');
    const root = paper?.querySelector('[data-role=engraving]')?.shadowRoot;
    const system = root?.querySelector('.system');
    if (!paper || !system || paper.querySelector('figure')?.getAttribute('aria-busy') !== 'false') return false;
    const [room, own] = [paper.getBoundingClientRect(), system.getBoundingClientRect()];
    return (
      paper.scrollTop === 0 &&
      own.height > 0 &&
      own.top >= room.top &&
      own.bottom <= Math.min(room.bottom, window.innerHeight) &&
      own.right <= room.right &&
      system.querySelector('.fing') !== null &&
      system.querySelector('.verse') !== null &&
      system.querySelector('[data-line=after] [data-bar]') !== null
    );
  });
}

/** The part of the window's height in which there is music. */
function shareOfMusic(): Promise<number> {
  return page.$eval('[data-role=paper]', (paper) => paper.getBoundingClientRect().height / window.innerHeight);
}

const DESKS: readonly (readonly [width: number, height: number, share: number])[] = [
  [1280, 800, 0.55],
  [1440, 900, 0.55],
  [1024, 768, 0.55],
  [820, 1180, 0.55],
  [390, 844, 0.45],
];

/** Keys with a signature and a black key or two in either hand. The check takes one for a piece, and every other screen, by turns; the long run takes each. */
const KEYS = ['Eb-major', 'D-major'] as const;

describe('the Bench gives its room to the music', () => {
  it.each(KEYS)('in %s every demo piece shows one whole pair on every screen', async (key) => {
    const step = rounds(KEYS.length, 1);
    for (const [turn, piece] of pieces.filter((_, i) => i % step === KEYS.indexOf(key) % step).entries()) {
      await goTo(page, `/bench?piece=${piece}&key=${key}`);
      for (const [width, height, share] of DESKS.filter((_, i) => i % step === turn % step)) {
        await resize({ width, height });
        await seesKey(page, key);
        await seesWholePair();
        expect([piece, width, (await shareOfMusic()) >= share]).toEqual([piece, width, true]);
      }
    }
  });
});

/** Whether the system in which a note stands that a hand note speaks of is seen whole in the music's room. */
function seesPointed(): Promise<unknown> {
  return page.waitForFunction(() => {
    const paper = document.querySelector('[data-role=paper]');
    const pointed = [
      ...(paper?.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.is-pointed') ?? []),
    ].find(({ id }) => id.startsWith('after-'));
    if (!paper || !pointed) return false;
    const [room, own] = [paper.getBoundingClientRect(), pointed.getBoundingClientRect()];
    return own.top >= room.top && own.bottom <= room.bottom;
  });
}

describe('what is asked for is never covered', () => {
  it.each([
    [820, 1180],
    [390, 844],
  ])('%i by %i: a hand note comes up from below, and its place stays in sight', async (width, height) => {
    await resize({ width, height });
    await goTo(page, '/bench?piece=bridge-to-the-other-bank&key=Db-major');
    await seesKey(page, 'Db-major');
    expect(await page.$eval('[data-role=beside]', (sheet) => sheet.getAttribute('data-open'))).toBe('false');
    const count = await page.$$eval('#side-panel [data-flag]', (notes) => notes.length);
    for (let i = 0; i < count; i++) {
      await page.keyboard.press('n');
      await page.waitForSelector('[data-role=beside][data-open=true] [data-flag][aria-pressed=true]');
      await seesPointed();
      // The hand note itself is seen as well.
      await page.waitForFunction(() => {
        const note = document.querySelector('[data-flag][aria-pressed=true]')?.getBoundingClientRect();
        const panel = document.querySelector('#side-panel')?.getBoundingClientRect();
        return note && panel && note.top >= panel.top - 1 && note.top < panel.bottom;
      });
    }
    expect(count).toBeGreaterThan(2);
    await page.click('[data-role=fold-beside]');
    await page.waitForSelector('[data-role=beside][data-open=false]');
  });

  it('the chosen key is in sight in its row', async () => {
    await resize({ width: 390, height: 844 });
    for (let i = 0; i < 15; i++) {
      await page.keyboard.press(']');
      await page.waitForFunction(() => {
        const key = new URL(location.href).searchParams.get('key');
        const chosen = document.querySelector('[data-role=key-strip] [aria-pressed=true]');
        const [own, row] = [chosen?.getBoundingClientRect(), chosen?.parentElement?.getBoundingClientRect()];
        return chosen?.getAttribute('data-key') === key && own && row && own.left >= row.left && own.right <= row.right;
      });
    }
  });
});

describe('the keyboard at the foot', () => {
  const hasSize = (size: string) => page.waitForSelector(`[data-role=foot][data-size=${size}]`);

  it('is whole, a strip, or away, by one key and by a pull, and stays as it was left', async () => {
    await resize({ width: 1280, height: 800 });
    await goTo(page, '/bench?piece=market-chords&key=Eb-major');
    await seesKey(page, 'Eb-major');
    await hasSize('full');
    const before = await shareOfMusic();
    await page.keyboard.press('k');
    await hasSize('strip');
    await page.keyboard.press('k');
    await hasSize('away');
    expect(await page.$('[data-role=keyboard]')).toBeNull();
    expect(await shareOfMusic()).toBeGreaterThan(before + 0.08);
    await openAt(page, '/bench?piece=market-chords&key=Eb-major');
    await seesKey(page, 'Eb-major');
    await hasSize('away');
    const pull = await page.waitForSelector('[data-role=pull]');
    const box = await pull?.boundingBox();
    if (!box) throw new Error('the keyboard has no edge to be pulled');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 4 });
    await page.mouse.up();
    await hasSize('strip');
    await page.click('[data-role=pull]');
    await hasSize('away');
    await page.click('[data-role=pull]');
    await hasSize('full');
  });
});

describe('the panel beside the paper', () => {
  it('is folded away by a key, its names stay, and each opens it', async () => {
    await page.keyboard.press('h');
    await page.waitForSelector('[data-role=beside][data-open=false]');
    await seesWholePair();
    await page.click('#tab-key');
    await page.waitForSelector('[data-role=beside][data-open=true] [data-role=key-card]');
  });
});
