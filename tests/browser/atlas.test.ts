import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { arriveAtShelf, goTo, press, sees, seesKey, textOf, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

const engraved = (role: string) => page.waitForSelector(`[data-role=${role}] figure[aria-busy=false]`);

describe('positions', () => {
  it('are all there, each with what turns black from C; one is shown on the keys and on the staff', async () => {
    await goTo(page, '/atlas?key=D-major');
    await engraved('position');
    expect(await page.$$eval('[data-position]', (found) => found.length)).toBe(30);
    expect(await textOf(page, '[data-position="D-major"]')).toContain('only 3 turns black');
    expect(
      await page.$eval('[data-role=position] [data-hand=right][data-midi="66"]', (tip) =>
        tip.getAttribute('data-finger'),
      ),
    ).toBe('3');
    expect(await textOf(page, '[data-role=turning]')).toMatch(/right\s+only 3 turns black\s+left\s+only 3 turns black/);
  });

  it('are compared with any other, and put into another order', async () => {
    await page.select('[data-role=compared]', 'E-major');
    await page.waitForFunction(() =>
      document.querySelector('[data-position="F-major"]')?.textContent?.includes('4 turns black; 2 and 3 turn white'),
    );
    await page.select('[data-role=atlas-order]', 'chromatic');
    await page.waitForFunction(
      () => document.querySelectorAll('[data-position]')[1]?.getAttribute('data-position') === 'Db-major',
    );
  });
});

describe('key cards', () => {
  it('have the signature in order, scales and chords with fingers, and the way to relative and parallel', async () => {
    await goTo(page, '/atlas');
    await engraved('position');
    await page.keyboard.press('2');
    await page.locator('[data-card="E-major"]').click();
    await page.waitForSelector('[data-role=card][data-key="E-major"][data-whole=true]');
    expect(await textOf(page, '[data-role=signature]')).toBe('4 sharps: F♯ C♯ G♯ D♯ (all the sharps but A, E and B)');
    expect(await page.$$eval('[data-card-line]', (lines) => lines.length)).toBe(12);
    await page.waitForFunction(
      () => document.querySelectorAll('[data-card-line] figure[aria-busy=false]').length === 12,
    );
    const fingers = await page.$eval(
      '[data-card-line="scale-one/right"] figure',
      (figure) => figure.getAttribute('aria-label') ?? figure.querySelector('[aria-label]')?.getAttribute('aria-label'),
    );
    expect(fingers).toContain('fingers 1 2 3 1 2 3 4 5');
    await press(page, 'C♯ minor');
    await page.waitForSelector('[data-role=card][data-key="C#-minor"][data-whole=true]');
  });

  it('list where the planner takes other fingers than the table', async () => {
    await page.focus('[data-role=planner-differs] summary');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=planner-differs][data-asked="30"]');
    expect(await textOf(page, '[data-role=planner-differs]')).toContain(
      '30 keys, both hands, scale and arpeggio of two octaves up and down: no line differs',
    );
  });
});

describe('drills', () => {
  it('are made in the keys that are chosen, in their order, and in any rhythm', async () => {
    await goTo(page, '/atlas?part=drills&keys=D-major&drill=triad-broken');
    await engraved('drill');
    expect(await page.$eval('[data-role=drill]', (drill) => drill.getAttribute('data-title'))).toBe(
      'Broken triad in D major',
    );
    await page.locator('[data-drill-key="Bb-major"]').click();
    await page.waitForSelector('[data-title="Broken triad in two keys"]');
    await page.select('[data-role=rhythm]', 'lilt');
    await page.select('[data-role=hands]', 'left');
    await page.waitForFunction(() =>
      document.querySelector('[data-role=drill] [data-role=engraving]')?.shadowRoot?.textContent?.includes('B♭ major'),
    );
  });

  it('go through all twelve keys, in the order that is wanted', async () => {
    await page.select('[data-role=twelve]', 'fifths');
    await page.waitForSelector('[data-title="Broken triad in 12 keys"]');
    expect(decodeURIComponent(page.url())).toContain('keys=C-major,G-major,F-major,D-major');
  });

  it('are heard, and go onto the shelf and the Bench like any piece', async () => {
    await goTo(page, '/atlas?part=drills&keys=D-major&drill=skips');
    await engraved('drill');
    await page.locator('[data-role=hear]').click();
    await page.waitForFunction(
      () =>
        (document
          .querySelector('[data-role=drill] [data-role=engraving]')
          ?.shadowRoot?.querySelectorAll('g.note.is-now').length ?? 0) > 0,
    );
    await page.locator('[data-role=hear]').click();
    await page.waitForSelector('[data-role=hear][aria-pressed=false]');
    await page.locator('[data-role=keep-drill]').click();
    await press(page, 'On the Bench');
    await seesKey(page, 'D-major');
    await page.click('[data-key="Eb-major"]');
    await seesKey(page, 'Eb-major');
    await press(page, 'Undo');
    await sees(page, 'This piece is not on the shelf');
  });
});

describe('finding', () => {
  const verdict = (wanted: string) => page.waitForSelector(`[data-role=question][data-verdict=${wanted}]`);
  const answers = async (): Promise<readonly string[]> =>
    (await page.$eval('[data-role=question]', (question) => question.getAttribute('data-answer') ?? ''))
      .split(' ')
      .filter(Boolean);
  const next = async (): Promise<void> => {
    const number = await page.$eval('[data-role=question]', (question) => question.getAttribute('data-number'));
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (old) => document.querySelector('[data-role=question]')?.getAttribute('data-number') !== old,
      {},
      number,
    );
  };
  const tally = (right: number, asked: number) =>
    page.waitForSelector(`[data-role=tally][data-right="${right}"][data-asked="${asked}"]`);

  it('asks for every key of a name, answered on the screen, and keeps the answer in the pupil’s record', async () => {
    await goTo(page, '/atlas?part=finding&game=all-of');
    await page.waitForSelector('[data-role=question]');
    await page.select(
      '[data-role=pupil]',
      await page.$eval('[data-role=pupil] option:nth-child(3)', (option) => (option as HTMLOptionElement).value),
    );
    await tally(0, 0);
    for (const midi of await answers()) await page.locator(`[data-key-midi="${midi}"]`).click();
    await verdict('right');
    await tally(1, 1);
    await next();
    const right = await answers();
    const wrong = right.includes('60') ? 62 : 60;
    await page.locator(`[data-key-midi="${wrong}"]`).click();
    await verdict('wrong');
    expect(await textOf(page, '[data-role=verdict]')).toMatch(/^Not yet\. It is three keys called /);
    await tally(1, 2);
    await page.reload();
    await tally(1, 2);
  });

  it('shows a note on the staff, answered by the keyboard that plays by itself', async () => {
    await page.locator('input[name=game][value=this-note]').click();
    await engraved('question');
    await page.select('[data-role=device]', 'simulated');
    await page.locator('[data-role=plays-right]').click();
    await verdict('right');
    await next();
    await page.locator('[data-role=plays-wrong]').click();
    await verdict('wrong');
    await tally(1, 2);
  });

  it('asks how many notes get a ring, counted by keys and handed in', async () => {
    await page.locator('input[name=game][value=guide-notes]').click();
    // The question before has a page too: this one must be asked first.
    await page.waitForFunction(() => window.location.search.includes('guide-notes'));
    await page.waitForSelector('[data-role=question][data-verdict=open][data-number="1"]');
    await engraved('question');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (let i = (await answers()).length; i > 0; i -= 1) await page.keyboard.press('a');
    await page.keyboard.press('Enter');
    await verdict('right');
  });

  it('asks for signatures and for black keys of positions', async () => {
    for (const game of ['signature', 'black-in-position']) {
      await page.locator(`input[name=game][value=${game}]`).click();
      await page.waitForFunction((wanted: string) => window.location.search.includes(wanted), {}, game);
      await page.waitForSelector('[data-role=question][data-verdict=open][data-number="1"]');
      for (const midi of await answers()) await page.locator(`[data-key-midi="${midi}"]`).click();
      await verdict('right');
    }
  });

  it('nothing was asked of the network, and the page complained of nothing', () => {
    expect([teacher.strangers, teacher.complaints]).toEqual([[], []]);
  });
});
