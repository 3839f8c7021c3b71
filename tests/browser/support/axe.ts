import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults, RunOptions } from 'axe-core';
import type { Page } from 'puppeteer-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Axe {
  readonly run: (options: RunOptions) => Promise<AxeResults>;
}

/** What axe looks at: everything, or what a second look of the same screen can have wrong. */
export type Rules = 'all' | 'colours';

/** What axe finds against the screen as it is, by rule and place. */
export async function findings(page: Page, rules: Rules = 'all'): Promise<readonly string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) {
    await page.evaluate(AXE);
    // Colours on their way from one look to the other are neither's.
    await page.addStyleTag({ content: '* { transition: none !important; }' });
  }
  // Only what is wrong is worked out in full, and nothing else is sent here: most of the time went into that.
  const options: RunOptions = {
    resultTypes: ['violations'],
    // It would read every style sheet for rules that none of these looks asks.
    preload: false,
    ...(rules === 'all' ? {} : { runOnly: ['color-contrast'] }),
  };
  return page.evaluate(async (wanted) => {
    const { violations } = await (window as unknown as { axe: Axe }).axe.run(wanted);
    return violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`));
  }, options);
}

/** What axe finds by day, and against the colours by lamplight. The day is left. */
export async function findingsInBothLooks(page: Page): Promise<readonly string[]> {
  const byDay = await findings(page);
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'lamplight'));
  const byLamplight = await findings(page, 'colours');
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'paper'));
  return [...byDay, ...byLamplight];
}

/** How far the window can be scrolled sideways. Unit: px. */
export function overflow(page: Page): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
}
