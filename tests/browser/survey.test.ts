import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import {
  arriveAtShelf,
  goTo,
  press,
  pressUntilSeen,
  saved,
  sees,
  seesKey,
  textOf,
  type Teacher,
} from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

/** Waits until all keys of a survey are known. */
const isWhole = () => page.waitForSelector('[data-role=survey][data-whole=true]');
const order = (): Promise<readonly string[]> =>
  page.$$eval('[data-survey-key]', (rows) => rows.map((row) => row.getAttribute('data-survey-key') ?? ''));
const toggle = (key: string) => page.locator(`[data-survey-key="${key}"] input[type=checkbox]`).click();
/** Waits until the address says so. */
const says = (part: string) =>
  page.waitForFunction((wanted: string) => decodeURIComponent(window.location.search).includes(wanted), {}, part);

describe('a survey of keys', () => {
  it('comes from the Bench by one key, and ranks all fifteen by ease with what they cost', async () => {
    await goTo(page, '/bench?piece=lantern-walk&pupil=any');
    await seesKey(page, 'C-major');
    await page.keyboard.press('y');
    await isWhole();
    expect(await order()).toHaveLength(15);
    expect((await order()).slice(0, 5)).toEqual(['C-major', 'G-major', 'D-major', 'A-major', 'F-major']);
    expect(await textOf(page, '[data-survey-key="F-major"]')).toMatch(
      /Right 4 and left 2 on B♭ in bars 2, 3, 6 and 7; one more ledger line; reads one flat\./,
    );
  });

  it('is ranked otherwise by keyboard, and by the teacher’s own order, which is kept', async () => {
    await page.keyboard.press('2');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-survey-key]')[2]?.getAttribute('data-survey-key') === 'F-major',
    );
    await page.keyboard.press('4');
    await page.waitForSelector('button[aria-label="Move G major"]');
    // Space takes a key up, arrows carry it, Space puts it down.
    await page.focus('button[aria-label="Move G major"]');
    await page.keyboard.press('Space');
    await page.waitForSelector('button[aria-label="Move G major"][aria-pressed=true]');
    // It is told of once it has its place in the list: then it can be carried.
    await page.waitForFunction(() => document.body.textContent?.includes('G major is at the place of G major.'));
    // There is no place above the first.
    await pressUntilSeen(page, 'ArrowUp', 'G major is at the place of C major.');
    await page.keyboard.press('Space');
    await page.waitForFunction(
      () => document.querySelector('[data-survey-key]')?.getAttribute('data-survey-key') === 'G-major',
    );
    await page.reload();
    await isWhole();
    expect((await order()).slice(0, 2)).toEqual(['G-major', 'C-major']);
    await press(page, 'Undo');
    await page.waitForFunction(
      () => document.querySelector('[data-survey-key]')?.getAttribute('data-survey-key') === 'C-major',
    );
  });

  it('names keys that the school leaves out, with the reason, and never hides them', async () => {
    await goTo(page, '/settings');
    await page.locator('input[name=outer][value=avoid]').click();
    await page.waitForSelector('input[name=outer][value=avoid]:checked');
    await goTo(page, '/survey?piece=lantern-walk&pupil=any&order=ease');
    await isWhole();
    expect(await textOf(page, '[data-survey-key="Eb-major"]')).toContain(
      'Left out for now. In E♭ a short finger lies on a black key',
    );
    expect((await order()).indexOf('Eb-major')).toBeGreaterThan((await order()).indexOf('E-major'));
    await press(page, 'Undo');
    await page.waitForFunction(() => !document.body.innerText.includes('Left out for now'));
  });

  it('has the parallel mode and a church mode on request, ranked together', async () => {
    await page.click('[data-role=modes]');
    await page.locator('[data-mode=parallel]').click();
    await page.locator('[data-mode=dorian]').click();
    await page.waitForSelector('[data-survey-key="D-dorian"]');
    await page.waitForSelector('[data-survey-key="C-minor"]');
    await isWhole();
    expect(await order()).toHaveLength(45);
    await page.locator('[data-mode=parallel]').click();
    await page.locator('[data-mode=dorian]').click();
    await page.waitForFunction(() => document.querySelectorAll('[data-survey-key]').length === 15);
  });

  it('tells which keys suit a singer, and refuses what is no note', async () => {
    await page.click('[data-role=partner]');
    await page.select('[data-role=instrument]', 'b-flat');
    await page.waitForFunction(() =>
      document.querySelector('[data-survey-key="C-major"]')?.textContent?.includes('reads D major'),
    );
    await page.locator('input[aria-label="Highest comfortable note"]').fill('H9');
    await sees(page, '“H9” is no note');
    await page.locator('input[aria-label="Highest comfortable note"]').fill('A4');
    await page.waitForFunction(() =>
      /too high/.test(document.querySelector('[data-survey-key="E-major"]')?.textContent ?? ''),
    );
    await page.select('[data-role=instrument]', '');
    await page.click('[data-role=partner]');
  });

  it('puts two keys side by side, and marks only what differs', async () => {
    await toggle('D-major');
    await toggle('F-major');
    await says('keys=D-major,F-major');
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('b');
    await page.waitForFunction(() => document.querySelectorAll('[data-role=bars] tbody tr').length === 8);
    const marked = await page.$$eval('[data-role=bars] tbody tr:first-child [data-differs=true]', (marks) =>
      marks.map((mark) => mark.textContent),
    );
    expect(marked).toEqual(['3 on F♯', '3 on F♯']);
    expect(
      await page.$$eval('[data-column]', (columns) => columns.map((column) => column.getAttribute('data-column'))),
    ).toEqual(['D-major', 'F-major']);
  });

  it('shows a picture with the numbers behind it, and saves them', async () => {
    await page.keyboard.press('p');
    await page.waitForSelector('[data-role=picture] svg .recharts-bar-rectangle');
    expect(await page.$$eval('[data-role=numbers] tbody tr', (rows) => rows.length)).toBe(15);
    const { name, bytes } = await saved(teacher.browser, () => press(page, 'Numbers as CSV'));
    expect(name).toBe('keys-lantern-walk.csv');
    const lines = new TextDecoder().decode(bytes).split('\r\n');
    expect(lines).toHaveLength(16);
    expect(lines[3]).toMatch(/^3,D major,2\.0/);
  });

  it('puts a run of keys into a pupil’s plan, in the order in which they were chosen; it can be taken back', async () => {
    await page.keyboard.press('k');
    // Bria has nothing of this piece in her plan yet.
    await page.select('[data-role=pupil]', 'demo-bria');
    await isWhole();
    await page.locator('[data-role=put-into-plan]').click();
    await page.waitForSelector('[data-role=planned]');
    expect(await textOf(page, '[data-role=planned]')).toMatch(/D major\s*F major/);
    await page.reload();
    await page.waitForSelector('[data-role=planned]');
    await press(page, 'Undo');
    await page.waitForFunction(() => document.querySelector('[data-role=planned]') === null);
  });

  it('opens a key on the Bench', async () => {
    await isWhole();
    await page.locator('[data-survey-key="D-major"] a').click();
    await seesKey(page, 'D-major');
  });
});

describe('the shelf asked at once', () => {
  const count = (filter: string): Promise<number> =>
    page.$eval(`[data-count="${filter}"]`, (shown) => Number(shown.textContent));
  const isAsked = () => page.waitForSelector('[data-role=fit][data-state=done]');

  it('is one key from the shelf, and says beside each line how many pieces would be left', async () => {
    await goTo(page, '/');
    await page.waitForSelector('[data-role=ask-shelf]');
    await page.keyboard.press('f');
    await isAsked();
    await page.select('[data-role=pupil]', 'any');
    await page.waitForSelector('[data-role=fit][data-pupil=any][data-known="12"][data-state=done]');
    const expected = await count('stays-put');
    expect(expected).toBeGreaterThan(3);
    await page.keyboard.press('1');
    await page.waitForFunction(
      (wanted: number) => document.querySelector('[data-role=fitting]')?.getAttribute('data-count') === String(wanted),
      {},
      expected,
    );
    await page.waitForSelector('[data-fitting="lantern-walk"]');
  });

  it('asks for three keys, in one of them or in every one', async () => {
    for (const tonic of ['C', 'G', 'F']) await page.locator(`[data-tonic="${tonic}"]`).click();
    await page.select('[data-role=enough]', 'every');
    await says('enough=every');
    await page.locator('[data-filter=no-black]').click();
    await says('no-black');
    // With B♭ in F a finger is on black in nearly every piece.
    await page.waitForFunction(
      () => Number(document.querySelector('[data-role=fitting]')?.getAttribute('data-count')) < 4,
    );
    await page.select('[data-role=enough]', 'one');
    await page.waitForFunction(
      () => Number(document.querySelector('[data-role=fitting]')?.getAttribute('data-count')) > 3,
    );
    await page.locator('[data-fitting="lantern-walk"] [data-fit-key="G-major"]').click();
    await seesKey(page, 'G-major');
  });

  it('knows the answers when it is opened again, also by their address', async () => {
    await page.goBack();
    await page.waitForFunction(() => document.querySelector('[data-role=fit]')?.getAttribute('data-known') === '12');
    await page.waitForSelector('[data-fitting="lantern-walk"]');
    await press(page, 'Ask for nothing');
    await page.waitForFunction(
      () => document.querySelector('[data-role=fitting]')?.getAttribute('data-count') === '12',
    );
  });

  it('asks again only about what is new', async () => {
    await goTo(page, '/');
    await page.waitForSelector('[data-role=new-piece]');
    await press(page, 'Take “Echo Well” off the shelf');
    await page.waitForFunction(() => document.querySelectorAll('[data-piece]').length === 11);
    await goTo(page, '/fit');
    await isAsked();
    expect(await page.$eval('[data-role=fit]', (screen) => screen.getAttribute('data-known'))).toBe('11');
    await press(page, 'Undo');
    await page.waitForFunction(() => document.querySelector('[data-role=fit]')?.getAttribute('data-known') === '12');
  });

  it('nothing was asked of the network, and the page complained of nothing', () => {
    expect([teacher.strangers, teacher.complaints]).toEqual([[], []]);
  });
});
