import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { musicXml } from '../support/build-piece';
import {
  arrive,
  arriveAtShelf,
  drop,
  goTo,
  newTab,
  press,
  saved,
  sees,
  seesCards,
  seesKey,
  textOf,
  type Teacher,
} from './support/teacher';

const OWN = musicXml({ title: 'Tin Roof', right: 'C4q/1 D4q/2 E4h/3', mode: 'major' });

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

describe('nothing is lost', () => {
  it('by a reload: piece, key and place stay', async () => {
    await drop(teacher.page, [{ name: 'tin-roof.xml', text: OWN }]);
    await seesKey(teacher.page, 'C-major');
    await teacher.page.click('[data-key=A-major]');
    await seesKey(teacher.page, 'A-major');
    await teacher.page.keyboard.press('ArrowRight');
    await teacher.page.waitForFunction(() => location.search.includes('at='));
    await teacher.page.reload();
    await seesKey(teacher.page, 'A-major');
    await sees(teacher.page, 'Tin Roof');
    expect(await textOf(teacher.page, '[data-role=moment]')).toBe('bar 1, beat 1');
  });

  it('by closing the tab: a new one has the piece, and opens it in the key last looked at', async () => {
    await teacher.page.close();
    const page = await newTab(teacher.browser);
    await goTo(page, '/');
    await seesCards(page, 13);
    await press(page, 'Tin Roof');
    await seesKey(page, 'A-major');
    Object.assign(teacher, { page });
  });

  it('by the back button: it goes through the keys that were looked at', async () => {
    await teacher.page.click('[data-key=D-major]');
    await seesKey(teacher.page, 'D-major');
    await teacher.page.goBack();
    await seesKey(teacher.page, 'A-major');
  });

  it('by taking a piece off the shelf: undo puts it back', async () => {
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 13);
    await press(teacher.page, 'Take “Tin Roof” off the shelf');
    await seesCards(teacher.page, 12);
    await press(teacher.page, 'Undo');
    await seesCards(teacher.page, 13);
  });

  it('by putting the demo away: one press, and undo by keyboard brings it back', async () => {
    await press(teacher.page, 'Put the demo away');
    await seesCards(teacher.page, 1);
    await teacher.page.keyboard.down('Control');
    await teacher.page.keyboard.press('z');
    await teacher.page.keyboard.up('Control');
    await seesCards(teacher.page, 13);
  });

  it('by another machine: the studio goes into one file and comes back from it', async () => {
    await goTo(teacher.page, '/settings');
    const file = await saved(teacher.browser, () => press(teacher.page, 'Save the studio'));
    expect(file.name).toMatch(/^studio-\d{4}-\d\d-\d\d\.newthumb-studio\.json$/);
    const elsewhere = await arrive();
    await goTo(elsewhere.page, '/settings');
    const path = join(mkdtempSync(join(tmpdir(), 'new-thumb-studio-')), file.name);
    writeFileSync(path, file.bytes);
    const input = (await elsewhere.page.waitForSelector('[data-role=studio-file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await elsewhere.page.waitForSelector('[data-role=file-preview]');
    await press(elsewhere.page, 'Take it in');
    await sees(elsewhere.page, 'The file is taken in: 13 pieces');
    await goTo(elsewhere.page, '/');
    await seesCards(elsewhere.page, 13);
    await elsewhere.leave();
  });

  it('by a studio file that is none: it is refused, and nothing is changed', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'new-thumb-studio-')), 'holiday.json');
    writeFileSync(path, '{"photos":[]}');
    const input = (await teacher.page.waitForSelector('[data-role=studio-file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await sees(teacher.page, 'Nothing was changed');
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 13);
  });
});

describe('a note’s spelling', () => {
  it('is the teacher’s to choose, stays so over a reload, and can be taken back', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=D-major&at=1:3');
    await seesKey(teacher.page, 'D-major');
    const takesUp = async (name: string): Promise<void> => {
      await teacher.page.click('#tab-note');
      await press(teacher.page, name);
    };
    await takesUp('F♯4 right');
    await press(teacher.page, 'write as G♭4');
    await sees(teacher.page, 'write as F♯4');
    await teacher.page.reload();
    await seesKey(teacher.page, 'D-major');
    await takesUp('G♭4 right');
    await sees(teacher.page, 'write as F♯4');
    await teacher.page.waitForSelector('[data-role=paper] >>> g.note[id^=after-] g.accid');
    await press(teacher.page, 'Undo');
    await sees(teacher.page, 'write as G♭4');
  });
});

describe('the piece’s own key', () => {
  it('is overruled by the teacher, and the Bench follows', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk');
    await seesKey(teacher.page, 'C-major');
    await teacher.page.select('[data-role=own-key]', 'A-minor');
    await seesKey(teacher.page, 'A-minor');
    await teacher.page.waitForSelector('[data-key=D-minor]');
    await press(teacher.page, 'Undo');
    await seesKey(teacher.page, 'C-major');
  });
});
