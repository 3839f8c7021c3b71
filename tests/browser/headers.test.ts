/** What the browser lets each page do. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { arrive, home, openAt, type Teacher } from './support/teacher';

const PAGES = [
  '',
  'bench',
  'survey',
  'atlas',
  'pupils',
  'week',
  'settings',
  'enter',
  'fit',
  'handout',
  'stand',
  'practice',
];
const PLAYED_INTO = ['atlas', 'enter', 'practice'];

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arrive();
  page = teacher.page;
});
afterAll(() => teacher.leave());

const letsIn = (name: string): Promise<boolean> =>
  page.evaluate(
    (feature: string) =>
      (
        document as unknown as { readonly featurePolicy: { readonly allowsFeature: (name: string) => boolean } }
      ).featurePolicy.allowsFeature(feature),
    name,
  );

describe.each(PAGES)('/%s', (path) => {
  it('runs its own scripts only, stands in nobody’s frame, and tells nobody where the teacher was', async () => {
    const { headers } = await fetch(`${home()}/${path}`);
    const policy = headers.get('content-security-policy') ?? '';
    const scripts = policy.split('; ').find((part) => part.startsWith('script-src')) ?? '';
    expect(scripts).toMatch(/^script-src 'self'( 'sha256-[A-Za-z0-9+/]{43}=')+$/);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).toContain("object-src 'none'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('referrer-policy')).toBe('no-referrer');
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

it('a script that somebody puts into a page does not run', async () => {
  const other = await teacher.browser.newPage();
  await other.goto(home());
  const isRun = await other.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.planted = true';
    document.head.append(script);
    const image = document.createElement('img');
    image.setAttribute('onerror', 'window.planted = true');
    image.src = '/nothing-here';
    document.body.append(image);
    return new Promise((resolve) => {
      image.addEventListener('error', () => resolve('planted' in window));
    });
  });
  expect(isRun).toBe(false);
  await other.close();
});

it('MIDI keyboards and microphones are let in where one plays, and nowhere else', async () => {
  for (const path of ['', 'settings', ...PLAYED_INTO]) {
    await openAt(page, `/${path}`);
    expect([path, await letsIn('midi'), await letsIn('microphone')]).toEqual([
      path,
      PLAYED_INTO.includes(path),
      PLAYED_INTO.includes(path),
    ]);
    expect(await letsIn('camera')).toBe(false);
  }
});

it('the page is alone in its process', async () => {
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
});

it('route handlers, scripts and an address that is none say nosniff as well', async () => {
  for (const path of ['api/health', 'nowhere', 'service-worker.js']) {
    const { headers } = await fetch(`${home()}/${path}`);
    expect([path, headers.get('x-content-type-options')]).toEqual([path, 'nosniff']);
  }
});
