import type { Page } from 'puppeteer-core';
import { goTo, home } from './teacher';

/** A new piece from nothing, by N, the opening and Enter. Gives its id. */
export async function beginPiece(page: Page, opening = ''): Promise<string> {
  // By the link, as a teacher goes: the engraver stays warm.
  if (!page.url().startsWith(home())) await goTo(page, '/');
  else if (page.url() !== `${home()}/`) await page.locator('header a[href="/"]').click();
  await page.waitForSelector('[data-role=new-piece]');
  await page.keyboard.press('n');
  await page.waitForSelector('[data-role=opening]:focus');
  await page.keyboard.type(opening);
  await page.keyboard.press('Enter');
  await page.waitForSelector('[data-role=entry][data-ready=true] figure[data-shown=true]');
  return new URL(page.url()).searchParams.get('piece') as string;
}

/** Opens a piece for entering, and waits until keys count. */
export async function opensPiece(page: Page, id: string): Promise<void> {
  await goTo(page, `/enter?piece=${id}`);
  await page.waitForSelector('[data-role=entry][data-ready=true]');
}

/** Waits until so many steps are entered and all that was pressed is kept. */
export async function hasSteps(page: Page, steps: number): Promise<void> {
  await page.waitForFunction(
    (wanted: number) =>
      document.querySelector('[data-panel=steps]')?.textContent === `Steps (${wanted})` &&
      document.querySelector('[data-role=kept][data-kept=true]') !== null,
    {},
    steps,
  );
}
