/** Words made with ill will, wherever words can stand: they never run, never break a page, and leave in every file as words. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { musicXml } from '../support/build-piece';
import { stored } from './support/world-of-tabs';
import { arriveAtShelf, drop, goTo, openAt, press, saved, sees, seesKey, type Teacher } from './support/teacher';

/** Markup, scripts, letters that turn the direction of writing, that cannot be seen or break lines, and what a spreadsheet takes for a formula. */
const ILL =
  '=cmd|"/c calc"!A1 <img src=x onerror="window.planted=1"> "><script>window.planted=1</script> </text><svg onload="window.planted=1"> \u202Edlro\u202C \u2066w\u200B \u2028 \uFEFF &amp;lt; javascript:window.planted=1 {{7*7}} %0d%0aSet-Cookie:a=b';
const LONG = `${ILL} ${'W'.repeat(50_000)}`;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

const TUNE = musicXml({
  title: escaped(LONG),
  right: 'C4q/1 D4q/2 E4h/3 | F4q/4 G4q/5 C4h/1',
  left: 'C3w/5 | G3w/1',
  mode: 'major',
  header: `<identification><creator type="composer">${escaped(LONG)}</creator><rights>${escaped(ILL)}</rights></identification>`,
  extra: {
    1: `<direction><direction-type><words>${escaped(LONG)}</words></direction-type></direction><harmony><root><root-step>C</root-step></root><kind text="${escaped(ILL)}">major</kind></harmony>`,
  },
});
const ABC = `X:1\nT:${ILL.replaceAll('\u2028', ' ')} \u0007\u001B[31m\nC:${'W'.repeat(50_000)}\nM:4/4\nL:1/4\nK:C\n"${ILL.replaceAll('"', '')}"C D E2 | F G C2 |]\nw:${ILL} a b c\n`;

/** As long as a name may be. */
const NAME = '=<img src=x onerror="window.planted=1">\u202E';

let teacher: Teacher;
let page: Page;
const pieces: string[] = [];
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

const pieceOf = (): string => new URL(page.url()).searchParams.get('piece') ?? '';

/** Nothing ran, and nothing stands out of the window. */
async function isWhole(where: string): Promise<void> {
  const found = await page.evaluate(() => ({
    planted: 'planted' in window,
    tooWide: document.documentElement.scrollWidth - window.innerWidth,
    strange: document.querySelectorAll('img[src=x], main script, svg[onload]').length,
  }));
  expect([where, found.planted, found.strange, Math.max(0, found.tooWide)]).toEqual([where, false, 0, 0]);
}

describe('in a piece', () => {
  it.each([
    ['MusicXML', 'ill.musicxml', TUNE],
    ['ABC', `${'a'.repeat(200)}<img src=x onerror=alert(1)>\u202Ecba.abc`, ABC],
  ])('%s is brought in and shown', async (_format, name, text) => {
    await drop(page, [{ name, text }]);
    await page.waitForFunction(
      (known: string[]) => {
        const piece = new URL(location.href).searchParams.get('piece');
        return piece !== null && !known.includes(piece);
      },
      {},
      pieces,
    );
    await seesKey(page, 'C-major');
    pieces.push(pieceOf());
    await isWhole('bench');
  });

  it.each([
    ['/bench', '&key=D-major', '[data-role=paper][data-key="D-major"] figure[aria-busy=false]'],
    ['/stand', '&key=D-major', '[data-role=stand-page] figure[aria-busy=false]'],
    ['/survey', '', '[data-role=survey]'],
    ['/enter', '', '[data-role=entry][data-ready=true]'],
    ['/practice', '&key=D-major', '[data-role=practice-paper] figure[aria-busy=false]'],
    ['/handout', '&key=D-major', '[data-role=save-pdf]:not([disabled])'],
    ['/', '', '[data-piece] figure[aria-busy=false]'],
  ])('it stands on %s as words', async (path, more, waitsFor) => {
    for (const piece of pieces) {
      await goTo(page, `${path}?piece=${piece}${more}`);
      await page.waitForSelector(waitsFor);
      await isWhole(path);
    }
  });

  it('it is printed', async () => {
    await goTo(page, `/handout?piece=${pieces[0]}&key=D-major`);
    await page.waitForSelector('[data-role=save-pdf]:not([disabled])');
    const { name, bytes } = await saved(teacher.browser, () => page.locator('[data-role=save-pdf]').click());
    expect(name).toMatch(/^[a-z0-9-]{1,100}-in-D(-[a-z-]+)?\.pdf$/);
    expect(new TextDecoder().decode(bytes.slice(0, 5))).toBe('%PDF-');
  });
});

describe('in a studio file', () => {
  it('names of pupils and groups, cards and notes are words on every screen', async () => {
    await goTo(page, '/settings');
    const { bytes } = await saved(teacher.browser, () => press(page, 'Save the studio'));
    const text = new TextDecoder().decode(bytes).replaceAll('Tam Oakhollow', JSON.stringify(NAME).slice(1, -1));
    const path = join(mkdtempSync(join(tmpdir(), 'new-thumb-studio-')), 'ill.json');
    writeFileSync(path, text);
    const input = (await page.waitForSelector('[data-role=studio-file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await page.waitForSelector('[data-role=file-preview] tr[data-table=pupils]');
    await page.locator('input[name=take-in][value=replace]').click();
    await press(page, 'Take it in');
    await sees(page, 'The file is taken in');
    for (const [place, waitsFor] of [
      ['/pupils', '[data-role=pupils] tr[data-pupil]'],
      ['/pupil?pupil=demo-tam', '[data-role=next-key]'],
      ['/week', '[data-role=week] [data-card]'],
      ['/lesson?pupil=demo-tam', 'h1'],
      ['/record?pupil=demo-tam', '[data-run]'],
    ] as const) {
      await goTo(page, place);
      await page.waitForSelector(waitsFor);
      await isWhole(place);
    }
  });
});

describe('in a hand-over', () => {
  it('what is not its pupil’s is left out, and named', async () => {
    const shelf = ['lantern-walk', 'two-boats'];
    const later = { seen: { evil: 9 }, dot: ['evil', 9], others: [] };
    const file = {
      ...{ newThumb: 'hand-over', version: 5, savedAt: '2026-11-27T12:00:00.000Z' },
      pupils: [{ id: 'demo-tam', name: 'Tam', origin: 'demo', form: 5 }],
      pieces: [{ id: shelf[0], musicXml: musicXml({ right: 'C4w/1' }), fileName: 'x.xml', form: 5 }],
      plan: [{ id: 'evil-card', pupil: 'demo-ottilie', origin: 'own', place: 0, note: 'evil', form: 5 }],
      stamps: [
        { id: `pieces/${shelf[0]}`, fields: { '["musicXml"]': later } },
        { id: `pieces/${shelf[1]}`, fields: { '[]': { ...later, value: false } } },
      ],
    };
    const before = (await stored(page)).filter(([name]) => !name.startsWith('history/'));
    await drop(page, [{ name: 'evil.json', text: JSON.stringify(file) }]);
    await page.waitForSelector('[data-role=left-out]');
    const named = await page.$$eval('[data-role=left-out] li', (items) =>
      items.map((item) => item.getAttribute('data-record')),
    );
    expect(named).toEqual(expect.arrayContaining(['plan/evil-card']));
    await page.locator('[data-role=take-it-in]').click();
    await page.waitForFunction(() => location.pathname !== '/take-in');
    const after = (await stored(page)).filter(([name]) => !name.startsWith('history/'));
    const known = new Map(after);
    const changed = before.filter(([name, record]) => JSON.stringify(known.get(name)) !== JSON.stringify(record));
    expect(changed.map(([name]) => name).filter((name) => !/^(kept|pupils\/demo-tam)/.test(name))).toEqual([]);
    expect(after.map(([name]) => name)).not.toContain('plan/evil-card');
  });
});

describe('in a link that hands something over', () => {
  it.each(['y', 'N4IgLglmA2CmIC4DaBdAvkA', '%3Cscript%3E', 'Q'.repeat(9_000)])(
    'what was not written by a studio is refused: %#',
    async (rest) => {
      await openAt(page, '/settings');
      await openAt(page, `/take-in#handed=${rest}`);
      await page.waitForFunction(() => /holds no hand-over|is no studio file/.test(document.body.innerText));
    },
  );
});

it('asked nothing of the network, and complained of nothing', () => {
  expect(teacher.strangers).toEqual([]);
  expect(teacher.complaints).toEqual([]);
});
