import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { arriveAtShelf, goTo, newTab, sees, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

/** Two bars of a piece, as fast as one may: a run through them is soon over. */
const TWO_BARS = '/practice?piece=lantern-walk&key=D-major&pupil=demo-tam&hand=right&from=0&to=1&tempo=120';

const isThere = (on: Page = page): Promise<unknown> =>
  on.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
const judged = (on: Page = page): Promise<unknown> => on.waitForSelector('[data-role=judged]');
const state = (wanted: string, on: Page = page): Promise<unknown> =>
  on.waitForSelector(`[data-role=run][data-state="${wanted}"]`);
const chosen = (): Promise<readonly string[]> =>
  page.$$eval('[data-role=pupil]', (selects) => selects.map((select) => (select as HTMLSelectElement).value));
const query = (): URLSearchParams => new URL(page.url()).searchParams;

async function simulatedPlays(weakness: string): Promise<void> {
  await page.select('[data-role=instrument]', 'simulated');
  await page.waitForSelector('[data-role=weakness]');
  await page.select('[data-role=weakness]', weakness);
  await page.locator('[data-role=let-play]').click();
  await state('listening');
  await judged();
}

describe('a pupil practises', () => {
  it('comes from the Bench in one press, in the key that is shown', async () => {
    await goTo(page, '/bench?piece=lantern-walk&key=D-major');
    await page.waitForSelector('[data-role=paper] figure[aria-busy=false]');
    await page.keyboard.press('q');
    await isThere();
    await sees(page, 'Lantern Walk, in D major');
    expect(query().get('key')).toBe('D-major');
  });

  it('is told what was forgotten, where, and what to do next; goes there, and it is clean', async () => {
    await goTo(page, TWO_BARS);
    await isThere();
    await simulatedPlays('forgets-signature');
    await sees(page, 'F instead of F♯: the signature has F♯.');
    expect(await page.$$('[data-fault]')).toHaveLength(1);
    await page.locator('[data-fault=forgot-signature]').click();
    await page.waitForFunction(() =>
      document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelector('.is-pointed'),
    );
    await page.locator('[data-role=go-next]').click();
    await isThere();
    expect(query().get('from')).toBe(query().get('to'));
    expect(Number(query().get('tempo'))).toBeLessThan(120);
    await goTo(page, TWO_BARS);
    await isThere();
    await simulatedPlays('');
    await sees(page, 'Clean: all');
    expect(await page.$('[data-role=next-thing]')).toBeNull();
  });

  it('is waited for, and told what for; the computer’s keys are a piano', async () => {
    await goTo(page, `${TWO_BARS.replace('D-major', 'C-major')}&way=wait`);
    await isThere();
    await page.select('[data-role=instrument]', 'screen');
    await page.keyboard.press('Enter');
    await state('listening');
    await sees(page, 'waits for C4');
    // A, which nobody asked for, then C D E E F G.
    for (const [key, lit] of [
      ['h', 0],
      ['a', 1],
      ['s', 2],
      ['d', 3],
      ['d', 4],
      ['f', 5],
      ['g', 6],
    ] as const) {
      await page.keyboard.press(key);
      await page.waitForSelector(`[data-role=practice-paper][data-lit="${lit}"]`);
    }
    await judged();
    await sees(page, 'All 6 notes right');
    await sees(page, 'one key too many, A.');
  });

  it('sees which computer’s key plays which piano key, on the keys and under ?', async () => {
    await page.keyboard.press('Escape');
    await state('still');
    const letters = await page.$$eval('[data-letter]', (found) => found.map((one) => one.getAttribute('data-letter')));
    expect(letters).toEqual(expect.arrayContaining(['A', 'W', 'S', 'E', 'D', 'F']));
    await page.keyboard.press('?');
    await sees(page, 'play the piano keys that bear these letters');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
  });

  it('sees who plays, and is told in whose record a run is kept once it is there', async () => {
    const [tam = ''] = await chosen();
    expect(tam).toBe('demo-tam');
    await goTo(page, `${TWO_BARS.replace('D-major', 'C-major')}`);
    await isThere();
    await simulatedPlays('');
    await sees(page, 'Kept in Tam Oakhollow’s record.');
    // Without a pupil nobody else's record is written into, whoever was there last.
    await goTo(page, TWO_BARS.replace('&pupil=demo-tam', ''));
    await isThere();
    expect(await chosen()).toEqual(['any']);
    await simulatedPlays('');
    await sees(page, 'Kept under “any hand”: no pupil was chosen.');
    await page.select('[data-role=pupil]', 'demo-tam');
    await page.waitForFunction(() => new URLSearchParams(location.search).get('pupil') === 'demo-tam');
  });

  it('goes a little faster after a clean run, and round and round until it is enough', async () => {
    await goTo(page, `${TWO_BARS.replace('tempo=120', 'tempo=90')}&then=faster`);
    await isThere();
    await simulatedPlays('');
    await sees(page, 'Clean: all');
    await page.locator('[data-role=run]').click();
    await state('listening');
    expect(query().get('tempo')).toBe('95');
    await page.keyboard.press('Enter');
    await judged();
    await page.select('[data-role=then]', 'round');
    await page.keyboard.press('Enter');
    await state('listening');
    expect(query().get('then')).toBe('round');
    await page.keyboard.press('Enter');
    await judged();
    await page.keyboard.press('Escape');
    await state('still');
  });

  it('ends where the page is hidden, and what was played until then is judged', async () => {
    await goTo(page, TWO_BARS);
    await isThere();
    await page.keyboard.press('Enter');
    await state('listening');
    await page.evaluate(() => {
      Object.defineProperty(document, 'hidden', { configurable: true, value: true });
      document.dispatchEvent(new Event('visibilitychange'));
      Reflect.deleteProperty(document, 'hidden');
    });
    await judged();
    await sees(page, 'Nothing was heard.');
  });

  it('by keyboard alone, and nothing is told where nothing was played', async () => {
    await goTo(page, `${TWO_BARS}&way=free`);
    await isThere();
    await page.keyboard.press('Enter');
    await state('listening');
    await page.keyboard.press('Enter');
    await judged();
    await sees(page, 'Nothing was heard.');
    await page.keyboard.press('Escape');
    await state('still');
  });
});

describe('a MIDI keyboard', () => {
  it('that may not be used is told of', async () => {
    await page.evaluate(() =>
      Object.defineProperty(navigator, 'requestMIDIAccess', {
        configurable: true,
        value: () => Promise.reject(new Error('denied')),
      }),
    );
    await page.select('[data-role=instrument]', 'midi');
    await sees(page, 'The browser was not allowed to use the MIDI keyboard.');
    await page.select('[data-role=instrument]', 'screen');
  });

  it('that is unplugged in the middle is told of, and what was played so far is judged', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(pretendMidi);
    await goTo(tab, `${TWO_BARS.replace('D-major', 'C-major')}&way=free`);
    await isThere(tab);
    await tab.select('[data-role=instrument]', 'midi');
    await tab.keyboard.press('Enter');
    await state('listening', tab);
    for (const [i, midi] of [60, 62, 64].entries()) {
      await tab.evaluate((key) => (window as unknown as PretendedMidi).midi.strike(key), midi);
      await tab.waitForSelector(`[data-role=practice-paper][data-lit="${i + 1}"]`);
    }
    await tab.evaluate(() => (window as unknown as PretendedMidi).midi.unplug());
    await sees(tab, 'The MIDI keyboard was unplugged.');
    await tab.keyboard.press('Enter');
    await judged(tab);
    await sees(tab, '3 of 6 notes right');
    await sees(tab, 'it stops here');
    await tab.close();
    await page.bringToFront();
  });
});

it('asked nothing of the network, and complained of nothing', () => {
  expect(teacher.strangers).toEqual([]);
  expect(teacher.complaints).toEqual([]);
});

interface PretendedMidi {
  readonly midi: { readonly strike: (midi: number) => void; readonly unplug: () => void };
}

/** Runs in the page: a MIDI keyboard that is not there. */
function pretendMidi(): void {
  const input = Object.assign(new EventTarget(), { type: 'input', state: 'connected' });
  const access = Object.assign(new EventTarget(), { inputs: new Map([['one', input]]) });
  Object.defineProperty(navigator, 'requestMIDIAccess', { configurable: true, value: () => Promise.resolve(access) });
  const send = (data: readonly number[]): void => {
    input.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(data) }));
  };
  Object.assign(window, {
    midi: {
      strike: (midi: number) => {
        send([0x90, midi, 80]);
        send([0x80, midi, 0]);
      },
      unplug: () => {
        input.state = 'disconnected';
        access.dispatchEvent(Object.assign(new Event('statechange'), { port: input }));
      },
    },
  });
}
