import { appendFileSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { expect } from '@jest/globals';
import puppeteer, {
  type Browser,
  type ClickOptions,
  type GoToOptions,
  type KeyboardTypeOptions,
  type Page,
  type WaitForOptions,
} from 'puppeteer-core';
import { launchOptions } from '../../../scripts/lib/chromium.mjs';
import { noteVisit } from '../../../scripts/lib/times.mjs';

/** A teacher with a fresh browser: what a test does, they do. */
export interface Teacher {
  readonly browser: Browser;
  readonly page: Page;
  /** Addresses that were asked for beyond the application itself. */
  readonly strangers: readonly string[];
  /** What the page complained of. */
  readonly complaints: readonly string[];
  readonly leave: () => Promise<void>;
}

export interface WindowSize {
  readonly width: number;
  readonly height: number;
}

/** How long a test waits for what must be seen; much longer than it ever takes, since a busy machine can be ten times slower. Whoever looks for a
 * fault may set less. */
const PATIENCE_MS = Number(process.env['NEW_THUMB_PATIENCE_MS'] ?? 75_000);

const DESK: WindowSize = { width: 1280, height: 800 };

/** `flags` are for the browser, beside those that every test has. */
export async function arrive(size: WindowSize = DESK, flags: readonly string[] = []): Promise<Teacher> {
  const options = launchOptions();
  const browser = await puppeteer.launch({ ...options, args: [...(options.args ?? []), ...flags] });
  const strangers: string[] = [];
  const complaints: string[] = [];
  const page = await newTab(browser, { size, strangers, complaints });
  return { browser, page, strangers, complaints, leave: () => browser.close() };
}

/** A teacher who has the demo studio on the shelf. */
export async function arriveAtShelf(size: WindowSize = DESK, flags: readonly string[] = []): Promise<Teacher> {
  const teacher = await arrive(size, flags);
  await goTo(teacher.page, '/');
  await seesCards(teacher.page, DEMO_PIECES);
  return teacher;
}

const DEMO_PIECES = 12;

/** Written down for the end of all browser tests: whichever test it was in, it counts. */
function noteTrespass(what: string): void {
  const place = process.env['NEW_THUMB_TRESPASSES'];
  if (place) appendFileSync(place, `${what}\n`);
}

interface TabOptions {
  readonly size?: WindowSize;
  /** Where addresses beyond the application, and complaints, are written down. */
  readonly strangers?: string[];
  readonly complaints?: string[];
  /** Whether the browser keeps the application for use without a network. */
  readonly keeps?: 'nothing' | 'release';
  /** Where the application is served. */
  readonly at?: string;
}

/** Another tab in the same browser, with the same studio. */
export async function newTab(
  browser: Browser,
  { size = DESK, strangers = [], complaints = [], keeps = 'nothing', at = home() }: TabOptions = {},
): Promise<Page> {
  const page = patient(await browser.newPage());
  // What a visit fetches for later would take the machine away from what is tested; tests/browser/offline.test.ts has it.
  if (keeps === 'nothing')
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Navigator.prototype, 'serviceWorker'));
  await page.setViewport(size);
  page.on('request', (request) => {
    const address = request.url();
    if (!address.startsWith(at) && !address.startsWith('blob:') && !address.startsWith('data:')) {
      strangers.push(address);
      noteTrespass(`asked for ${address}`);
    }
  });
  page.on('pageerror', (error) => complaints.push(String(error)));
  // The process behind a page can end, as where memory is short: who waits for something on it is told now.
  page.on('error', (error) => {
    console.error(`${page.url()}: ${error.message}`);
    void page.close().catch(() => undefined);
  });
  page.on('console', (message) => {
    const { url = '' } = message.location();
    // A browser asks for it by itself while the page's own icon is being put in anew.
    const isIcon = url.endsWith('/favicon.ico');
    if (message.type() === 'error' && !isIcon) complaints.push(`${message.text()} ${url}`.trim());
    if (message.text().includes('Content Security Policy')) noteTrespass(message.text());
  });
  return page;
}

/** A page that is waited for as a teacher waits: its fields before they are filled in, and after an arrival until it answers to a press, since a slow
 * machine shows the page before. Who waits in vain is told what was there. */
function patient(page: Page): Page {
  page.setDefaultTimeout(PATIENCE_MS);
  const { $eval, click, tap, select, type, focus, hover, goto, reload, waitForSelector, waitForFunction } = page;
  const once = (selector: string) => page.waitForSelector(selector);
  const inVain = async (cause: unknown): Promise<never> => {
    throw new Error(`${String(cause)}\n${await seenOn(page)}`, { cause });
  };
  const told = <Wait extends (...asked: never[]) => Promise<unknown>>(wait: Wait): Wait =>
    ((...asked: never[]) => wait.apply(page, asked).catch(inVain)) as Wait;
  return Object.assign(page, {
    waitForSelector: told(waitForSelector),
    waitForFunction: told(waitForFunction),
    goto: async (address: string, options?: GoToOptions) => {
      noteThisVisit();
      const answer = await goto.call(page, address, options);
      await page.waitForFunction(isAlive);
      return answer;
    },
    reload: async (options?: WaitForOptions) => {
      noteThisVisit();
      const answer = await reload.call(page, options);
      await page.waitForFunction(isAlive);
      return answer;
    },
    $eval: (async (selector: string, ...rest: [never, ...never[]]): Promise<unknown> => {
      await once(selector);
      return $eval.call(page, selector, ...rest);
    }) as Page['$eval'],
    tap: async (selector: string) => {
      await page.waitForFunction(answersToPress, {}, await once(selector));
      return tap.call(page, selector);
    },
    click: async (selector: string, options?: ClickOptions) => {
      await page.waitForFunction(answersToPress, {}, await once(selector));
      return click.call(page, selector, options);
    },
    select: async (selector: string, ...values: string[]) => {
      await once(selector);
      return select.call(page, selector, ...values);
    },
    type: async (selector: string, ...rest: [string, KeyboardTypeOptions?]) => {
      await once(selector);
      return type.call(page, selector, ...rest);
    },
    focus: async (selector: string) => {
      await once(selector);
      return focus.call(page, selector);
    },
    hover: async (selector: string) => {
      await once(selector);
      return hover.call(page, selector);
    },
  });
}

function noteThisVisit(): void {
  const { testPath } = expect.getState();
  if (testPath) noteVisit(relative(process.cwd(), testPath).replaceAll('\\', '/'));
}

/** Whether React has taken over the page, in the browser: before, a press is lost. True of a page that is not the application's. */
function isAlive(): boolean {
  const isOurs = document.querySelector('script[src*="/_next/"]') !== null;
  return !isOurs || Object.keys(document.documentElement).some((key) => key.startsWith('__react'));
}

/** Whether a button can be pressed, in the browser. One that has gone is looked for again by who presses it. */
function answersToPress(found: Element | null): boolean {
  return !found?.isConnected || !found.matches(':disabled');
}

/** Where a page is and what stands on it, for whoever waited in vain. */
async function seenOn(page: Page): Promise<string> {
  const seen = page
    .evaluate(() => {
      const told = [...document.querySelectorAll<HTMLElement>('[data-message]')].map(({ innerText }) => innerText);
      return [location.href, ...told, document.querySelector('main')?.innerText.slice(0, 600)].join('\n');
    })
    .catch((cause: unknown) => String(cause));
  const silent = new Promise<string>((tell) => setTimeout(tell, ANSWERS_MS, 'the page does not answer').unref());
  return Promise.race([seen, silent]);
}

/** Who does not answer for so long hangs. */
const ANSWERS_MS = 5000;

export function home(): string {
  const address = process.env['NEW_THUMB_ADDRESS'];
  if (!address) throw new Error('no server: run the browser tests with “npm run test:browser”');
  return address;
}

/** Goes to a place. Where the application is open this is done within it, as by a link: what has started is not started again. */
export async function goTo(page: Page, path: string): Promise<void> {
  if (!page.url().startsWith(home())) return openAt(page, path);
  const [from, to] = [placeOf(page.url()), placeOf(home() + path)];
  if (from === to && to === BETWEEN) return openAt(page, path);
  // Of two faces of one screen the first must be gone before the second is looked for.
  if (from === to) await walk(page, BETWEEN);
  await walk(page, path);
}

/** Opens the application at a place, as by its address: everything starts anew. */
export async function openAt(page: Page, path: string): Promise<void> {
  await page.goto(home() + path);
}

/** A screen that is quickly there. */
const BETWEEN = '/settings';

function placeOf(address: string): string {
  return new URL(address).pathname;
}

/** Goes to another screen as a link does, and waits until this one is gone. */
async function walk(page: Page, path: string): Promise<void> {
  noteThisVisit();
  await page.waitForFunction(() => (window as unknown as NextWindow).next?.router !== undefined);
  await page.evaluate((wanted: string) => {
    document.querySelector('main')?.firstElementChild?.setAttribute('data-left', '');
    (window as unknown as NextWindow).next?.router?.push(wanted);
  }, path);
  const isThere = page.waitForFunction(
    (wanted: string) =>
      location.pathname === wanted &&
      document.querySelector('[data-left]') === null &&
      document.querySelector('main')?.firstElementChild,
    {},
    placeOf(home() + path),
  );
  await isThere.catch(async (cause: unknown) => {
    const seen = await page.evaluate(
      () => `${location.href}\n${document.querySelector('main')?.outerHTML.slice(0, 600)}`,
    );
    throw new Error(`never came to ${path}, is still at ${seen}`, { cause });
  });
}

/** How Next lets go to a place from outside its links. */
interface NextWindow {
  readonly next?: { readonly router?: { readonly push: (path: string) => void } };
}

/** Waits until the Bench shows the piece engraved in a key, as `D-major`, and the strip of all keys. */
export async function seesKey(page: Page, key: string): Promise<void> {
  await page.waitForSelector(`[data-role=paper][data-key="${key}"] figure[aria-busy=false]`);
  await page.waitForSelector('button[data-key]');
}

/** Has the tools of the page on the Bench, whether they were folded away or not. */
export async function hasTools(page: Page): Promise<void> {
  const tools = await page.waitForSelector('[data-role=tools]');
  if (await tools?.evaluate((button) => button.getAttribute('aria-expanded') === 'false')) await tools?.click();
  await page.waitForSelector('[data-role=page-tools]');
}

/** Waits until this text is somewhere on the page. */
export async function sees(page: Page, text: string): Promise<void> {
  await page.waitForFunction((wanted: string) => document.body.innerText.includes(wanted), {}, text);
}

/** Presses a key that carries something. One that comes before the places are measured is not heard: it is pressed until this text is there. */
export async function pressUntilSeen(
  page: Page,
  key: Parameters<Page['keyboard']['press']>[0],
  text: string,
): Promise<void> {
  const isSeen = (): Promise<unknown> =>
    page
      .waitForFunction((wanted: string) => document.body.textContent?.includes(wanted), { timeout: 1000 }, text)
      .catch(() => null);
  do await page.keyboard.press(key);
  while ((await isSeen()) === null);
}

/** Waits until so many pieces stand on the shelf, each with its opening engraved. */
export async function seesCards(page: Page, count: number): Promise<void> {
  await page.waitForFunction(
    (wanted: number) =>
      document.querySelectorAll('[data-piece]').length === wanted &&
      document.querySelectorAll('[data-piece] figure[aria-busy=false]').length === wanted,
    {},
    count,
  );
}

/** Presses the button or link with this text. */
export async function press(page: Page, text: string): Promise<void> {
  await page.locator(`::-p-aria(${text})`).click();
}

/** Drops files on the window, as from a folder. */
export async function drop(
  page: Page,
  files: readonly { readonly name: string; readonly text: string }[],
): Promise<void> {
  await page.evaluate((given) => {
    const transfer = new DataTransfer();
    for (const { name, text } of given) transfer.items.add(new File([text], name));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));
  }, files);
}

/** Does something that saves a file, and reads what was saved. */
export async function saved(
  browser: Browser,
  action: () => Promise<void>,
): Promise<{ readonly name: string; readonly bytes: Uint8Array }> {
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-saved-'));
  const session = await browser.target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder, eventsEnabled: true });
  let name = '';
  const done = new Promise<void>((resolve, reject) => {
    session.on('Browser.downloadWillBegin', (event) => {
      name = event.suggestedFilename;
    });
    session.on('Browser.downloadProgress', (event) => {
      if (event.state === 'completed') resolve();
      if (event.state === 'canceled') reject(new Error('the download was cancelled'));
    });
  });
  await action();
  await done;
  await session.detach();
  return { name, bytes: new Uint8Array(readFileSync(join(folder, name))) };
}

export function textOf(page: Page, selector: string): Promise<string> {
  return page.$eval(selector, (found) => (found as HTMLElement).innerText);
}
