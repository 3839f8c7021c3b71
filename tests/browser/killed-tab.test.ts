import { describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { dayOf } from '@/core/calendar';
import { chance } from '../support/histories';
import { rounds } from '../support/rounds';
import { beginPiece, opensPiece } from './support/entering';
import { arriveAtShelf, goTo, newTab, type Teacher } from './support/teacher';

/** How many tabs each browser loses. */
const KILLS = [rounds(4, 50), rounds(4, 50)];

/** A window that has little to draw. Unit: px. */
const SMALL = { width: 640, height: 400 };

/** So long is a moment waited for at most that may never come, since the keys before it were lost on the way. Unit: ms. */
const MOMENT_MS = 300;

describe('a tab that is killed while a piece is entered', () => {
  it('has kept every key press that it showed as kept, time and again', async () => {
    // Browsers side by side, each with a studio of its own: while one waits another works.
    const teachers = await Promise.all(KILLS.map(() => arriveAtShelf()));
    await Promise.all(teachers.map((teacher, i) => killed(teacher, i + 1, KILLS[i] as number)));
    await Promise.all(teachers.map(({ leave }) => leave()));
  }, 900_000);

  it('has kept the words of a lesson that it showed as kept', async () => {
    const { browser, page: witness, leave } = await arriveAtShelf();
    await goTo(witness, '/pupils');
    const line = await witness.waitForSelector('[data-pupil]');
    const pupil = await line?.evaluate((found) => found.getAttribute('data-pupil'));
    // A note belongs to a day: one that is named, whatever day it is by the end of this.
    const address = `/lesson?pupil=${pupil}&day=${dayOf(Date.now())}`;
    for (const words of ['Sings it.', ' Left hand alone.']) {
      const victim = await newTab(browser, { size: SMALL });
      await goTo(victim, address);
      await victim.focus('[data-role=lesson-note]');
      await victim.keyboard.press('End');
      await victim.keyboard.type(words);
      await victim.waitForSelector('[data-role=note-kept][data-kept=true]');
      await crash(victim);
    }
    await goTo(witness, address);
    await witness.waitForFunction(
      () =>
        document.querySelector<HTMLTextAreaElement>('[data-role=lesson-note]')?.value === 'Sings it. Left hand alone.',
    );
    await leave();
  });

  /** Kills a tab so many times in the middle of entering; another one, which is never touched, looks into the store. */
  async function killed({ browser, page: witness }: Teacher, seed: number, times: number): Promise<void> {
    const luck = chance(seed);
    await witness.bringToFront();
    await goTo(witness, '/bench');
    const page = await newTab(browser);
    const pieces = [await beginPiece(page), await beginPiece(page), await beginPiece(page)];
    await page.close();
    for (let kill = 0; kill < times; kill += 1) {
      const id = pieces[kill % pieces.length] as string;
      const victim = await newTab(browser, { size: SMALL });
      let shown = 0;
      await victim.exposeFunction('showsKept', (steps: number) => {
        shown = Math.max(shown, steps);
      });
      await victim.evaluateOnNewDocument(watchKept);
      await opensPiece(victim, id);
      await victim.waitForSelector('[data-panel=steps]');
      const begun = await stepsShown(victim);
      const keys = Array.from({ length: 1 + luck.below(6) }, () => luck.of(['1', '2', '3', '4', '5'] as const));
      const pressed = Promise.all(keys.map((key) => victim.keyboard.press(key))).catch(() => undefined);
      // A seeded moment: once so many of the keys are shown.
      await victim
        .waitForFunction(
          (wanted: number) =>
            Number(/\d+/.exec(document.querySelector('[data-panel=steps]')?.textContent ?? '')?.[0]) >= wanted,
          { timeout: MOMENT_MS },
          begun + luck.below(keys.length + 1),
        )
        .catch(() => undefined);
      if (luck.below(2) === 0) await victim.close({ runBeforeUnload: false });
      else await crash(victim);
      void pressed;
      const { steps, music } = await keptOf(witness, id);
      expect({ seed, kill, isKept: steps >= shown, areOneState: steps === music, steps, shown }).toMatchObject({
        isKept: true,
        areOneState: true,
      });
    }
  }

  /** How many steps of a piece the history has, and of how many its music says that it comes. */
  async function keptOf(page: Page, id: string): Promise<{ readonly steps: number; readonly music: number }> {
    return page.evaluate(
      (piece) =>
        new Promise<{ readonly steps: number; readonly music: number }>((resolve) => {
          const opening = indexedDB.open('new-thumb');
          opening.onsuccess = () => {
            const reading = opening.result.transaction(['pieces', 'history']);
            const asked = reading.objectStore('pieces').get(piece);
            const history = reading.objectStore('history').getAll();
            reading.oncomplete = () => {
              opening.result.close();
              const heads = history.result as readonly Readonly<Record<string, unknown>>[];
              resolve({
                steps: heads.filter((head) => head['piece'] === piece && head['state'] === 'done').length,
                music: Number(/#(\d+)\//.exec(String(asked.result?.edition ?? ''))?.[1] ?? 0),
              });
            };
          };
        }),
      id,
    );
  }

  const stepsShown = (page: Page): Promise<number> =>
    page.$eval('[data-panel=steps]', (panel) => Number(/\d+/.exec(panel.textContent ?? '')?.[0]));

  /** Ends the process of a tab, as the system does when memory runs out. */
  async function crash(page: Page): Promise<void> {
    const crashed = new Promise<void>((resolve) => page.once('error', () => resolve()));
    const session = await page.createCDPSession();
    void session.send('Page.crash').catch(() => undefined);
    await crashed;
    // What is left of it is cleared away in its own time.
    void page.close({ runBeforeUnload: false }).catch(() => undefined);
  }
});

/** Runs in the page: tells how many steps it shows while it shows them as kept. */
function watchKept(): void {
  let told = -1;
  const look = (): void => {
    const steps = Number(/\d+/.exec(document.querySelector('[data-panel=steps]')?.textContent ?? '')?.[0] ?? 0);
    if (steps === told || !document.querySelector('[data-role=kept][data-kept=true]')) return;
    told = steps;
    (window as unknown as { readonly showsKept: (steps: number) => void }).showsKept(steps);
  };
  document.addEventListener('DOMContentLoaded', () =>
    new MutationObserver(look).observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    }),
  );
}
