import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { arrive, goTo, press, sees, seesCards, seesKey, textOf, type Teacher } from './support/teacher';

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arrive();
});
afterAll(() => teacher.leave());

describe('a first visit', () => {
  it('finds the demo studio on the shelf, marked as such', async () => {
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 12);
    await sees(teacher.page, 'Demo studio “The Tin Lantern”');
    expect(await textOf(teacher.page, '[data-piece=lantern-walk]')).toContain('Hands stay put in C');
    expect(await textOf(teacher.page, '[data-piece=two-boats]')).toContain('Both hands want C4');
  });

  it('has a first result one press away: a piece moved to D, before above after', async () => {
    await press(teacher.page, 'See “Lantern Walk” moved to D');
    await seesKey(teacher.page, 'D-major');
    expect(teacher.page.url()).toContain('piece=lantern-walk');
    expect(await textOf(teacher.page, '[data-role=summary]')).toBe('Right hand: F♯ under 3.\n\nLeft hand: F♯ under 3.');
    const count = (part: string): Promise<number> =>
      teacher.page.$$eval(`[data-role=paper] >>> ${part}`, (found) => found.length);
    const drawn = {
      before: await count('g.note[id^=before-]'),
      after: await count('g.note[id^=after-]'),
      fingers: await count('g.fing'),
      signs: await count('g.keySig g.keyAccid'),
    };
    expect(drawn.before).toBe(drawn.after);
    expect(drawn.before).toBeGreaterThan(40);
    expect(drawn.fingers).toBe(drawn.before + drawn.after);
    // Two sharps in each staff of D, on each of two systems.
    expect(drawn.signs).toBe(8);
  });

  it('puts note under note: both versions agree on where each note stands', async () => {
    const offsets = await teacher.page.$$eval('[data-role=paper] >>> g.note[id^=before-]', (notes) =>
      notes.map((note) => {
        const under = (note.getRootNode() as ShadowRoot).getElementById(note.id.replace('before-', 'after-'));
        const head = (of: Element | null): number =>
          of?.querySelector('.notehead')?.getBoundingClientRect().x ?? Number.NaN;
        return Math.abs(head(note) - head(under));
      }),
    );
    expect(Math.max(...offsets)).toBeLessThanOrEqual(2);
  });

  it('shows the fingers on the keyboard at the chosen moment: 3 on F♯', async () => {
    await teacher.page.waitForSelector('[data-role=keyboard] [data-midi]');
    for (const moment of ['bar 1, beat 1', 'bar 1, beat 2', 'bar 1, beat 3']) {
      await teacher.page.keyboard.press('ArrowRight');
      await teacher.page.waitForFunction(
        (wanted: string) => document.querySelector('[data-role=moment]')?.textContent === wanted,
        {},
        moment,
      );
    }
    await teacher.page.waitForSelector('[data-role=keyboard] [data-hand=right][data-midi="66"][data-down=true]');
    const finger = await teacher.page.$eval('[data-role=keyboard] [data-hand=right][data-midi="66"]', (tip) =>
      tip.getAttribute('data-finger'),
    );
    expect(finger).toBe('3');
    expect(await textOf(teacher.page, '[data-role=moment]')).toBe('bar 1, beat 3');
    expect(await teacher.page.$$eval('[data-role=paper] >>> g.note.is-now', (notes) => notes.length)).toBe(4);
  });

  it('has the font for the note in the metronome mark', async () => {
    await teacher.page.waitForFunction(
      () =>
        document.fonts.check('20px Bravura', '\uECA5') &&
        [...document.fonts].some(({ family, status }) => /Bravura/.test(family) && status === 'loaded'),
    );
  });

  it('asks no other machine for anything, and nothing complains', () => {
    expect(teacher.strangers).toEqual([]);
    expect(teacher.complaints).toEqual([]);
  });
});

describe('hand notes', () => {
  it('point at their notes in both versions and say what to do', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=Eb-major');
    await seesKey(teacher.page, 'Eb-major');
    await (await teacher.page.waitForSelector('[data-flag=thumb-on-black]'))?.click();
    await teacher.page.waitForSelector('[data-role=paper] >>> g.note.is-pointed');
    const pointed = await teacher.page.$$eval('[data-role=paper] >>> g.note.is-pointed', (notes) =>
      notes.map(({ id }) => id.split('-')[0]),
    );
    expect(new Set(pointed)).toEqual(new Set(['before', 'after']));
    await sees(teacher.page, 'Let the whole hand move in to the fallboard');
  });

  it('say what all stays as it was', async () => {
    await teacher.page.click('[data-key=G-major]');
    await seesKey(teacher.page, 'G-major');
    expect(await textOf(teacher.page, '[data-role=summary]')).toBe(
      'All stays as it is: the same fingers, white keys only.',
    );
  });
});
