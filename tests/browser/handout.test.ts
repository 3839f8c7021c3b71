import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { unzipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { readPdf, type ReadPdf } from '../support/read-pdf';
import { arriveAtShelf, goTo, press, pressUntilSeen, saved, sees, seesKey, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

const click = (selector: string): Promise<void> => page.locator(selector).click();
/** Waits until this sheet is on the pages. */
const showsSheet = async (sheet: string, words: string): Promise<void> => {
  await page.waitForSelector(`[data-role=handout][data-sheet=${sheet}]`);
  await page.waitForFunction(
    (wanted: string) =>
      document.querySelector('[data-role=sheet-pages]')?.textContent?.replace(/\s+/g, ' ').includes(wanted),
    {},
    words,
  );
};
const savedPdf = async (button: string): Promise<{ readonly name: string; readonly pdf: ReadPdf }> => {
  const { name, bytes } = await saved(teacher.browser, () => click(button));
  return { name, pdf: readPdf(bytes) };
};
const headings = (): Promise<readonly string[]> =>
  page.$$eval('[data-role=sheet-pages] [data-part=H2]', (found) => found.map((one) => one.textContent ?? ''));

describe('a handout', () => {
  it('comes from the Bench with its key and its marks, and is saved as the page shows it', async () => {
    await goTo(page, '/bench?piece=lantern-walk&key=D-major&pupil=demo-tam');
    await seesKey(page, 'D-major');
    await click('[data-role=to-paper]');
    await showsSheet('handout', 'D major · for Tam');
    expect(await headings()).toEqual(['Where your hands sit', 'Watch for', 'The key: D major', 'Steps', 'Notes']);
    const { name, pdf } = await savedPdf('[data-role=save-pdf]');
    expect(name).toBe('lantern-walk-handout-in-D.pdf');
    expect(pdf.facts).toMatchObject({ Title: 'Lantern Walk', Tagged: 'yes' });
    expect(pdf.texts[0]).toContain('Where your hands sit');
    for (const font of pdf.fonts) expect(font.isEmbedded).toBe(true);
    const pages = await page.$$eval('[data-role=sheet-page]', (found) => found.length);
    expect(pdf.texts.length).toBe(pages);
  });

  it('prints from the browser as many pages, with the same words', async () => {
    const printed = readPdf(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
    const pages = await page.$$eval('[data-role=sheet-page]', (found) => found.length);
    expect(printed.texts.length).toBe(pages);
    expect(printed.facts['Page size']).toMatch(/A4/);
    expect(printed.texts[0]).toContain('Lantern Walk');
    expect(printed.texts.at(-1)).toContain(`Page ${pages} of ${pages}`);
  });

  it('has what is ticked, in the order into which it is carried by keyboard', async () => {
    await page.locator('[data-part=watch] input').click();
    await page.waitForFunction(
      () => !document.querySelector('[data-role=sheet-pages]')?.textContent?.includes('Watch for'),
    );
    await page.focus('[data-part=key] button');
    await page.keyboard.press('Space');
    for (const over of ['Watch for', 'Music', 'Where the hands sit'])
      await pressUntilSeen(page, 'ArrowUp', `Key card is at the place of ${over}`);
    await page.keyboard.press('Space');
    await page.waitForFunction(
      () => document.querySelector('[data-role=sheet-pages] [data-part=H2]')?.textContent === 'The key: D major',
    );
    expect(await headings()).toEqual(['The key: D major', 'Where your hands sit', 'Steps', 'Notes']);
  });

  it('is carried on the page itself by pointer', async () => {
    const middle = async (part: string): Promise<readonly [number, number]> => {
      const box = await (await page.waitForSelector(`[data-carry=${part}]`))?.boundingBox();
      return [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + Math.min(20, (box?.height ?? 0) / 2)];
    };
    const [from, to] = [await middle('places'), await middle('fields')];
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move(from[0], (from[1] + to[1]) / 2, { steps: 4 });
    await page.mouse.move(...to, { steps: 4 });
    await page.waitForSelector('[data-carry=fields].border-primary');
    await page.mouse.up();
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll('[data-role=parts] [data-part]')]
          .map((one) => one.getAttribute('data-part'))
          .join() === 'places,fields,key,music,watch,steps,notes',
    );
  });

  it('is kept under a name and used for another piece, also after a reload; keeping can be undone', async () => {
    await page.locator('[data-role=templates] input').fill('Key first');
    await press(page, 'Keep');
    await sees(page, 'Use Key first');
    await page.locator('[data-part=watch] input').click();
    await page.waitForFunction(() =>
      document.querySelector('[data-role=sheet-pages]')?.textContent?.includes('Watch for'),
    );
    await goTo(page, '/handout?piece=market-chords&key=A-major');
    await showsSheet('handout', 'Market Chords');
    await press(page, 'Use Key first');
    await page.waitForFunction(
      () => !document.querySelector('[data-role=sheet-pages]')?.textContent?.includes('Watch for'),
    );
    const order = await page.$$eval('[data-role=parts] [data-part]', (found) =>
      found.map((one) => one.getAttribute('data-part')),
    );
    expect(order.slice(0, 3)).toEqual(['places', 'fields', 'key']);
    await press(page, 'Undo');
    await page.waitForFunction(
      () => !document.querySelector('[data-role=templates]')?.textContent?.includes('Key first'),
    );
  });

  it('asks for a name before it keeps a sheet', async () => {
    await press(page, 'Keep');
    await sees(page, 'Give it a name first.');
  });

  it('becomes a rote sheet, finger numbers and a sheet to fill in', async () => {
    await goTo(page, '/handout?piece=lantern-walk&key=D-major');
    await page.waitForSelector('[data-role=sheet-kind]');
    await page.select('[data-role=sheet-kind]', 'rote');
    await showsSheet('rote', '2 on E, whole step up, one beat.');
    await page.select('[data-role=sheet-kind]', 'fingers');
    await showsSheet('fingers', 'right hand with stems up');
    await page.select('[data-role=sheet-kind]', 'blank');
    await showsSheet('blank', 'Write the piece in D major on the empty staves.');
    await page.select('[data-role=sheet-kind]', 'cards');
    await showsSheet('cards', 'Which position is it?');
    await page.select('[data-role=sheet-kind]', 'handout');
    await showsSheet('handout', 'Where your hands sit');
  });

  it('has the studio’s line at the foot, in several keys as one file and as a zip with music files', async () => {
    await page.locator('[data-role=foot] input').fill('The Lamp Room');
    await page.keyboard.press('Tab');
    await page.waitForFunction(() =>
      document.querySelector('[data-role=sheet-pages]')?.textContent?.includes('· The Lamp Room'),
    );
    await click('[data-more-key=G-major]');
    await page.waitForSelector('[data-more-key=G-major][aria-pressed=true]');
    const { name, pdf } = await savedPdf('[data-role=save-pdf]');
    expect(name).toBe('lantern-walk-handout-in-several-keys.pdf');
    const firsts = pdf.texts.filter((text) => text.includes('Page 1 of'));
    expect(firsts.map((text) => /[A-G] major/.exec(text)?.[0])).toEqual(['D major', 'G major']);
    await click('[data-role=other-files]');
    const zip = await saved(teacher.browser, () => click('[data-action=zip]'));
    expect(Object.keys(unzipSync(zip.bytes)).toSorted()).toEqual([
      'lantern-walk-handout-in-D.pdf',
      'lantern-walk-handout-in-G.pdf',
      'lantern-walk-in-D.abc',
      'lantern-walk-in-D.mid',
      'lantern-walk-in-D.musicxml',
      'lantern-walk-in-G.abc',
      'lantern-walk-in-G.mid',
      'lantern-walk-in-G.musicxml',
    ]);
  });

  it('gives its music as SVG and as PNG', async () => {
    await click('[data-role=other-files]');
    const svg = await saved(teacher.browser, () => click('[data-action=svg]'));
    expect(new TextDecoder().decode(svg.bytes)).toMatch(/^<svg[^>]*>.*class="notehead"/s);
    await click('[data-role=other-files]');
    const png = await saved(teacher.browser, () => click('[data-action=png]'));
    expect([...png.bytes.slice(1, 4)].map((byte) => String.fromCharCode(byte)).join('')).toBe('PNG');
    expect(png.bytes.length).toBeGreaterThan(20_000);
  });

  it('is stopped on the way, and nothing is saved', async () => {
    for (const key of ['C-major', 'A-major', 'E-major', 'B-major', 'F-major', 'Bb-major', 'Eb-major', 'Ab-major'])
      await click(`[data-more-key=${key}]`);
    await page.waitForSelector('[data-more-key=Ab-major][aria-pressed=true]');
    await click('[data-role=save-pdf]');
    await click('[data-role=stop]');
    await sees(page, 'Stopped. Nothing was saved.');
    await page.waitForSelector('[data-role=save-pdf]:not(:disabled)');
  });
});

describe('a week', () => {
  it('is one PDF for all its pupils, and a zip with one for each', async () => {
    await goTo(page, '/week');
    await page.waitForSelector('[data-role=week] [data-card]');
    await click('[data-role=class-sheets]');
    const { name, pdf } = await savedPdf('[data-action=pdf]');
    expect(name).toMatch(/^week-\d{4}-\d\d-\d\d\.pdf$/);
    const text = pdf.texts.join(' ');
    expect(text).toContain('Week of');
    expect(text).toContain('What I played');
    await page.waitForSelector('[data-role=class-sheets]');
    await click('[data-role=class-sheets]');
    const zip = await saved(teacher.browser, () => click('[data-action=zip]'));
    const files = Object.entries(unzipSync(zip.bytes));
    expect(files.length).toBeGreaterThan(2);
    const pages = files.map(([, bytes]) => readPdf(bytes).texts.length);
    expect(pages.reduce((sum, count) => sum + count, 0)).toBe(pdf.texts.length);
  });
});
