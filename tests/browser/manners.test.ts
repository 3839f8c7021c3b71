import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { findings, findingsInBothLooks, overflow } from './support/axe';
import {
  arriveAtShelf,
  drop,
  goTo,
  hasTools,
  openAt,
  press,
  sees,
  seesCards,
  seesKey,
  type Teacher,
  textOf,
} from './support/teacher';

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

/** What is there once a panel beside the paper is. */
const PANEL_MARKS: Readonly<Record<string, string>> = {
  note: 'note-panel',
  key: 'key-card',
  chords: 'chords',
  partner: 'fitting',
};

/** Screens with several faces: their addresses, and what is there once they are. */
const FACES: readonly (readonly [path: string, mark: string])[] = [
  ['/survey?piece=the-sixth-step&pupil=any&order=own&keys=D-major', '[data-role=survey][data-whole=true]'],
  ['/survey?piece=the-sixth-step&pupil=any&show=bars&keys=C-major,Eb-major', '[data-role=bars] tbody tr'],
  ['/survey?piece=the-sixth-step&pupil=any&show=picture', '[data-role=survey][data-whole=true] [data-role=numbers]'],
  ['/fit?pupil=any&tonics=C,D&ask=stays-put', '[data-role=fit][data-state=done]'],
  ['/atlas?key=Eb-major', '[data-role=position] figure[aria-busy=false]'],
  [
    '/atlas?part=cards&key=Bb-major',
    '[data-role=card][data-whole=true] [data-card-line="fifth-sixth/left"] figure[aria-busy=false]',
  ],
  ['/atlas?part=drills&keys=D-major,A-minor', '[data-role=drill] figure[aria-busy=false]'],
  ['/atlas?part=finding&game=guide-notes', '[data-role=question] figure[aria-busy=false]'],
  ['/pupils', '[data-role=pupils] tr[data-pupil]'],
  ['/pupils?show=across', '[data-role=across] td'],
  ['/pupil?pupil=demo-tam', '[data-role=next-key][data-whole=true]'],
  ['/pupil?pupil=demo-tam&show=record', '[data-chart=faults-by-bar] svg'],
  ['/pupil?pupil=demo-tam&show=about', '[data-chart=reach] svg'],
  ['/week?pupil=demo-tam', '[data-role=week] [data-card]'],
  ['/week', '[data-role=week] [data-card]'],
  ['/lesson?pupil=demo-tam', '[data-role=lesson] [data-role=next-week]'],
  ['/handout?piece=lantern-walk&key=D-major', '[data-role=sheet-page]'],
];

async function seesFace(page: Page, [path, mark]: (typeof FACES)[number]): Promise<void> {
  await goTo(page, path);
  await page.waitForSelector(mark);
}

describe('by keyboard alone', () => {
  it('a teacher steps through the keys with [ and ]', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk');
    await seesKey(teacher.page, 'C-major');
    await teacher.page.waitForSelector('[data-key=G-major]');
    await teacher.page.keyboard.press(']');
    await seesKey(teacher.page, 'G-major');
    await teacher.page.keyboard.press(']');
    await teacher.page.keyboard.press(']');
    await seesKey(teacher.page, 'A-major');
    await teacher.page.keyboard.press('[');
    await seesKey(teacher.page, 'D-major');
    await teacher.page.keyboard.press('[');
    await seesKey(teacher.page, 'G-major');
  });

  it('sees the keys of the screen with ?, and puts them away with Escape', async () => {
    await teacher.page.keyboard.press('?');
    await sees(teacher.page, 'the next key in the strip');
    await teacher.page.keyboard.press('Escape');
    await teacher.page.waitForFunction(() => document.querySelector('dialog[open]') === null);
  });

  it('types words to find a piece without setting anything off', async () => {
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 12);
    await teacher.page.type('input[type=search]', 'minor');
    await seesCards(teacher.page, 1);
    expect(await textOf(teacher.page, '[data-piece]')).toContain('Fog over the Sluice');
    await teacher.page.type('input[type=search]', ' [z');
    await sees(teacher.page, 'No piece has these words');
  });

  it('reaches every control of the shelf with Tab, each visibly focused', async () => {
    await openAt(teacher.page, '/');
    await seesCards(teacher.page, 12);
    const seen = new Set<string>();
    for (let i = 0; i < 18; i += 1) {
      await teacher.page.keyboard.press('Tab');
      seen.add(
        await teacher.page.evaluate(() => {
          const focused = document.activeElement as Element;
          const name = (focused.textContent || focused.getAttribute('aria-label') || '').trim();
          const rings = [focused, focused.closest('label') ?? focused].map(
            (element) => getComputedStyle(element).outlineStyle,
          );
          return `${name}|${rings.some((ring) => ring !== 'none')}`;
        }),
      );
    }
    expect([...seen].filter((entry) => !entry.endsWith('|true'))).toEqual([]);
    expect([...seen].map((entry) => entry.split('|')[0])).toEqual(
      expect.arrayContaining(['Bench', 'Settings', 'Bring in a piece', 'Lantern Walk']),
    );
  });
});

describe('wrong addresses', () => {
  it('of a piece that is not there say so and offer the way back', async () => {
    await goTo(teacher.page, '/bench?piece=nobody');
    await sees(teacher.page, 'This piece is not on the shelf');
  });

  it('with nonsense in them fall back to the piece as it stands', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=H-moll&way=sideways&right=99&at=x');
    await seesKey(teacher.page, 'C-major');
  });

  it('with more signs than print has fall back to the piece as it stands', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=G%23-major');
    await sees(teacher.page, 'a key such as D');
  });

  it('without a piece offer the shelf’s', async () => {
    await goTo(teacher.page, '/bench');
    await sees(teacher.page, 'Which piece?');
    await press(teacher.page, 'Echo Well');
    await seesKey(teacher.page, 'C-major');
  });
});

describe('what went wrong', () => {
  it('is told on one other screen at most', async () => {
    const { page } = teacher;
    await goTo(page, '/');
    await seesCards(page, 12);
    await drop(page, [{ name: 'shopping.txt', text: 'bread, milk' }]);
    await page.waitForSelector('[data-message=trouble]');
    await goTo(page, '/settings');
    expect(await page.$('[data-message=trouble]')).not.toBeNull();
    await goTo(page, '/week');
    await page.waitForFunction(() => document.querySelector('[data-message=trouble]') === null);
  });
});

describe('light and dark', () => {
  it('are the teacher’s choice, kept over a reload', async () => {
    await goTo(teacher.page, '/settings');
    await (await teacher.page.waitForSelector('input[value=lamplight]'))?.click();
    await teacher.page.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
    await teacher.page.reload();
    await teacher.page.waitForFunction(() => document.documentElement.dataset['theme'] === 'lamplight');
  });

  it.each([
    ['paper', 'all'],
    ['lamplight', 'colours'],
  ] as const)('%s: axe finds nothing against any screen (%s)', async (look, rules) => {
    await goTo(teacher.page, '/settings');
    await (await teacher.page.waitForSelector(`input[value=${look}]`))?.click();
    await teacher.page.waitForFunction(
      (wanted: string) => document.documentElement.dataset['theme'] === wanted,
      {},
      look,
    );
    expect(await findings(teacher.page, rules)).toEqual([]);
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 12);
    expect(await findings(teacher.page, rules)).toEqual([]);
    await goTo(teacher.page, '/bench?piece=the-sixth-step&key=Eb-major&at=1:1');
    await seesKey(teacher.page, 'Eb-major');
    await teacher.page.click('[data-flag]');
    await teacher.page.waitForSelector('[data-flag][aria-pressed=true]');
    expect(await findings(teacher.page, rules)).toEqual([]);
    for (const panel of ['note', 'key', 'chords', 'partner']) {
      await teacher.page.click(`#tab-${panel}`);
      await teacher.page.waitForSelector(`[data-role=${PANEL_MARKS[panel]}]`);
      expect([panel, await findings(teacher.page, rules)]).toEqual([panel, []]);
    }
    await hasTools(teacher.page);
    await teacher.page.click('[data-view=fingers]');
    await teacher.page.waitForSelector('[data-role=finger-page] [data-stroke]');
    expect(await findings(teacher.page, rules)).toEqual([]);
    await press(teacher.page, 'New pupil');
    await teacher.page.waitForSelector('dialog[open] input[aria-label="Name"]');
    expect(await findings(teacher.page, rules)).toEqual([]);
    await seesEntering(teacher.page);
    for (const undoRedo of ['fingers', 'keys', 'abc']) {
      await teacher.page.click(`[data-way=${undoRedo}]`);
      await teacher.page.waitForSelector(`[data-way=${undoRedo}][aria-pressed=true]`);
      expect([undoRedo, await findings(teacher.page, rules)]).toEqual([undoRedo, []]);
    }
  });

  it('ink the engraved notes, fingers and words in the colour of the text', async () => {
    for (const look of ['lamplight', 'paper']) {
      await goTo(teacher.page, '/settings');
      await (await teacher.page.waitForSelector(`input[value=${look}]`))?.click();
      await teacher.page.waitForFunction(
        (wanted: string) => document.documentElement.dataset['theme'] === wanted,
        {},
        look,
      );
      await goTo(teacher.page, '/bench?piece=night-baker&key=Eb-major');
      await seesKey(teacher.page, 'Eb-major');
      const [ink, ...drawn] = await teacher.page.evaluate(() => [
        getComputedStyle(document.body).color,
        ...['.notehead path', '.fing text', '.verse text', '.clef path'].map(
          (part) =>
            getComputedStyle(
              document
                .querySelector('[data-role=paper] [data-role=engraving]')
                ?.shadowRoot?.querySelector(part) as Element,
            ).fill,
        ),
      ]);
      expect(drawn).toEqual(drawn.map(() => ink));
    }
  });
});

/** Texts below 12 px and targets below 32 px. */
function smallThings(page: Page): Promise<readonly string[]> {
  return page.evaluate(() => {
    const shown = (element: Element): boolean => element.getClientRects().length > 0;
    const texts = [...document.querySelectorAll('body *')]
      .filter(
        (element) =>
          shown(element) &&
          !element.closest('svg') &&
          [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()),
      )
      .filter((element) => Number.parseFloat(getComputedStyle(element).fontSize) < 12)
      .map((element) => `text ${element.textContent}`);
    const targets = [...document.querySelectorAll('button, select, summary, a[href], input:not([type=hidden])')]
      .filter(shown)
      // A box with its words beside it is pressed by either.
      .filter((element) => (element.closest('label') ?? element).getBoundingClientRect().height < 32)
      .map((element) => `target ${element.textContent || element.getAttribute('aria-label')}`);
    const keyboard = [...document.querySelectorAll('[data-role=keyboard] text')]
      .filter((text) => text.textContent && text.getBoundingClientRect().height < 12)
      .map((text) => `key ${text.textContent}`);
    return [...texts, ...targets, ...keyboard];
  });
}

/** Opens a piece where it is entered. */
async function seesEntering(page: Page): Promise<void> {
  await goTo(page, '/enter?piece=bridge-to-the-other-bank');
  await page.waitForSelector('[data-role=entry][data-ready=true] [data-line="1"] figure[aria-busy=false]');
}

describe('every window', () => {
  it.each([
    [1280, 800],
    [820, 1180],
    [390, 844],
  ])('%i by %i shows all screens without scrolling sideways', async (width, height) => {
    await teacher.page.setViewport({ width, height });
    for (const path of [
      '/',
      '/settings',
      '/enter?piece=bridge-to-the-other-bank',
      '/bench?piece=bridge-to-the-other-bank&key=Db-major',
    ]) {
      await goTo(teacher.page, path);
      if (path.startsWith('/bench')) await seesKey(teacher.page, 'Db-major');
      else if (path.startsWith('/enter')) await seesEntering(teacher.page);
      else await teacher.page.waitForSelector('h1');
      expect([path, await overflow(teacher.page)]).toEqual([path, 0]);
    }
  });

  it.each(['Bench', 'entering'])('%s: has no text below 12 px and no target below 32 px', async (screen) => {
    await teacher.page.setViewport({ width: 1280, height: 800 });
    if (screen === 'entering') await seesEntering(teacher.page);
    else {
      await goTo(teacher.page, '/bench?piece=the-sixth-step&key=Eb-major');
      await seesKey(teacher.page, 'Eb-major');
    }
    expect(await smallThings(teacher.page)).toEqual([]);
  });
});

describe('survey, shelf and atlas', () => {
  it.each(FACES)(
    '%s: axe finds nothing, by day and by lamplight, nothing is small, and no window scrolls sideways',
    async (...face) => {
      const { page } = teacher;
      await page.setViewport({ width: 1280, height: 800 });
      await seesFace(page, face);
      expect(await findingsInBothLooks(page)).toEqual([]);
      expect(await smallThings(page)).toEqual([]);
      for (const [width, height] of [
        [1280, 800],
        [820, 1180],
        [390, 844],
      ] as const) {
        await page.setViewport({ width, height });
        await page.waitForFunction((wanted: number) => window.innerWidth === wanted, {}, width);
        // A picture is drawn anew for its new width a moment later.
        await page
          .waitForFunction(() => document.documentElement.scrollWidth <= document.documentElement.clientWidth)
          .catch(() => undefined);
        expect([width, await overflow(page)]).toEqual([width, 0]);
        expect([width, await findings(page)]).toEqual([width, []]);
      }
    },
  );
});
