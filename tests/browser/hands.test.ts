/** What black keys force, as a teacher meets it: a piece without fingers, a scale that must change, a level and a reach that are set. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { musicXml } from '../support/build-piece';
import {
  arriveAtShelf,
  drop,
  goTo,
  press,
  saved,
  sees,
  seesCards,
  seesKey,
  textOf,
  type Teacher,
} from './support/teacher';

const SCALE = musicXml({
  title: 'Quay Steps',
  right: 'C4q/1 D4q/2 E4q/3 F4q/1 | G4q/2 A4q/3 B4q/4 C5q/5 | B4q/4 A4q/3 G4q/2 F4q/1 | E4q/3 D4q/2 C4h/1',
  mode: 'major',
});
const BARE = musicXml({ title: 'Bare Tune', right: 'C4q D4q E4q F4q | G4w', left: 'C3w | G3w', mode: 'major' });

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

/** The hand note of a kind, unfolded. */
async function unfolded(kind: string): Promise<string> {
  await teacher.page.waitForSelector(`[data-flag=${kind}]`);
  const isChosen = await teacher.page.$eval(
    `[data-flag=${kind}]`,
    (note) => note.getAttribute('aria-pressed') === 'true',
  );
  if (!isChosen) await teacher.page.click(`[data-flag=${kind}]`);
  await teacher.page.waitForSelector(`[data-flag=${kind}][aria-pressed=true]`);
  return textOf(teacher.page, `[data-flag=${kind}]`);
}

/** Chooses an answer in Settings and waits until it is kept. */
async function sets(name: string, value: string): Promise<void> {
  const choice = `input[name=${name}][value="${value}"]`;
  await teacher.page.waitForSelector(choice);
  await teacher.page.click(choice);
  await teacher.page.waitForSelector(`${choice}:checked`);
}

describe('fingers in another key', () => {
  it('change where black keys force it: with the reason, the costs, and a sentence for the pupil', async () => {
    await drop(teacher.page, [{ name: 'quay.xml', text: SCALE }]);
    await seesKey(teacher.page, 'C-major');
    await teacher.page.click('[data-key=F-major]');
    await seesKey(teacher.page, 'F-major');
    await sees(teacher.page, 'other fingers in bars 1, 2 and 3, because of black keys');
    const note = await unfolded('finger-change');
    expect(note).toContain('4 1 2 3 4 3 2 1 …');
    expect(note).toContain('because of which keys are black');
    expect(note).toMatch(/The old fingers cost the hand \d+\.\d, the new ones \d+\.\d/);
    expect(note).toContain('For the pupil: In bars 1, 2 and 3, start on B♭ with finger 4.');
  });

  it('are saved with the piece', async () => {
    const { bytes } = await saved(teacher.browser, () => press(teacher.page, 'Save MusicXML'));
    const fingers = [...new TextDecoder().decode(bytes).matchAll(/<fingering[^>]*>(\d)</g)]
      .map(([, finger]) => finger)
      .join('');
    expect(fingers).toBe('123412343214321');
  });

  it('are left alone where Settings say so, and what would be better is told all the same', async () => {
    await goTo(teacher.page, '/settings');
    await sets('fingering', 'keep');
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 13);
    await press(teacher.page, 'Quay Steps');
    await seesKey(teacher.page, 'F-major');
    await sees(teacher.page, 'other fingers would lie better');
    await press(teacher.page, 'Undo');
    await sees(teacher.page, 'because of black keys.');
  });

  it('are given to a piece that has none', async () => {
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 13);
    await drop(teacher.page, [{ name: 'bare.xml', text: BARE }]);
    await seesKey(teacher.page, 'C-major');
    await teacher.page.click('[data-key=D-major]');
    await seesKey(teacher.page, 'D-major');
    await sees(teacher.page, 'Right hand: F♯ under 3.');
  });
});

describe('level and reach', () => {
  it('are set in Settings; what the level does not allow is a must, with the least change that would help', async () => {
    await goTo(teacher.page, '/settings');
    await sets('level', '1');
    await goTo(teacher.page, '/bench?piece=echo-well&key=D-major');
    await seesKey(teacher.page, 'D-major');
    await teacher.page.waitForSelector('[data-flag][data-severity=must]');
    await sees(
      teacher.page,
      'The right hand cannot play this at level 1, because in bar 3 the hand would have to leave its one position; at level 2 it can.',
    );
    await sees(teacher.page, 'level 1, 206 mm');
  });

  it('a reach that is no reach is told, and changes nothing', async () => {
    await goTo(teacher.page, '/settings');
    const field = await teacher.page.waitForSelector('input[aria-label="Reach (mm)"]');
    await field?.click({ count: 3 });
    await teacher.page.keyboard.type('12 inches');
    await sees(teacher.page, 'It stays at 206 mm.');
    await teacher.page.keyboard.press('Tab');
    await press(teacher.page, 'age 9–10');
    await teacher.page.waitForFunction(
      () => (document.querySelector('input[aria-label="Reach (mm)"]') as HTMLInputElement).value === '165',
    );
    await press(teacher.page, 'Undo');
    await teacher.page.waitForFunction(
      () => (document.querySelector('input[aria-label="Reach (mm)"]') as HTMLInputElement).value === '206',
    );
  });
});
