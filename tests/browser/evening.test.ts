/** A teacher's evening at the Bench: a pupil, another key, what it sounds like, what is taken and refused, and that all of it is kept. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { musicXml } from '../support/build-piece';
import {
  arriveAtShelf,
  drop,
  goTo,
  hasTools,
  newTab,
  press,
  sees,
  seesKey,
  type Teacher,
  textOf,
} from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

/** All fingers, as they are engraved. */
function engravedFingers(tab: Page): Promise<string> {
  return tab.evaluate(() => {
    const root = document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot;
    return [...(root?.querySelectorAll('.fing') ?? [])].map((finger) => finger.textContent?.trim() ?? '').join(' ');
  });
}

async function standing(tab: Page): Promise<number> {
  return tab.$$eval('[data-flag]', (notes) => notes.length);
}

/** So many frames in a row must the music stand where it is to be at rest. */
const FRAMES_AT_REST = 10;

/** How far the music is scrolled, once it is at rest. */
function paperPlace(tab: Page): Promise<number> {
  return tab.$eval(
    '[data-role=paper]',
    (paper, frames) =>
      new Promise<number>((resolve) => {
        const look = (last: number, same: number): void => {
          const now = paper.scrollTop;
          if (now === last && same >= frames) resolve(now);
          else requestAnimationFrame(() => look(now, now === last ? same + 1 : 0));
        };
        look(paper.scrollTop, 0);
      }),
    FRAMES_AT_REST,
  );
}

/** Presses what may be scrolled out of its panel: it is scrolled into sight first, and pressed once it keeps still. */
async function pressFreely(tab: Page, selector: string): Promise<void> {
  const found = await tab.waitForSelector(selector);
  await found?.evaluate((place) => place.scrollIntoView({ block: 'center' }));
  await tab.locator(selector).click();
}

async function choosesNote(tab: Page, kind: string): Promise<void> {
  const note = await tab.waitForSelector(`[data-flag=${kind}]`);
  const isChosen = await note?.evaluate((found) => found.getAttribute('aria-pressed') === 'true');
  if (!isChosen) await pressFreely(tab, `[data-flag=${kind}]`);
  await tab.waitForSelector(`[data-flag=${kind}][aria-pressed=true]`);
}

/** Presses the button in the hand notes that begins so. */
function action(tab: Page, words: string): Promise<void> {
  return pressFreely(tab, `::-p-xpath(//button[starts-with(normalize-space(), "${words}")])`);
}

describe('an evening at the Bench', () => {
  it('begins with a piece and a pupil: the plan follows the pupil at once', async () => {
    await goTo(page, '/bench?piece=the-sixth-step&key=C-major');
    await seesKey(page, 'C-major');
    await sees(page, 'level 4, 206 mm');
    await page.select('[data-role=pupil]', 'demo-nell');
    await sees(page, 'level 1, 150 mm');
    expect(page.url()).toContain('pupil=demo-nell');
    await page.waitForSelector('[data-flag][data-severity=must]');
    await sees(page, 'The right hand cannot play this at level 1');
    await page.select('[data-role=pupil]', 'any');
    await sees(page, 'level 4, 206 mm');
  });

  it('goes to another key by typing its name', async () => {
    await page.focus('body');
    await page.keyboard.press('e');
    await page.keyboard.press('b');
    await seesKey(page, 'Eb-major');
    expect(page.url()).toContain('key=Eb-major');
  });

  it('hears a bar, with the sounding notes shown on the page and on the keyboard', async () => {
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(() => document.querySelector('[data-role=moment]')?.textContent?.startsWith('bar 1'));
    // What a screen reader hears of the selected place: bar, beat, notes with hand and finger, and the hand notes there.
    await page.waitForFunction(() =>
      /^Bar 1, beat 1: E♭3 left hand finger 5, E♭4 right hand finger 1\. .*to know: Thumb on E♭/.test(
        document.querySelector('[data-role=said]')?.textContent ?? '',
      ),
    );
    await page.keyboard.press('p');
    await page.waitForSelector('[data-role=player][data-playing=true]');
    await page.waitForFunction(() => document.querySelector('[data-role=playing-bar]')?.textContent === 'bar 2');
    expect(
      await page.evaluate(
        () =>
          document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('.is-now')
            .length ?? 0,
      ),
    ).toBeGreaterThan(0);
    await press(page, 'Before');
    await page.waitForSelector('[data-role=player][data-playing=true]');
    await press(page, 'After');
    await page.keyboard.press('p');
    await page.waitForSelector('[data-role=player][data-playing=false]');
    expect(teacher.strangers).toEqual([]);
  });

  it('takes up a note and gives it another finger: the page, the list and the plan follow', async () => {
    await page.click('#tab-note');
    await page.waitForSelector('[data-role=note-panel] [data-finger="2"]');
    await page.keyboard.press('ArrowRight');
    await page.waitForSelector('[data-role=note-panel] [data-finger="4"]:not([disabled])');
    const before = await engravedFingers(page);
    await page.keyboard.press('4');
    await page.waitForFunction(
      (old: string) => {
        const root = document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot;
        return (
          [...(root?.querySelectorAll('.fing') ?? [])].map((finger) => finger.textContent?.trim() ?? '').join(' ') !==
          old
        );
      },
      {},
      before,
    );
    await page.click('#tab-notes');
    await sees(page, 'Decided by you (1)');
  });

  it('refuses a hand note with a reason: it leaves the list and the count, and can be brought back', async () => {
    const before = await standing(page);
    await choosesNote(page, 'thumb-on-black');
    // Its bars are heard, but the page stays where the teacher has begun to do something.
    await page.waitForSelector('[data-role=player][data-playing=true]');
    await action(page, 'Set it aside …');
    await page.waitForSelector('input[aria-label="Why it is set aside"]');
    const place = await paperPlace(page);
    await page.waitForSelector('[data-role=player][data-playing=false]');
    expect(await paperPlace(page)).toBe(place);
    await page.keyboard.type('her hand likes it');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=set-aside]');
    await page.waitForFunction(
      (count: number) => document.querySelectorAll('[data-flag]').length === count,
      {},
      before,
    );
    await sees(page, 'Set aside (1)');
    await pressFreely(page, '[data-role=set-aside]');
    await sees(page, 'put away: her hand likes it');
  });

  it('marks a note for the pupil, and every note of a kind', async () => {
    await page.click('#tab-note');
    await page.waitForSelector('[data-mark=ring]');
    await pressFreely(page, '[data-mark=reminder]');
    await page.waitForSelector('[data-mark=reminder][aria-pressed=true]');
    await page.waitForFunction(() =>
      [
        ...(document
          .querySelector('[data-role=paper] [data-role=engraving]')
          ?.shadowRoot?.querySelectorAll('.fing text') ?? []),
      ].some((text) => text.textContent?.endsWith('!')),
    );
    await hasTools(page);
    await page.click('[data-role=mark-every]');
    const count = await page.$eval('[data-role=find]', (select) =>
      Number(/\((\d+)\)/.exec((select as HTMLSelectElement).selectedOptions[0]?.textContent ?? '')?.[1]),
    );
    await press(page, `Mark all ${count}`);
    await page.waitForFunction(
      (rings: number) =>
        document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring]')
          .length === rings,
      {},
      count,
    );
    await page.click('[data-role=mark-every]');
  });

  it('goes to D and back: all decisions are there, and none of them in D', async () => {
    await page.click('[data-key=D-major]');
    await seesKey(page, 'D-major');
    await page.click('#tab-notes');
    await page.waitForFunction(
      () => !document.body.innerText.includes('Decided by you') && !document.body.innerText.includes('Set aside ('),
    );
    await page.click('[data-key=Eb-major]');
    await seesKey(page, 'Eb-major');
    await sees(page, 'Decided by you (1)');
    await sees(page, 'Set aside (1)');
    await page.waitForFunction(
      () =>
        (document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring]')
          .length ?? 0) > 0,
    );
  });

  it('has the same in a second tab, and keeps both in step', async () => {
    const other = await newTab(teacher.browser);
    await goTo(other, '/bench?piece=the-sixth-step&key=Eb-major');
    await seesKey(other, 'Eb-major');
    await sees(other, 'Decided by you (1)');
    await action(other, 'Give back');
    await other.waitForFunction(() => !document.body.innerText.includes('Decided by you'));
    await page.bringToFront();
    await page.waitForFunction(() => !document.body.innerText.includes('Decided by you'));
    // What was done in a tab is taken back there first.
    await other.bringToFront();
    await other.keyboard.down('Control');
    await other.keyboard.press('z');
    await other.keyboard.up('Control');
    await sees(other, 'Decided by you (1)');
    await other.close();
    await page.bringToFront();
    await sees(page, 'Decided by you (1)');
  });

  it('undoes all of it, step by step to the start, and does it again to the end', async () => {
    const isThere = (): Promise<readonly boolean[]> =>
      page.evaluate(() => [
        document.body.innerText.includes('Decided by you'),
        document.body.innerText.includes('Set aside ('),
        (document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring]')
          .length ?? 0) > 0,
      ]);
    expect(await isThere()).toEqual([true, true, true]);
    while (
      await page.evaluate(
        () =>
          ![...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === 'Undo')?.disabled,
      )
    ) {
      const title = await page.evaluate(
        () =>
          [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === 'Undo')?.title ?? '',
      );
      await press(page, 'Undo');
      await page.waitForFunction(
        (old: string) =>
          [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === 'Undo')?.title !==
          old,
        {},
        title,
      );
    }
    await page.waitForFunction(
      () => !document.body.innerText.includes('Decided by you') && !document.body.innerText.includes('Set aside ('),
    );
    await page.waitForFunction(
      () =>
        document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelectorAll('[data-ring]')
          .length === 0,
    );
    while (await page.evaluate(() => document.querySelector('button[aria-label^="Do again"]') !== null)) {
      const label = await page.$eval(
        'button[aria-label^="Do again"]',
        (button) => button.getAttribute('aria-label') ?? '',
      );
      await page.click('button[aria-label^="Do again"]');
      await page.waitForFunction(
        (old: string) => document.querySelector('button[aria-label^="Do again"]')?.getAttribute('aria-label') !== old,
        {},
        label,
      );
    }
    await sees(page, 'Set aside (1)');
    // The last of what is done again is the finger given back in the other tab.
    await page.waitForFunction(() => !document.body.innerText.includes('Decided by you'));
    await press(page, 'Undo');
    await sees(page, 'Decided by you (1)');
    await sees(page, 'Set aside (1)');
  });

  it('adds a pupil of one’s own, and says what is wrong with a reach that is none', async () => {
    await press(page, 'New pupil');
    await page.waitForSelector('dialog[open] input[aria-label="Name"]');
    await page.keyboard.type('Odo');
    await page.click('dialog[open] input[aria-label="Reach (mm)"]', { count: 3 });
    await page.keyboard.type('a span');
    await press(page, 'Keep');
    await sees(page, 'A reach is a number from 120 to 260 mm');
    await page.click('dialog[open] input[aria-label="Reach (mm)"]', { count: 3 });
    await page.keyboard.type('158');
    await press(page, 'Keep');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
    await sees(page, '158 mm');
    expect(
      await page.$eval('[data-role=pupil]', (select) => (select as HTMLSelectElement).selectedOptions[0]?.textContent),
    ).toBe('Odo');
    expect(teacher.complaints).toEqual([]);
  });
});

describe('suggestions', () => {
  const PASSAGE = 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5';
  const TWICE = musicXml({ title: 'Quay Twice', right: `${PASSAGE} | Rw | ${PASSAGE}`, mode: 'major' });

  it('are taken, here and where the same passage comes again, in one step that can be undone', async () => {
    await drop(page, [{ name: 'quay.xml', text: TWICE }]);
    await seesKey(page, 'C-major');
    await page.select('[data-role=pupil]', 'any');
    await page.click('[data-key=F-major]');
    await seesKey(page, 'F-major');
    await choosesNote(page, 'finger-change');
    await sees(page, 'where the same comes again');
    const before = await engravedFingers(page);
    await action(page, 'Take ');
    await page.waitForFunction(() => document.querySelector('[data-flag=finger-change]') === null);
    await page.waitForSelector('[data-role=decided]');
    expect(await engravedFingers(page)).toBe(before);
    await press(page, 'Undo');
    await page.waitForSelector('[data-flag=finger-change]');
  });

  it('are refused: the old fingers are put back, and it is said what would be taken unasked', async () => {
    const before = await engravedFingers(page);
    await choosesNote(page, 'finger-change');
    await action(page, 'Keep ');
    await page.waitForFunction(() => document.querySelector('[data-flag=finger-change]') === null);
    await sees(page, 'Unasked, ');
    await page.waitForFunction(() => document.querySelector('[data-role=paper] figure[aria-busy=false]') !== null);
    expect(await engravedFingers(page)).not.toBe(before);
    await action(page, 'Give all back');
    await page.waitForSelector('[data-flag=finger-change]');
  });
});

describe('what stands beside the paper', () => {
  beforeAll(async () => {
    await goTo(page, '/bench?piece=market-chords&key=G-major&pupil=any');
    await seesKey(page, 'G-major');
  });

  it('tells the chords that are used, with fingers and the way from one to the next', async () => {
    await page.click('#tab-chords');
    await sees(page, 'Left hand: 3 shapes');
    await sees(page, 'V⁷ (D⁷), first inversion, without its fifth');
    await sees(page, 'B F G (5-2-1) → F♯ C D (5-2-1)');
    await sees(page, '5 moves down half a step, 2 stays, 1 moves down a step.');
  });

  it('has a key card, and keys for a partner', async () => {
    await page.click('#tab-key');
    await sees(page, '1 sharp: F♯');
    await page.click('#tab-partner');
    await page.waitForSelector('[data-role=fitting]');
    await page.select('[data-role=instrument]', 'b-flat');
    await sees(page, 'reads A major');
    await page.click('input[aria-label="Lowest comfortable note"]', { count: 3 });
    await page.keyboard.type('H4');
    await sees(page, '“H4” is no note');
  });

  it('shows letters and intervals under the notes, and finger numbers without a staff', async () => {
    await hasTools(page);
    await page.click('[data-role=under-notes]');
    await page.click('[data-label=letters]');
    await page.waitForFunction(() =>
      [
        ...(document
          .querySelector('[data-role=paper] [data-role=engraving]')
          ?.shadowRoot?.querySelectorAll('.verse text') ?? []),
      ].some((text) => text.textContent?.startsWith('F♯')),
    );
    await page.click('[data-label=letters]');
    await page.click('[data-role=under-notes]');
    await page.click('[data-view=fingers]');
    await page.waitForSelector('[data-role=finger-page] [data-stroke]');
    expect(await textOf(page, '[data-role=finger-page]')).toContain('5');
    await page.click('[data-view=both]');
    await seesKey(page, 'G-major');
  });
});

describe('before and after, bar under bar', () => {
  it.each([1280, 1024, 820])(
    'share every bar line, and hand tracks end at their notes, to 2 px at a width of %i',
    async (width) => {
      await page.setViewport({ width, height: 1000 });
      await goTo(page, '/bench?piece=the-sixth-step&key=Eb-major&pupil=any');
      await seesKey(page, 'Eb-major');
      await page.waitForFunction(
        () =>
          document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot?.querySelector('[data-bar]') !==
          null,
      );
      const { barLines, ends } = await page.evaluate(measured);
      expect(barLines.length).toBeGreaterThan(4);
      for (const { above, below } of barLines) expect(Math.abs(above - below)).toBeLessThanOrEqual(2);
      expect(ends.length).toBeGreaterThan(4);
      for (const { track, heads } of ends) {
        expect(Math.abs(track[0] - heads[0])).toBeLessThanOrEqual(2);
        expect(Math.abs(track[1] - heads[1])).toBeLessThanOrEqual(2);
      }
    },
  );
});

/** Runs in the page: the bar lines of the first and the last staff of each system, and the ends of each track with those of the note heads over it. */
function measured(): {
  barLines: { above: number; below: number }[];
  ends: { track: [number, number]; heads: [number, number] }[];
} {
  const root = document.querySelector('[data-role=paper] [data-role=engraving]')?.shadowRoot as ShadowRoot;
  const systems = [...root.querySelectorAll('.system')];
  const middle = (shape: Element): number =>
    shape.getBoundingClientRect().left + shape.getBoundingClientRect().width / 2;
  const barLines = systems.flatMap((system) => {
    const all = [...system.querySelectorAll('.barLine path')].map((shape) => ({
      x: middle(shape),
      y: shape.getBoundingClientRect().top,
    }));
    const half = system.getBoundingClientRect().top + system.getBoundingClientRect().height / 2;
    const above = all
      .filter(({ y }) => y < half)
      .map(({ x }) => x)
      .sort((a, b) => a - b);
    const below = all
      .filter(({ y }) => y >= half)
      .map(({ x }) => x)
      .sort((a, b) => a - b);
    const nearest = (x: number): number =>
      below.reduce((best, other) => (Math.abs(other - x) < Math.abs(best - x) ? other : best), Infinity);
    return above.map((x) => ({ above: x, below: nearest(x) }));
  });
  const ends = systems.flatMap((system) =>
    [...system.querySelectorAll('[data-line=after] [data-track]')].map((track) => {
      const bar = (track.querySelector('[data-bar]') as Element).getBoundingClientRect();
      const heads = [...system.querySelectorAll('g.note[id^="after-"] .notehead')].map((head) =>
        head.getBoundingClientRect(),
      );
      const first = system
        .querySelector(`[id="after-${track.getAttribute('data-track')}"] .notehead`)
        ?.getBoundingClientRect();
      const last = heads.reduce(
        (best, head) => (Math.abs(head.right - bar.right) < Math.abs(best.right - bar.right) ? head : best),
        heads[0] as DOMRect,
      );
      return {
        track: [bar.left, bar.right] as [number, number],
        heads: [first?.left ?? NaN, last.right] as [number, number],
      };
    }),
  );
  return { barLines, ends };
}
