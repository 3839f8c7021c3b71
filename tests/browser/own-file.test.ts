import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { asWritten, saveAs } from '@/core/piece';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { musicXml } from '../support/build-piece';
import { demoFile } from '../support/demo-pieces';
import { open } from '../support/open';
import { createVerovio, pitchesOf } from '../support/verovio';
import { pitchText } from '@/core/pitch';
import { arriveAtShelf, drop, goTo, press, saved, sees, seesCards, seesKey, type Teacher } from './support/teacher';

const OWN = musicXml({
  title: 'Rain Barrel',
  right: 'C4q/1 D4q/2 E4q/3 F#4q/4 | G4w/5',
  left: 'C3w/5 | G3w/1',
  mode: 'major',
});

let teacher: Teacher;
beforeAll(async () => {
  teacher = await arriveAtShelf();
});
afterAll(() => teacher.leave());

/** Takes the piece on the Bench off the shelf again, and waits until it is gone. */
async function takeBack(): Promise<void> {
  await press(teacher.page, 'Undo');
  await sees(teacher.page, 'This piece is not on the shelf');
}

describe('a file of the teacher’s own', () => {
  it('dropped on the shelf opens on the Bench, and moves to F at a press', async () => {
    await drop(teacher.page, [{ name: 'rain-barrel.musicxml', text: OWN }]);
    await seesKey(teacher.page, 'C-major');
    await sees(teacher.page, 'Rain Barrel');
    await teacher.page.click('[data-key=F-major]');
    await seesKey(teacher.page, 'F-major');
  });

  it('is saved in F, and reads the same to the core and to Verovio', async () => {
    const file = await saved(teacher.browser, () => press(teacher.page, 'Save MusicXML'));
    expect(file.name).toBe('rain-barrel-in-F.musicxml');
    const text = new TextDecoder().decode(file.bytes);
    const expected = ['F3', 'F4', 'G4', 'A4', 'B4', 'C4', 'C5'];
    expect(
      open(text)
        .notes.map(({ pitch }) => pitchText(pitch))
        .sort(),
    ).toEqual([...expected].sort());
    const heard = pitchesOf(await createVerovio(), text, {});
    expect(heard.map(({ midi }) => midi).sort()).toEqual(
      open(text)
        .notes.map(({ midi }) => midi)
        .sort(),
    );
    await sees(teacher.page, 'Saved as rain-barrel-in-F.musicxml');
  });

  it('is saved as MIDI too', async () => {
    const file = await saved(teacher.browser, async () => {
      await press(teacher.page, 'Save in another format');
      await press(teacher.page, 'MIDI, to be heard');
    });
    expect(file.name).toBe('rain-barrel-in-F.mid');
    expect(new TextDecoder().decode(file.bytes.slice(0, 4))).toBe('MThd');
  });
});

describe('files of other formats', () => {
  it('ABC tunes come in one by one, and what was doubtful is told with the piece', async () => {
    await drop(teacher.page, [{ name: 'rain.abc', text: 'X:1\nT:Drizzle\nM:4/4\nL:1/4\nK:G\nG A B q c | d4 |]\n' }]);
    await seesKey(teacher.page, 'G-major');
    await sees(teacher.page, 'Drizzle');
    await (await teacher.page.waitForSelector('[data-role=remarks]'))?.click();
    await sees(teacher.page, 'Unknown character');
    await takeBack();
  });

  it('a piece goes out as ABC and comes back the same', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=D-major');
    await seesKey(teacher.page, 'D-major');
    const file = await saved(teacher.browser, async () => {
      await press(teacher.page, 'Save in another format');
      await press(teacher.page, 'ABC, as text');
    });
    expect(file.name).toBe('lantern-walk-in-D.abc');
    const again = open(new TextDecoder().decode(file.bytes));
    expect(again.notes.map(({ finger }) => finger)).toEqual(
      open(demoFile('lantern-walk')).notes.map(({ finger }) => finger),
    );
  });

  it('MIDI comes in with its grid, which the teacher can change and take back', async () => {
    const piece = open(demoFile('mill-wheel'));
    const path = join(mkdtempSync(join(tmpdir(), 'new-thumb-midi-')), 'mill.mid');
    writeFileSync(path, saveAs(piece, asWritten(piece), 'midi').content as Uint8Array);
    await ((await teacher.page.waitForSelector('[data-role=bring-in]')) as ElementHandle<HTMLInputElement>).uploadFile(
      path,
    );
    await seesKey(teacher.page, 'F-major');
    await teacher.page.waitForSelector('[data-role=grid]');
    await teacher.page.select('[data-role=grid]', '3');
    await teacher.page.waitForFunction(
      () => (document.querySelector('[data-role=grid]') as HTMLSelectElement).value === '3',
    );
    await press(teacher.page, 'Undo');
    await teacher.page.waitForFunction(
      () => (document.querySelector('[data-role=grid]') as HTMLSelectElement).value === '0',
    );
    await takeBack();
  });

  it('a piece goes into minor, degree by degree, and says so', async () => {
    await goTo(teacher.page, '/bench?piece=lantern-walk&key=D-major');
    await seesKey(teacher.page, 'D-major');
    await (await teacher.page.waitForSelector('[data-role=way]'))?.click();
    await teacher.page.select('[data-role=mode]', '1');
    await seesKey(teacher.page, 'D-minor');
    await sees(teacher.page, 'degree by degree');
    await teacher.page.waitForSelector('[data-key=G-minor]');
  });
});

describe('a file of several parts', () => {
  it('moves as a whole, and the teacher says which part is the pupil’s', async () => {
    const duet = OWN.replace(
      '</part-list>',
      '<score-part id="P2"><part-name>Teacher</part-name></score-part></part-list>',
    )
      .replace('Rain Barrel', 'Duet')
      .replace(
        '</score-partwise>',
        `${/<part id="P1">.*<\/part>/.exec(OWN)?.[0].replace('id="P1"', 'id="P2"')}</score-partwise>`,
      );
    await drop(teacher.page, [{ name: 'duet.musicxml', text: duet }]);
    await sees(teacher.page, 'Duet');
    await (await teacher.page.waitForSelector('[data-role=way]'))?.click();
    await teacher.page.waitForSelector('[data-role=part]');
    await teacher.page.select('[data-role=part]', '1');
    await teacher.page.waitForFunction(
      () => (document.querySelector('[data-role=part]') as HTMLSelectElement | null)?.value === '1',
    );
    await press(teacher.page, 'Undo');
    await teacher.page.waitForFunction(
      () => (document.querySelector('[data-role=part]') as HTMLSelectElement | null)?.value === '0',
    );
    await takeBack();
  });
});

describe('a file that is no piece', () => {
  it.each([
    ['cut-off.musicxml', demoFile('echo-well').slice(0, 2500), 'The file is cut off'],
    ['drums.musicxml', OWN.replace(/<pitch>.*?<\/pitch>/, '<unpitched/>'), 'percussion note without a pitch'],
    ['letter.txt', 'Dear teacher,', 'not a music file'],
  ])('%s is refused with what is wrong and what to do, and leaves all as it was', async (name, text, says) => {
    const address = teacher.page.url();
    await drop(teacher.page, [{ name, text }]);
    await sees(teacher.page, says);
    const message = await teacher.page.$$eval(
      '[data-message=trouble]',
      (found) => (found.at(-1) as HTMLElement).innerText,
    );
    expect(message).toContain(name);
    expect(message.split('\n').filter(Boolean).length).toBeGreaterThanOrEqual(2);
    expect(teacher.page.url()).toBe(address);
  });

  it('does not keep the good ones dropped with it from the shelf', async () => {
    await goTo(teacher.page, '/');
    await seesCards(teacher.page, 13);
    await drop(teacher.page, [
      { name: 'bad.xml', text: '<opus/>' },
      { name: 'a.musicxml', text: OWN.replace('Rain Barrel', 'Other') },
      { name: 'b.musicxml', text: OWN.replace('Rain Barrel', 'Third') },
    ]);
    await seesCards(teacher.page, 15);
    await sees(teacher.page, 'bad.xml');
  });
});
