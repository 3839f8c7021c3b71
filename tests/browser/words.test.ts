import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { weekAt } from '@/core/calendar';
import { illegible } from './support/legible';
import { arriveAtShelf, goTo, sees, seesKey, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;

beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});

afterAll(() => teacher.leave());

/** Chooses a setting as a teacher does: by its button. */
async function choose(name: string, value: string): Promise<void> {
  const button = await page.waitForSelector(`input[name=${name}][value=${value}]`);
  await button?.click();
  await page.waitForSelector(`input[name=${name}][value=${value}]:checked`);
}

const text = (selector: string): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText);

describe('a teacher’s own words', () => {
  it('are shown in a preview as soon as they are chosen', async () => {
    await goTo(page, '/settings');
    await sees(page, 'In bars 3 and 4');
    await choose('barWord', 'measure');
    await choose('rhythmWords', 'crotchet');
    await choose('noteNames', 'letters-h');
    await choose('fingerWords', 'names');
    await choose('lengths', 'inches');
    await choose('firstDay', 'sunday');
    await page.waitForFunction(() => document.querySelector('[data-role=wording-preview] li')?.textContent === 'Su');
    const preview = await text('[data-role=wording-preview]');
    for (const said of [
      'in B major.',
      'In measures 3 and 4',
      '6.5 in apart, from B3 to B4',
      'your little finger on E♭',
      'dotted crotchet, quaver',
      'Reach of the hand: 8.1 in',
      'A3, B3',
    ])
      expect(preview).toContain(said);
  });

  it('go through the Bench: strip, hand notes, positions, bars that are heard', async () => {
    await goTo(page, '/bench?piece=market-chords&key=Eb-major');
    await seesKey(page, 'Eb-major');
    expect(await text('[data-key=Bb-major]')).toMatch(/^B\b/);
    expect(await text('[data-key=B-major]')).toMatch(/^H\b/);
    await page.keyboard.press('n');
    await page.waitForSelector('[data-flag][aria-pressed=true]');
    const whole = await text('main');
    expect(whole).toMatch(/measure \d/);
    expect(whole).not.toMatch(/\bbars?\b/i);
    expect(whole).toContain('Little finger on B and E♭');
  });

  it('go through the survey and the shelf', async () => {
    await goTo(page, '/survey?piece=market-chords');
    await page.waitForSelector('[data-survey-key]');
    await page.waitForFunction(() => /in measures? \d/.test(document.body.innerText));
    expect(await text('main')).not.toMatch(/\bbars?\b/i);
    await goTo(page, '/');
    await sees(page, '8 measures');
  });

  it('a reach is typed in inches, and a wrong one told in them', async () => {
    await goTo(page, '/settings');
    const field = await page.waitForSelector('[aria-label="Reach (in)"]');
    expect(await field?.evaluate((input) => (input as HTMLInputElement).value)).toBe('8.1');
    await field?.click({ count: 3 });
    await field?.type('7,5');
    await page.keyboard.press('Enter');
    await page.waitForSelector('header [title*="Reach of the hand: 7.5 in"]');
    await field?.click({ count: 3 });
    await field?.type('99');
    await sees(page, 'A reach is a number from 4.7 to 10.2 in. It stays at 7.5 in.');
  });

  it('are taken back like every edit', async () => {
    await choose('barWord', 'bar');
    await sees(page, 'In bars 3 and 4');
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await sees(page, 'In measures 3 and 4');
  });
});

interface Door {
  readonly newThumb: { readonly studio: { readonly run: (command: unknown) => Promise<unknown> } };
}

const SIZES = [
  [1280, 800],
  [1440, 900],
  [1024, 768],
  [820, 1180],
  [390, 844],
] as const;

/** Each screen, and what tells that it is there. */
/** The week that has the demo’s cards: on a Sunday, where weeks begin with it, this week is the next one already. */
const WEEK = weekAt(Date.now(), 'monday');

const SCREENS: readonly (readonly [path: string, seen: string])[] = [
  ['/', '[data-piece] figure[aria-busy=false]'],
  ['/bench?piece=market-chords&key=Eb-major', '[data-role=paper] figure[aria-busy=false]'],
  ['/bench?piece=market-chords&key=Eb-major&stage=roots', '[data-role=stage-line]'],
  ['/survey?piece=market-chords&show=stages', '[data-role=way]'],
  ['/stand?piece=market-chords&key=Eb-major', '[data-role=stand-page] figure[aria-busy=false]'],
  ['/enter?piece=market-chords', '[data-role=entry][data-ready=true]'],
  ['/survey?piece=market-chords', '[data-survey-key]'],
  ['/survey?piece=market-chords&show=picture', '[data-role=numbers]'],
  ['/fit', '[data-role=fit]'],
  ['/atlas', 'main h1'],
  ['/atlas?part=cards', 'main h2'],
  ['/atlas?part=drills', 'main fieldset'],
  ['/atlas?part=finding', 'main fieldset'],
  ['/pupils', '[data-role=pupils] tr[data-pupil]'],
  ['/pupils?show=across', '[data-role=across] td'],
  ['/pupil?pupil=demo-tam', '[data-role=next-key][data-whole=true]'],
  ['/pupil?pupil=demo-tam&show=record', '[data-chart=faults-by-bar] svg'],
  ['/pupil?pupil=demo-tam&show=about', '[data-chart=reach] svg'],
  [`/week?pupil=demo-tam&week=${WEEK}`, '[data-role=week] [data-card]'],
  [`/week?week=${WEEK}`, '[data-role=week] [data-card]'],
  ['/lesson?pupil=demo-tam', '[data-role=lesson] [data-role=next-week]'],
  ['/handout?piece=lantern-walk&key=D-major', '[data-role=sheet-page]'],
  ['/settings', 'main h1'],
];

describe('with words a third longer', () => {
  beforeAll(async () => {
    await page.evaluate(() =>
      (window as unknown as Door).newThumb.studio.run({
        kind: 'settings.change',
        change: {
          language: 'longer',
          barWord: 'measure',
          rhythmWords: 'crotchet',
          fingerWords: 'names',
          noteNames: 'letters',
        },
      }),
    );
    await sees(page, 'Settingsngs');
  });

  describe.each(SIZES)('at %i by %i', (width, height) => {
    beforeAll(async () => {
      await page.setViewport({ width, height });
      await page.waitForFunction((wanted: number) => window.innerWidth === wanted, {}, width);
    });

    it.each(SCREENS)('nothing is cut or lies over anything else on %s', async (path, seen) => {
      await goTo(page, path);
      await page.waitForSelector(seen);
      expect(await illegible(page)).toEqual([]);
    });
  });
});
