/** Faults from outside, each in the middle of the work: it survives, and the teacher is told. Those of the store are in safe-ground.test.ts, of killed tabs in
 * killed-tab.test.ts, of MIDI in practice.test.ts, of releases in offline.test.ts. */
import { rounds } from '../support/rounds';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { hasSteps } from './support/entering';
import { middleman, type Middleman } from './support/middleman';
import {
  arriveAtShelf,
  goTo,
  home,
  newTab,
  openAt,
  saved,
  sees,
  seesCards,
  seesKey,
  type Teacher,
} from './support/teacher';

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

const query = (page: Page): URLSearchParams => new URL(page.url()).searchParams;

const RUN = '/practice?piece=lantern-walk&key=D-major&pupil=demo-tam&hand=right&from=0&to=1&tempo=120';
const RECORD = '/record?piece=lantern-walk&key=D-major&pupil=demo-tam';

/** Two bars are played by the pupil who makes no mistakes, and heard to be clean; something may happen on the way. */
async function isPlayed(page: Page, inTheMiddle: () => Promise<void> = () => Promise.resolve()): Promise<void> {
  await openAt(page, RUN);
  await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
  await page.select('[data-role=instrument]', 'simulated');
  await page.select('[data-role=weakness]', '');
  await page.locator('[data-role=let-play]').click();
  await page.waitForSelector('[data-role=run][data-state=listening]');
  await inTheMiddle();
  await page.waitForSelector('[data-role=judged]');
  await sees(page, 'Clean: all');
}

/** Runs in the page: the clock of the wall is set, forward or back. */
function clockSet(hours: number): void {
  const { now } = Date;
  Date.now = () => now() + hours * 60 * 60 * 1000;
}

describe('the sound', () => {
  it.each([
    ['is refused', 'refused'],
    ['is held back', 'held'],
    ['has no recordings', 'files'],
  ] as const)('that %s is told once, and the piece goes on in time without it', async (_what, how) => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(withoutSound, how);
    await openAt(tab, '/bench?piece=lantern-walk&key=D-major');
    await seesKey(tab, 'D-major');
    await tab.locator('[data-role=player] .btn-primary').click();
    await tab.waitForSelector('[data-role=player][data-playing=true]');
    await sees(tab, 'This browser gives no sound just now.');
    await sees(tab, 'bar 2');
    await tab.close();
  });

  it('that is held back keeps nobody from practising', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(withoutSound, 'held');
    await isPlayed(tab);
    await tab.close();
  });
});

/** Runs in the page, before anything else: a browser that gives no sound, in one way or another. */
function withoutSound(how: string): void {
  const refuse = (): never => {
    throw new DOMException('no audio device', 'NotSupportedError');
  };
  if (how === 'refused') {
    for (const name of ['AudioContext', 'webkitAudioContext', 'OfflineAudioContext'])
      Object.defineProperty(window, name, { configurable: true, value: refuse });
  }
  if (how === 'held') AudioContext.prototype.resume = () => new Promise(() => undefined);
  if (how === 'held') Object.defineProperty(BaseAudioContext.prototype, 'state', { get: () => 'suspended' });
  if (how === 'files') {
    const { fetch } = window;
    window.fetch = (asked, options) =>
      String(asked instanceof Request ? asked.url : asked).includes('/samples/')
        ? Promise.resolve(new Response(null, { status: 404 }))
        : fetch(asked, options);
  }
}

describe('the clock', () => {
  it('that is set back in the middle of a run changes neither what is judged nor what is kept', async () => {
    const tab = await newTab(teacher.browser);
    const seesRuns = (count: number) =>
      tab.waitForFunction((wanted: number) => document.querySelectorAll('[data-run]').length === wanted, {}, count);
    await openAt(tab, RECORD);
    await tab.waitForSelector('[data-run]');
    const before = (await tab.$$('[data-run]')).length;
    // Back by two hours in the middle of the first run, on by three in the middle of the second: it is summer where it was winter.
    for (const [i, hours] of [-2, 3].entries()) {
      await isPlayed(tab, () => tab.evaluate(clockSet, hours));
      await goTo(tab, RECORD);
      await seesRuns(before + i + 1);
    }
    await tab.close();
  });
});

describe('the browser’s store', () => {
  it('of a newer version is left as it is, and that is told', async () => {
    const other = await arriveAtShelf();
    await other.page.goto(`${home()}/api/health`);
    await other.page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const asked = indexedDB.open('new-thumb', 100_000);
          asked.onsuccess = () => {
            asked.result.close();
            resolve();
          };
          asked.onerror = () => reject(new Error('not opened'));
        }),
    );
    await openAt(other.page, '/');
    await other.page.waitForSelector('[data-role=newer-studio]');
    const version = await other.page.evaluate(async () => (await indexedDB.databases())[0]?.version);
    expect(version).toBe(100_000);
    await other.leave();
  });
});

describe('the server', () => {
  let server: Middleman;
  beforeAll(async () => {
    server = await middleman(home());
  });
  afterAll(() => server.leave());

  it('that goes before the application is kept takes nothing of the work along', async () => {
    const page = await newTab(teacher.browser, { at: server.address });
    await page.goto(server.address);
    await seesCards(page, 12);
    await page.goto(`${server.address}/bench?piece=mill-wheel&key=D-major`);
    await seesKey(page, 'D-major');
    await server.goAway();
    await page.keyboard.press(']');
    await page.waitForFunction(() => new URL(location.href).searchParams.get('key') !== 'D-major');
    const key = query(page).get('key') ?? '';
    await seesKey(page, key);
    await server.comeBack();
    await page.goto(`${server.address}/bench?piece=mill-wheel`);
    await seesKey(page, key);
    await page.close();
  });

  it('that has no engraver gives a page that says so, goes to another key all the same, and shows it once the engraver has come', async () => {
    // At an address where the browser has none yet.
    const without = await middleman(home());
    without.lose('/engraver/');
    const page = await newTab(teacher.browser, { at: without.address });
    await page.goto(without.address);
    await page.waitForFunction(() => document.querySelectorAll('[data-piece]').length === 12);
    await page.goto(`${without.address}/bench?piece=mill-wheel&key=D-major`);
    await sees(page, 'The engraver has not come, so that no notes can be drawn.');
    await page.locator('[data-key=G-major]').click();
    await page.waitForFunction(() => new URL(location.href).searchParams.get('key') === 'G-major');
    without.lose(null);
    await page.reload();
    await seesKey(page, 'G-major');
    await page.close();
    await without.leave();
  });
});

/** The check ends workers over every other kind of question, the long run over each. */
const EVERY = rounds(2, 1);

describe('a worker', () => {
  it('that is ended over a question is started again, and every screen gets its answer', async () => {
    const page = await newTab(teacher.browser);
    await page.evaluateOnNewDocument(deadly);
    const killed = (): Promise<readonly string[]> =>
      page.evaluate(() => JSON.parse(sessionStorage.getItem('killed') ?? '[]') as readonly string[]);
    let entered = 0;
    const visits: readonly { readonly kinds: readonly string[]; readonly go: () => Promise<unknown> }[] = [
      {
        kinds: ['engrave', 'bench', 'ladder', 'performances'],
        go: async () => {
          await openAt(page, '/bench?piece=lantern-walk&key=D-major&pupil=demo-tam');
          await seesKey(page, 'D-major');
          await page.locator('[data-role=player] .btn-primary').click();
          await page.waitForSelector('[data-role=player][data-playing=true]');
        },
      },
      {
        kinds: ['survey'],
        go: async () => {
          await openAt(page, '/survey?piece=lantern-walk');
          await page.waitForSelector('[data-role=survey][data-whole=true]');
          await openAt(page, '/survey?piece=mill-wheel&show=stages');
          await page.waitForSelector('[data-role=stages-by-key][data-whole=true]');
        },
      },
      {
        kinds: ['fit'],
        go: async () => {
          await openAt(page, '/fit');
          await page.waitForSelector('[data-role=fit][data-state=done]');
          await openAt(page, '/atlas');
          await sees(page, 'C major');
        },
      },
      {
        kinds: ['press'],
        go: async () => {
          await openAt(page, '/enter?piece=lantern-walk');
          await page.waitForSelector('[data-role=entry][data-ready=true]');
          await page.keyboard.press('End');
          await page.keyboard.press('2');
          entered += 1;
          await hasSteps(page, entered);
        },
      },
      { kinds: ['judge'], go: () => isPlayed(page) },
      {
        kinds: ['pdf'],
        go: async () => {
          await openAt(page, '/handout?piece=lantern-walk&key=D-major');
          await page.waitForSelector('[data-role=save-pdf]:not([disabled])');
          const { bytes } = await saved(teacher.browser, () => page.locator('[data-role=save-pdf]').click());
          expect(new TextDecoder().decode(bytes.slice(0, 5))).toBe('%PDF-');
        },
      },
    ];
    const asked = visits.filter((_, i) => i % EVERY === 0);
    for (const { kinds, go } of asked) {
      await go();
      // A question that was asked beside one that is asked again was spared: at the next visit nothing is.
      const ended = await killed();
      if (kinds.some((kind) => !ended.includes(kind))) await go();
    }
    const ended = await killed();
    expect(asked.flatMap(({ kinds }) => kinds).filter((kind) => !ended.includes(kind))).toEqual([]);
    await page.close();
  });
});

/** Runs in the page, before anything else: the first time that a kind of question is asked of a worker it is ended, as soon as it lives, over that and all else
 * that it has to do. What it was ended over is asked once more: until that is answered, nothing that is asked beside it ends the worker again. */
function deadly(): void {
  const killed = (): string[] => JSON.parse(sessionStorage.getItem('killed') ?? '[]') as string[];
  const askedAgain = new Set<string>();
  const Original = window.Worker;
  window.Worker = class extends Original {
    private lives = false;
    private readonly open = new Map<unknown, string>();
    constructor(address: string | URL, options?: WorkerOptions) {
      super(address, options);
      this.addEventListener('message', ({ data }: MessageEvent<{ readonly life?: unknown; readonly id?: unknown }>) => {
        this.lives ||= data.life !== undefined;
        const answered = this.open.get(data.id);
        if (answered !== undefined) askedAgain.delete(answered);
        this.open.delete(data.id);
        this.endOverNew();
      });
    }
    override postMessage(
      message: { readonly type?: string; readonly id?: unknown; readonly path?: readonly string[] },
      ...rest: never[]
    ) {
      super.postMessage(message, ...rest);
      const [name = ''] = message.path ?? [];
      if (message.type !== 'APPLY' || name === 'ready') return;
      this.open.set(message.id, name);
      this.endOverNew();
    }
    private endOverNew(): void {
      const names = [...this.open.values()];
      const known = killed();
      if (!this.lives || names.every((name) => known.includes(name))) return;
      if (names.some((name) => askedAgain.has(name))) return;
      sessionStorage.setItem('killed', JSON.stringify([...new Set([...known, ...names])]));
      names.forEach((name) => askedAgain.add(name));
      this.terminate();
    }
  };
}
