import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { arriveAtShelf, goTo, seesKey, textOf, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;

beforeAll(async () => {
  teacher = await arriveAtShelf({ width: 820, height: 1180 });
  page = teacher.page;
  await page.setViewport({ width: 820, height: 1180, hasTouch: true });
  await goTo(page, '/bench?piece=bridge-to-the-other-bank&key=Eb-major');
  await seesKey(page, 'Eb-major');
  await page.keyboard.press('m');
  await onStand('Eb-major');
});

afterAll(() => teacher.leave());

const onStand = (key: string) =>
  page.waitForSelector(`[data-role=stand-page][data-key="${key}"] figure[aria-busy=false]`);
const onPage = (at: number) => page.waitForSelector(`[data-role=stand-page][data-page="${at}"]`);
const place = () => textOf(page, '[data-role=stand-place]');

/** A tap on the page, at a part of its width and height. */
async function tap(across: number, down = 0.9): Promise<void> {
  const box = await (await page.waitForSelector('[data-role=stand-page]'))?.boundingBox();
  if (!box) throw new Error('there is no page');
  await page.touchscreen.tap(box.x + box.width * across, box.y + box.height * down);
}

/** The first and the last note that are seen, once only whole systems are. */
async function seenNotes(): Promise<readonly [first: string, last: string]> {
  const seen = await page.waitForFunction(() => {
    const room = document.querySelector('[data-role=stand-page] > div')?.getBoundingClientRect();
    const systems = [
      ...(document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.system') ?? []),
    ]
      .map((system) => ({ system, own: system.getBoundingClientRect() }))
      .filter(({ own }) => room && own.bottom > room.top + 2 && own.top < room.bottom - 2);
    const areWhole = systems.every(({ own }) => room && own.top >= room.top - 2 && own.bottom <= room.bottom + 2);
    const notes = systems.flatMap(({ system }) => [...system.querySelectorAll('g.note')].map(({ id }) => id));
    const [first, last] = [notes[0], notes.at(-1)];
    return areWhole && first && last ? ([first, last] as const) : null;
  });
  return (await seen.jsonValue()) as readonly [string, string];
}

/** Waits until the second finger number on the page is this one. */
function hasFinger(wanted: string): Promise<unknown> {
  return page.waitForFunction(
    (finger: string) =>
      document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.fing')[1]?.textContent?.trim() ===
      finger,
    {},
    wanted,
  );
}

describe('the music stand', () => {
  it('shows the new key alone, whole systems only, and turns by tap, by pedal and by button', async () => {
    expect(await page.$('header nav')).toBeNull();
    expect(await place()).toMatch(/^page 1 of [23]$/);
    const [first, last] = await seenNotes();
    await tap(0.9);
    await onPage(1);
    const [next] = await seenNotes();
    expect(first).toBe('after-n1');
    expect(Number(next.slice(7))).toBeGreaterThan(Number(last.slice(7)));
    await tap(0.1);
    await onPage(0);
    await page.keyboard.press('PageDown');
    await onPage(1);
    await page.keyboard.press('ArrowLeft');
    await onPage(0);
    await page.click('[aria-label="Turn the page"]');
    await onPage(1);
  });

  it('goes to another key by one press, and stays at the same bars', async () => {
    const [before] = await seenNotes();
    await page.click('[data-key=D-major]');
    await onStand('D-major');
    await onPage(1);
    expect((await seenNotes())[0]).toBe(before);
    await page.keyboard.press('Home');
    await onPage(0);
  });

  it('a tap in the middle leaves nothing but music, another one brings the bars back', async () => {
    await tap(0.5);
    await page.waitForSelector('[data-role=music-stand][data-bars=hidden]');
    expect(await page.$('[data-role=key-strip]')).toBeNull();
    await tap(0.5);
    await page.waitForSelector('[data-role=music-stand][data-bars=shown]');
  });

  it('the pencil rings a note and writes a finger by touch, beside the note too, and both are undone', async () => {
    await page.click('[data-role=pencil]');
    await page.waitForSelector('[data-role=pencil-bar]');
    const head = await page.evaluate(() => {
      const note = document.querySelector('[data-role=engraving]')?.shadowRoot?.getElementById('after-n2');
      const box = note?.querySelector('.notehead')?.getBoundingClientRect();
      return box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null;
    });
    if (!head) throw new Error('the note is not there');
    const ringed = (count: number) =>
      page.waitForFunction(
        (wanted: number) =>
          document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring=n2]').length ===
          wanted,
        {},
        count,
      );
    await page.touchscreen.tap(head.x + 9, head.y + 12);
    await ringed(1);
    await onPage(0);
    await hasFinger('5');
    await page.click('[data-pencil="4"]');
    await page.touchscreen.tap(head.x, head.y);
    await hasFinger('4');
    await page.click('[data-pencil=rub-out]');
    await page.touchscreen.tap(head.x, head.y);
    await ringed(0);
    await page.touchscreen.tap(head.x, head.y);
    await hasFinger('5');
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await hasFinger('4');
    await page.click('[data-role=pencil]');
    await page.waitForSelector('[data-role=key-strip]');
  });

  it('turns by itself while it plays', async () => {
    for (let i = 0; i < 3; i++) await page.keyboard.press('+');
    await page.waitForFunction(() =>
      /of [4-9]/.test(document.querySelector('[data-role=stand-place]')?.textContent ?? ''),
    );
    await page.click('[data-role=stand-play]');
    await onPage(1);
    await page.keyboard.press('p');
    await page.waitForFunction(() => document.querySelector('[data-role=stand-play]')?.textContent?.includes('Play'));
  });

  it('goes back to the Bench in the same key', async () => {
    await page.keyboard.press('Escape');
    await seesKey(page, 'D-major');
    expect(teacher.complaints).toEqual([]);
  });
});
