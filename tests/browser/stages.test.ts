/** A piece made easier: from its first stage to the whole, as a teacher goes through it on the Bench. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { pitchText } from '@/core/pitch';
import { musicXml } from '../support/build-piece';
import { open } from '../support/open';
import { arriveAtShelf, drop, goTo, press, saved, sees, seesKey, textOf, type Teacher } from './support/teacher';

/** A tune that leaps an octave over octaves that are broken. */
const GATE = musicXml({
  title: 'Gate and Garden',
  right: 'C4q/1 D4q/2 E4q/3 F4q/4 | C5q/1 D5q/2 E5q/3 F5q/4 | E4h/3 D4h/2 | C4w/1',
  left: 'C2q/5 C3q/1 C2q/5 C3q/1 | G2q/5 G3q/1 G2q/5 G3q/1 | C2q/5 C3q/1 G2q/5 G3q/1 | C2q/5 C3q/1 C2h/5',
  mode: 'major',
});

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
  await drop(page, [{ name: 'gate.musicxml', text: GATE }]);
  const link = await page.waitForSelector('::-p-aria(Gate and Garden)');
  await link?.click();
  await seesKey(page, 'C-major');
});
afterAll(() => teacher.leave());

const rail = (): Promise<readonly string[]> =>
  page.$$eval('[data-stage]', (stops) => stops.map((stop) => stop.getAttribute('data-stage') ?? ''));
const shows = (stage: string) =>
  page.waitForFunction(
    (wanted: string) =>
      document.querySelector('[data-stage][aria-current]')?.getAttribute('data-stage') === wanted &&
      document.querySelector(
        `[data-role=paper][data-stage-shown="${wanted}"] figure[aria-busy=false][data-shown=true]`,
      ) !== null,
    {},
    stage,
  );
const railIs = (wanted: readonly string[]) =>
  page.waitForFunction(
    (ids: string) =>
      [...document.querySelectorAll('[data-stage]')].map((stop) => stop.getAttribute('data-stage')).join() === ids,
    {},
    wanted.join(),
  );
const click = (selector: string) => page.locator(selector).click();
/** The stage that is shown, as it is saved. */
const savedStage = async () => {
  const { name, bytes } = await saved(teacher.browser, () => page.keyboard.press('s'));
  return { name, notes: open(new TextDecoder().decode(bytes)).notes };
};

describe('a tune that leaps an octave over broken octaves', () => {
  it('has its stages under the keys by one press, each with what is easier and what comes back', async () => {
    await page.keyboard.press('l');
    await page.waitForSelector('[data-stage=whole]');
    expect(await rail()).toEqual(expect.arrayContaining(['beats', 'one-place', 'beats-together', 'whole']));
    expect((await rail()).at(-1)).toBe('whole');
  });

  it('is gone through from the first stage to the whole by one key', async () => {
    const stages = await rail();
    for (const stage of stages) {
      await page.keyboard.press('.');
      await shows(stage);
      const line = await textOf(page, '[data-role=stage-line]');
      expect(line).toMatch(stage === 'whole' ? /^Nothing is left out/ : /^Easier now: .+\. Next: .+\.$/);
    }
    expect(new URL(page.url()).searchParams.get('stage')).toBeNull();
  });

  it('is the whole again once the rail is put away: nothing is left out unsaid', async () => {
    await page.keyboard.press('.');
    await page.waitForFunction(() => new URL(location.href).searchParams.get('stage') !== null);
    await click('[data-role=stages]');
    await page.waitForFunction(
      () =>
        new URL(location.href).searchParams.get('stage') === null &&
        document.querySelector('[data-role=stage-rail]') === null &&
        document.querySelector('[data-role=stages]')?.getAttribute('aria-expanded') === 'false',
    );
    await page.keyboard.press('l');
    await page.waitForSelector('[data-stage=whole][aria-current]');
  });

  it('is kept in one place first, and saved so under the name of the stage', async () => {
    await click('[data-stage=one-place]');
    await shows('one-place');
    const { name, notes } = await savedStage();
    expect(name).toBe('gate-and-garden-one-place-in-C.musicxml');
    const right = notes.filter(({ hand }) => hand === 'right');
    expect(right.map(({ pitch }) => pitchText(pitch)).join(' ')).toBe('C4 D4 E4 F4 C4 D4 E4 F4 E4 D4 C4');
  });

  it('shows the beats of the left hand with finger 5, what is left out faint in the whole where that is wanted', async () => {
    await click('[data-stage=beats]');
    await shows('beats');
    expect(new Set((await savedStage()).notes.map(({ hand, finger }) => `${hand} ${finger}`))).toEqual(
      new Set(['left 5']),
    );
    await page.select('[data-role=left-out]', 'faint');
    await page.waitForFunction(
      () => document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelectorAll('.is-faint').length === 36,
    );
    await page.select('[data-role=left-out]', 'absent');
  });

  it('gives a finger to one stage alone, and takes it back', async () => {
    await click('[data-stage=right-alone]');
    await shows('right-alone');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('2');
    await page.waitForSelector('button[title*="finger 2 on C"]');
    // What is seen is what is saved.
    await page.waitForSelector('[data-finger="2"][data-hand=right][data-down=true]');
    expect((await savedStage()).notes[0]?.finger).toBe(2);
    await click('[data-stage=whole]');
    await shows('whole');
    expect((await savedStage()).notes.find(({ hand }) => hand === 'right')?.finger).toBe(1);
    await click('button[title*="finger 2 on C"]');
    await page.waitForFunction(() => document.querySelector('button[title*="finger 2 on C"]') === null);
  });
});

describe('the order of the stages', () => {
  it('is the teacher’s by keyboard: the last but one is carried to the front', async () => {
    const before = await rail();
    const moving = before.at(-2) as string;
    await click('[data-role=arrange-stages]');
    const grip = `[data-entry="${moving}"] button[aria-roledescription]`;
    await page.waitForSelector(grip);
    const words = (await textOf(page, `[data-entry="${moving}"] span`)).replace(/^\d+\. /, '');
    await page.focus(grip);
    await page.keyboard.press('Space');
    await page.waitForSelector(`${grip}[aria-pressed=true]`);
    // Carried, it hears the arrows; the note that is taken up does not. A key that comes before the places are measured is pressed until it is heard.
    const isAbove = (): Promise<unknown> =>
      page
        .waitForFunction(
          (own: string) => {
            const said = document.querySelector('[id^=DndLiveRegion]')?.textContent ?? '';
            const [, from, to] = /^(.+) is at the place of (.+)\.$/.exec(said) ?? [];
            return from === own && to !== own;
          },
          { timeout: 1000 },
          words,
        )
        .catch(() => null);
    do await page.keyboard.press('ArrowUp');
    while ((await isAbove()) === null);
    await page.keyboard.press('Space');
    await page.waitForFunction(
      (id: string, ids: string) => {
        const now = [...document.querySelectorAll('[data-stage]')].map((stop) => stop.getAttribute('data-stage'));
        return now.indexOf(id) < ids.split(',').indexOf(id);
      },
      {},
      moving,
      before.join(),
    );
    await page.reload();
    await page.waitForSelector('[data-stage=whole]');
    expect((await rail()).indexOf(moving)).toBeLessThan(before.indexOf(moving));
  });

  it('loses a stage by one press, and has it back by another', async () => {
    const before = await rail();
    await click('[data-role=arrange-stages]');
    await click('[data-entry=blocked] button[aria-label^="Leave out"]');
    await railIs(before.filter((id) => id !== 'blocked'));
    await click('[data-role=more-stages] summary');
    await click('[data-spare=blocked] button[aria-label^="Take in"]');
    await railIs(before);
  });

  it('takes a stage of the teacher’s own: any bars, any hand, made easier', async () => {
    await click('[data-role=own-stage] summary');
    await page.type('[data-role=own-stage] input[name=title]', 'Garden wall');
    await page.type('[data-role=own-stage] input[name=bars]', '2-9');
    await click('[data-role=own-stage] button[type=submit]');
    await sees(page, '1 to 4');
    await page.locator('[data-role=own-stage] input[name=bars]').fill('2-3');
    await page.select('[data-role=own-stage] select[name=hand]', 'left');
    await click('[data-role=own-stage] [data-easing=blocked]');
    await click('[data-role=own-stage] button[type=submit]');
    await page.waitForFunction(() =>
      document.querySelector('[data-stage][aria-current]')?.textContent?.includes('Garden wall'),
    );
    await page.waitForSelector('[data-role=paper] figure[aria-busy=false][data-shown=true]');
    const { notes } = await savedStage();
    expect(notes.map(({ bar, pitch }) => `${bar} ${pitchText(pitch)}`)).toEqual([
      '2 G2',
      '2 G3',
      '3 C2',
      '3 C3',
      '3 G2',
      '3 G3',
    ]);
  });

  it('follows the piece into another key: the same stage in D', async () => {
    await page.keyboard.press('d');
    await seesKey(page, 'D-major');
    const { name, notes } = await savedStage();
    expect(name).toMatch(/-in-D\.musicxml$/);
    expect(notes.map(({ pitch }) => pitchText(pitch))).toEqual(['A2', 'A3', 'D2', 'D3', 'A2', 'A3']);
  });

  it('is printed as it is shown, without what stands around the music', async () => {
    await page.emulateMediaType('print');
    expect(await page.$eval('[data-role=stage-rail]', (found) => getComputedStyle(found).display)).toBe('none');
    const pdf = await page.pdf({ format: 'a4' });
    expect(new TextDecoder('latin1').decode(pdf.slice(0, 5))).toBe('%PDF-');
    await page.emulateMediaType('screen');
  });

  it('goes onto the shelf as a piece of its own that knows where it came from', async () => {
    await click('[data-role=stage-on-shelf]');
    await sees(page, '“Gate and Garden: Garden wall” is on the shelf now.');
    await goTo(page, '/');
    const card = await page.waitForSelector('::-p-aria(Gate and Garden: Garden wall)');
    await card?.click();
    await page.waitForSelector('[data-role=stage-of]');
    expect(await textOf(page, '[data-role=stage-of]')).toBe('Stage of Gate and Garden');
    await click('[data-role=stage-of]');
    await page.waitForFunction(() =>
      document.querySelector('[data-stage][aria-current]')?.textContent?.includes('Garden wall'),
    );
  });

  it('goes along in a piece file, and comes back with it', async () => {
    const { name, bytes } = await saved(teacher.browser, async () => {
      await press(page, 'Save in another format');
      await press(page, 'New Thumb piece');
    });
    expect(name).toMatch(/\.newthumb$/);
    const { stages } = JSON.parse(new TextDecoder().decode(bytes)) as { stages: { ownStages: { title: string }[] } };
    expect(stages.ownStages.map(({ title }) => title)).toEqual(['Garden wall']);
    const before = new URL(page.url()).searchParams.get('piece');
    await drop(page, [{ name, text: new TextDecoder().decode(bytes) }]);
    await page.waitForFunction(
      (piece: string | null) => new URL(location.href).searchParams.get('piece') !== piece,
      {},
      before,
    );
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[data-stage]')].some((stop) => stop.textContent?.includes('Garden wall')),
    );
    await page.goBack();
    await page.waitForFunction(
      (piece: string | null) => new URL(location.href).searchParams.get('piece') === piece,
      {},
      before,
    );
    await page.waitForFunction(() =>
      document.querySelector('[data-stage][aria-current]')?.textContent?.includes('Garden wall'),
    );
  });
});

describe('stages and keys', () => {
  it('say at a glance what can be played today, and the way goes into the plan by one press', async () => {
    await goTo(page, '/survey?piece=market-chords&show=stages&to=D-major&pupil=demo-tam');
    await page.waitForSelector('[data-role=stages-by-key][data-whole=true]');
    const states = await page.$$eval('[data-stage-row=whole] [data-state]', (cells) =>
      cells.map((cell) => `${cell.getAttribute('data-key')} ${cell.getAttribute('data-state')}`),
    );
    expect(states.slice(0, 5)).toEqual([
      'C-major today',
      'G-major today',
      'F-major today',
      'D-major today',
      'Bb-major new-key',
    ]);
    const steps = await page.$$eval('[data-step]', (found) => found.map((step) => step.getAttribute('data-step')));
    expect(steps).toEqual([
      'right-alone/C-major',
      'roots-alone/C-major',
      'roots/C-major',
      'left-alone/C-major',
      'whole/D-major',
    ]);
    await click('[data-role=way-into-plan]');
    await sees(page, '5 steps put into Tam Oakhollow’s plan.');
    await click('[data-role=way-into-plan]');
    await sees(page, 'Tam Oakhollow has this way already.');
  });

  it('complained of nothing', () => {
    expect(teacher.complaints).toEqual([]);
    expect(teacher.strangers).toEqual([]);
  });
});
