/** A pupil's evening with the steps that the teacher set, from the plan to the last step, and what the teacher reads of it afterwards. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { musicXml } from '../support/build-piece';
import { arriveAtShelf, drop, goTo, press, saved, sees, seesKey, textOf, type Teacher } from './support/teacher';

/** Two bars, soon over: both hands stay in one place, and F is sharp in D. */
const TUNE = musicXml({
  title: 'Two Gates',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4h/5 C4h/1',
  left: 'C3w/5 | G3w/1',
  mode: 'major',
  extra: { 1: '<direction><direction-type><words>Lively</words></direction-type><sound tempo="200"/></direction>' },
});

let teacher: Teacher;
let page: Page;
let piece: string;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
  await drop(page, [{ name: 'two-gates.musicxml', text: TUNE }]);
  await seesKey(page, 'C-major');
  piece = new URL(page.url()).searchParams.get('piece') ?? '';
});
afterAll(() => teacher.leave());

const click = (selector: string, on: Page = page) => on.locator(selector).click();
const step = (id: string, on: Page = page): Promise<unknown> =>
  on.waitForSelector(`[data-role=practice][data-step="${id}"]`);
const inARow = (count: number): Promise<unknown> =>
  page.waitForSelector(`[data-role=in-a-row][data-in-a-row="${count}"]`);
const query = (name: string): string | null => new URL(page.url()).searchParams.get(name);

/** The simulated pupil plays what is shown once, in its way. */
async function plays(weakness: string): Promise<void> {
  await page.select('[data-role=weakness]', weakness);
  await click('[data-role=let-play]:not([disabled])');
  await page.waitForSelector('[data-role=run][data-state=listening]');
  await page.waitForSelector('[data-role=judged]');
}

/** One key of the computer's, which is not how the call begins, and no more. */
async function answersWrong(): Promise<void> {
  await page.waitForSelector('[data-role=echo-said][data-is=answering]');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
}

async function change(id: string, choices: Readonly<Record<string, string>>): Promise<void> {
  await click(`[data-entry="${id}"] [data-role=edit-step]`);
  // As fast as one may: an evening is short.
  await page.focus('[data-role=step-tempo]');
  await page.keyboard.press('End');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('[data-role=step-tempo]')?.value === '120');
  for (const [role, value] of Object.entries(choices)) {
    await page.select(`[data-role=${role}]`, value);
    await page.waitForFunction(
      (name: string, wanted: string) =>
        document.querySelector<HTMLSelectElement>(`[data-role=${name}]`)?.value === wanted,
      {},
      role,
      value,
    );
  }
  await click(`[data-entry="${id}"] [data-role=edit-step]`);
}

describe('the teacher', () => {
  it('plans a key for a pupil, and comes from there to the steps in one press', async () => {
    await goTo(page, `/survey?piece=${piece}&pupil=demo-tam&keys=D-major`);
    await click('[data-role=put-into-plan]');
    await click('[data-role=practise-planned]');
    await step('warm-up-right');
    await sees(page, 'Two Gates, in D major');
    expect([query('pupil'), query('key')]).toEqual(['demo-tam', 'D-major']);
    const states = await page.$$eval('[data-role=step-trail] button', (all) => all.map((one) => one.dataset['state']));
    expect([states[0], new Set(states.slice(1))]).toEqual(['open', new Set(['shut'])]);
  });

  it('takes out what is too much for one evening, and sets how often and how fast', async () => {
    await click('[data-role=arrange-steps]');
    await sees(page, 'These steps are proposed.');
    for (const id of ['warm-up-left', 'alone-left', 'fingers', 'saying', 'counting', 'slow', 'pulse']) {
      await click(`[data-entry="${id}"] [data-role=remove-step]`);
      await page.waitForSelector(`[data-entry="${id}"]`, { hidden: true });
    }
    await sees(page, 'These steps are yours, for D major.');
    await change('alone-right', { 'step-times': '2' });
    await change('echo', { 'bars-to': '0' });
    await change('warm-up-right', {});
    await change('memory', {});
    expect(await textOf(page, '[data-entry=alone-right]')).toContain('clean 2 times in a row');
    await page.select('[data-role=add-step]', 'own');
    await page.waitForSelector('[data-role=step-form]');
    await page.type('[data-role=step-words]', 'Play the last bar for grandmother.');
    await page.select('[data-role=bars-from]', '1');
    await page.waitForFunction(() => document.body.innerText.includes('Both hands, bar 2'));
    await page.select('[data-role=step-way]', 'tick');
    await page.waitForFunction(() => document.querySelectorAll('[data-entry]').length === 6);
    await click('[data-role=arrange-steps]');
    await step('warm-up-right');
    expect(await page.$$('[data-role=step-trail] li')).toHaveLength(6);
  });
});

describe('the pupil’s evening', () => {
  it('begins with the five fingers of the key; the next step opens when it was clean', async () => {
    await page.select('[data-role=instrument]', 'simulated');
    await page.waitForSelector('[data-role=weakness]');
    await plays('');
    await sees(page, 'This step is done.');
    await page.keyboard.press('Enter');
    await step('tapping');
  });

  it('ticks what nobody can hear', async () => {
    await sees(page, 'Close the lid.');
    await click('[data-role=tick]');
    await step('alone-right');
    await sees(page, 'Clean two times in a row, and it is done.');
  });

  it('follows the next thing to do after a run that was not clean, and comes back', async () => {
    await plays('forgets-signature');
    await sees(page, 'F instead of F♯: the signature has F♯.');
    await page.waitForFunction(
      () =>
        (document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.is-wrong').length ?? 0) > 0,
    );
    await inARow(0);
    await click('[data-role=go-next]');
    await page.waitForSelector('[data-role=back-to-step]');
    expect([query('step'), query('of'), query('hand')]).toEqual([null, 'alone-right', 'right']);
    await page.waitForSelector('[data-role=practice-paper] figure[aria-busy=false]');
    await page.select('[data-role=instrument]', 'simulated');
    await page.waitForSelector('[data-role=weakness]');
    await plays('');
    await sees(page, 'Clean: all');
    await click('[data-role=back-to-step]');
    await step('alone-right');
  });

  it('has to be clean twice in a row', async () => {
    await page.select('[data-role=instrument]', 'simulated');
    await page.waitForSelector('[data-role=weakness]');
    await plays('');
    await inARow(1);
    expect(await page.$('[data-role=onward]')).toBeNull();
    await plays('');
    await inARow(2);
    await click('[data-role=onward]');
    await step('echo');
  });

  it('answers by ear what is played: wrong twice, it comes in halves, and is joined again', async () => {
    expect(await page.$('[data-role=practice-paper]')).toBeNull();
    await page.select('[data-role=instrument]', 'screen');
    await click('[data-role=echo]');
    await answersWrong();
    await page.waitForSelector('[data-role=echo-said][data-told=wrong]');
    await answersWrong();
    await page.waitForSelector('[data-role=echo-said][data-told=cut]');
    expect(await page.$eval('[data-role=echo-said]', (said) => said.getAttribute('data-left'))).toBe('3');
    await page.select('[data-role=instrument]', 'simulated');
    await page.waitForSelector('[data-role=echo-said][data-told=right][data-left="2"]');
    await page.waitForSelector('[data-role=echo-said][data-told=right][data-left="1"]');
    await page.waitForSelector('[data-role=echo-said][data-is=done]');
    await click('[data-role=onward]');
    await step('memory');
  });

  it('plays from memory, with the page away until it was played', async () => {
    expect(await page.$eval('[data-role=practice-paper]', (paper) => (paper as HTMLElement).hidden)).toBe(true);
    await plays('');
    expect(await page.$eval('[data-role=practice-paper]', (paper) => (paper as HTMLElement).hidden)).toBe(false);
    await click('[data-role=onward]');
    await sees(page, 'Play the last bar for grandmother.');
  });

  it('ends with the last step; a step that is done can be gone to again', async () => {
    await page.waitForSelector('[data-role=tick]');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=all-done]');
    await click('[data-step=warm-up-right]');
    await step('warm-up-right');
    await sees(page, 'This step is done.');
  });
});

describe('the teacher afterwards', () => {
  const runs = (count: number): Promise<unknown> => page.waitForSelector(`[data-role=record][data-runs="${count}"]`);

  it('reads what was practised and how it went', async () => {
    await click('[data-role=to-record]');
    await runs(9);
    await sees(page, 'What Tam Oakhollow played: Two Gates');
    const outcomes = await page.$$eval('[data-run]', (all) => all.map((run) => run.getAttribute('data-outcome')));
    expect(outcomes.filter((outcome) => outcome === 'unclean')).toHaveLength(1);
    expect(outcomes.filter((outcome) => outcome === 'ticked')).toHaveLength(2);
    await sees(page, 'signature forgotten');
  });

  it('hears a run beside its page, with what went wrong marked on the notes', async () => {
    await click('[data-run][data-outcome=unclean]');
    await sees(page, 'F instead of F♯: the signature has F♯.');
    await page.waitForFunction(
      () =>
        (document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.is-wrong').length ?? 0) > 0,
    );
    await click('[data-role=hear-again]');
    await page.waitForSelector('[data-role=hear-again][aria-pressed=true]');
    await page.waitForSelector('[data-role=hear-again][aria-pressed=false]');
    expect(await page.$('[data-role=go-next]')).toBeNull();
  });

  it('deletes a run by one press, and has it back by another', async () => {
    await click('li:has([data-outcome=unclean]) [data-role=delete-run]');
    await runs(8);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await runs(9);
  });
});

describe('a piece file', () => {
  it('takes the teacher’s steps along', async () => {
    await goTo(page, `/bench?piece=${piece}&key=D-major`);
    await seesKey(page, 'D-major');
    const { name, bytes } = await saved(teacher.browser, async () => {
      await press(page, 'Save in another format');
      await press(page, 'New Thumb piece');
    });
    await drop(page, [{ name, text: new TextDecoder().decode(bytes) }]);
    await page.waitForFunction(
      (before: string) => ![null, before].includes(new URL(location.href).searchParams.get('piece')),
      {},
      piece,
    );
    await goTo(page, `/practice?piece=${query('piece')}&key=D-major&pupil=demo-tam&step=next`);
    await step('warm-up-right');
    expect(await page.$$('[data-role=step-trail] li')).toHaveLength(6);
    await sees(page, 'Clean once, and it is done.');
  });
});

describe('a hand-over file', () => {
  it('opens at the first step on the pupil’s own machine, with the steps that the teacher set', async () => {
    const pupil = await arriveAtShelf();
    const stepsAtHome = async (count: number): Promise<void> => {
      await goTo(page, `/survey?piece=${piece}&pupil=demo-tam`);
      await click('[data-role=hand-over-menu]');
      const { name, bytes } = await saved(teacher.browser, () => click('[data-role=hand-over]'));
      expect(name).toBe('tam-oakhollow.newthumb-handover.json');
      await drop(pupil.page, [{ name, text: new TextDecoder().decode(bytes) }]);
      await click('[data-role=take-it-in]', pupil.page);
      await pupil.page.waitForSelector('[data-role=practice] [data-role=step-trail]');
      // Of all that is planned the demo’s comes first.
      await goTo(pupil.page, `/practice?piece=${piece}&key=D-major&pupil=demo-tam&step=next`);
      await pupil.page.waitForFunction(
        (wanted: number) => document.querySelectorAll('[data-role=step-trail] li').length === wanted,
        {},
        count,
      );
    };
    await stepsAtHome(6);
    await step('warm-up-right', pupil.page);
    await sees(pupil.page, 'Two Gates, in D major');
    // The next week there is less to do.
    await goTo(page, `/practice?piece=${piece}&key=D-major&pupil=demo-tam&step=next&show=arrange`);
    await click('[data-entry=tapping] [data-role=remove-step]');
    await page.waitForSelector('[data-entry=tapping]', { hidden: true });
    await stepsAtHome(5);
    expect(pupil.complaints).toEqual([]);
    await pupil.leave();
  });

  it('that is damaged changes nothing, and says so', async () => {
    await drop(page, [{ name: 'tam.newthumb-handover.json', text: '{"newThumb": "hand' }]);
    await sees(page, 'tam.newthumb-handover.json: This file is no studio file');
  });
});

it('asked nothing of the network, and complained of nothing', () => {
  expect(teacher.strangers).toEqual([]);
  expect(teacher.complaints).toEqual([]);
});
