import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { voiceAt, lengthOf, staffOfHand } from '@/core/edit';
import { pitchText } from '@/core/pitch';
import { readDraft } from '@/core/read';
import { unwrap } from '@/core/base';
import type { Part } from '@/core/score';
import { DEMO_FILES } from '../support/demo-pieces';
import { musicXml } from '../support/build-piece';
import { typePiece } from '../support/typist';
import { beginPiece, hasSteps } from './support/entering';
import { arriveAtShelf, drop, goTo, home, newTab, press, sees, seesKey, type Teacher } from './support/teacher';

let teacher: Teacher;
let page: Page;
beforeAll(async () => {
  teacher = await arriveAtShelf();
  page = teacher.page;
});
afterAll(() => teacher.leave());

/** A new piece from nothing. */
const begin = (opening = ''): Promise<string> => beginPiece(page, opening);

/** Presses keys by their names, as `q`, `ArrowUp`, `Alt+k`. */
async function keys(names: readonly string[]): Promise<void> {
  for (const name of names) {
    const parts = name.split('+');
    const last = parts.pop() as Parameters<Page['keyboard']['press']>[0];
    for (const held of parts) await page.keyboard.down(held as 'Alt');
    await page.keyboard.press(last);
    for (const held of parts.reverse()) await page.keyboard.up(held as 'Alt');
  }
}

/** Waits until everything that was pressed is kept, so many steps of it. */
const isKept = (steps: number): Promise<void> => hasSteps(page, steps);

/** Goes over to entering by piano keys. */
async function byPiano(): Promise<void> {
  await page.locator('[data-way=keys]').click();
  await page.waitForSelector('[data-role=device]');
}

/** Waits until so many notes are shown. */
async function hasNotes(count: number): Promise<void> {
  await page.waitForFunction(
    (wanted: number) => document.querySelector('[data-role=entered]')?.getAttribute('data-notes') === String(wanted),
    {},
    count,
  );
}

/** The piece as the browser keeps it. */
async function keptPiece(from: Page = page, id?: string): Promise<string> {
  const wanted = id ?? (new URL(from.url()).searchParams.get('piece') as string);
  return from.evaluate(
    (piece) =>
      new Promise<string>((resolve, reject) => {
        const opening = indexedDB.open('new-thumb');
        opening.onerror = () => reject(new Error('no studio'));
        opening.onsuccess = () => {
          const asked = opening.result.transaction('pieces').objectStore('pieces').get(piece);
          asked.onsuccess = () => {
            opening.result.close();
            resolve((asked.result as { readonly musicXml: string }).musicXml);
          };
        };
      }),
    wanted,
  );
}

/** What both hands play, bar by bar: pitches, length in quarters, finger, tie; rests by their length. */
function told(text: string): readonly string[] {
  const { score } = unwrap(readDraft(text));
  const part = score.parts[0] as Part;
  return (['right', 'left'] as const).flatMap((hand) => {
    const staff = staffOfHand(part, hand);
    return part.measures.map((measure) => {
      const { entries } = voiceAt(part, { bar: measure.index, staff, voice: hand === 'right' ? '1' : '5' });
      const notes = entries.map((entry) => {
        const names = entry.notes.map(({ pitch, fingers, tieStart }) =>
          pitch ? `${pitchText(pitch)}/${fingers.join()}${tieStart ? '~' : ''}` : 'rest',
        );
        return `${names.join('+')}:${entry.duration / score.ticksPerQuarter}${lengthOf(entry).tuplet ? 't' : ''}`;
      });
      return `${hand} ${measure.number}: ${notes.join(' ')}`;
    });
  });
}

const rightHand = async (): Promise<string> =>
  told(await keptPiece())
    .filter((line) => line.startsWith('right'))
    .map((line) => line.replace(/^right \d+: /, ''))
    .join(' | ');

describe('a new piece', () => {
  it('is there after two key presses, and its first note is seen and kept', async () => {
    await begin();
    await keys(['1']);
    await page.waitForFunction(() =>
      document.querySelector('[data-role=engraving]')?.shadowRoot?.querySelector('g.note'),
    );
    await isKept(1);
    expect(await rightHand()).toBe('C4/1:1');
    expect(await page.$eval('[data-role=place]', (place) => place.textContent)).toContain('Bar 1, beat 2');
  });

  it('says what its opening means, and refuses what is none without losing the form', async () => {
    await goTo(page, '/');
    await page.waitForSelector('[data-role=new-piece]');
    await page.keyboard.press('n');
    await page.waitForSelector('[data-role=opening]:focus');
    await page.keyboard.type('bb68');
    await sees(page, 'B♭ major, 6/8, no pick-up');
    await page.keyboard.type('??');
    await page.keyboard.press('Enter');
    await sees(page, 'is not a key and a time');
    await page.keyboard.press('Escape');
  });
});

describe('the demo pieces typed from scratch', () => {
  const figures: {
    readonly id: string;
    readonly perNote: number;
    readonly isFiveFinger: boolean;
    readonly presses: number;
    readonly notes: number;
  }[] = [];
  /** Pieces in which each hand stays in one five-finger position. */
  const FIVE_FINGER = [
    'lantern-walk',
    'two-boats',
    'harbour-stairs',
    'cat-on-the-landing',
    'slow-ferris',
    'night-baker',
  ];

  it.each(DEMO_FILES.map(({ id }) => id))('%s comes out note by note as it is stored', async (id) => {
    const text = DEMO_FILES.find((file) => file.id === id)?.text ?? '';
    const { opening, keys: pressed, presses, notes } = typePiece(text);
    await begin(opening);
    await keys(pressed);
    await hasNotes(notes);
    await page.waitForSelector('[data-role=kept][data-kept=true]');
    expect(told(await keptPiece())).toEqual(told(text));
    figures.push({ id, perNote: presses / notes, isFiveFinger: FIVE_FINGER.includes(id), presses, notes });
  });

  it('takes at most 1.3 key presses a note in five-finger pieces, and 1.8 over all', () => {
    const over = (all: typeof figures): number =>
      all.reduce((sum, { presses }) => sum + presses, 0) / all.reduce((sum, { notes }) => sum + notes, 0);
    expect(figures).toHaveLength(12);
    expect(over(figures.filter(({ isFiveFinger }) => isFiveFinger))).toBeLessThanOrEqual(1.3);
    expect(over(figures)).toBeLessThanOrEqual(1.8);
  });
});

describe('what was entered', () => {
  it('a bar that does not add up is drawn and named, never refused', async () => {
    await begin();
    await keys(['1', '2', '3', 'q', '1']);
    await page.waitForSelector('[data-role=troubles]');
    await sees(page, 'Bar 1, right hand: 5 beats, 4 wanted');
    await isKept(5);
    expect(await rightHand()).toBe('C4/1:1 D4/2:1 E4/3:1 C4/1:2 | C4/1:1');
  });

  it('is undone and redone step by step from the list, also after a reload', async () => {
    await page.click('[data-panel=steps]');
    await sees(page, 'C4 with 1, right hand, bar 2');
    await page.reload();
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await isKept(5);
    await keys(['Control+z', 'Control+z']);
    await isKept(3);
    expect(await rightHand()).toBe('C4/1:1 D4/2:1 E4/3:1');
    await page.reload();
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await page.locator('[data-panel=steps]').click();
    await page.waitForSelector('[data-role=steps] button[title="Do this again"]');
    await press(page, 'Do again: C4 with 1, right hand, bar 1');
    await isKept(4);
    expect(await rightHand()).toBe('C4/1:1 D4/2:1 E4/3:1 C4/1:2');
  });

  it('loses at most the key press in flight when the tab is closed in the middle', async () => {
    await begin();
    const id = new URL(page.url()).searchParams.get('piece') as string;
    const typed = '12345432123454321';
    for (const [i, key] of [...typed].entries()) {
      await page.keyboard.press(key as '1');
      // The last one is in flight when the tab goes: pressed, and not yet said to be kept.
      if (i < typed.length - 1) await isKept(i + 1);
    }
    await page.close({ runBeforeUnload: false });
    page = await newTab(teacher.browser);
    await goTo(page, '/settings');
    const kept =
      told(await keptPiece(page, id))
        .join(' ')
        .match(/[A-G]4\/\d/g) ?? [];
    expect(kept.length).toBeGreaterThanOrEqual(typed.length - 1);
    expect(kept.map((note) => note.at(-1)).join('')).toBe(typed.slice(0, kept.length));
  });

  it('stands in one history with the studio’s other edits, in the order in which they were made', async () => {
    await begin();
    await keys(['1', '2', '3']);
    await isKept(3);
    const id = new URL(page.url()).searchParams.get('piece') as string;
    await press(page, 'To the Bench');
    await seesKey(page, 'C-major');
    // As fast as fingers go: the second key is for the note that the first one takes up, whether or not the screen has followed.
    await keys(['ArrowRight', 'ArrowRight', '5']);
    await page.waitForSelector('button[title^="Take back: finger 5 on D4"]');
    await press(page, 'Change notes');
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await keys(['End', '4']);
    await isKept(4);
    await press(page, 'To the Bench');
    await seesKey(page, 'C-major');
    // One history for all: the last note first, and then what was decided before it.
    await press(page, 'Undo');
    await sees(page, 'Taken back: F4 with 4');
    expect(told(await keptPiece(page, id))[0]).toBe('right 1: C4/1:1 D4/2:1 E4/3:1');
    await press(page, 'Undo');
    await sees(page, 'Taken back: finger 5');
    expect(told(await keptPiece(page, id))[0]).toBe('right 1: C4/1:1 D4/2:1 E4/3:1');
  });
});

describe('over the end of a line', () => {
  /** The halves of ties and slurs, line by line. */
  const halves = (): Promise<readonly string[]> =>
    page.$$eval('[data-role=entered] >>> [data-open]', (found) =>
      found.map((half) => half.getAttribute('data-open') ?? ''),
    );

  it('a tie goes on to the edge and comes back on the next line', async () => {
    await begin();
    await keys([...'123451234512']);
    await keys(['o', '2', '3', '4', '5']);
    await hasNotes(16);
    await page.waitForFunction(() => document.querySelectorAll('[data-line]').length === 2);
    // Each line is engraved for itself, and either may be there first.
    await page.waitForSelector('[data-line="0"] >>> [data-open=tie-on]');
    await page.waitForSelector('[data-line="1"] >>> [data-open=tie-back]');
    expect(await halves()).toEqual(['tie-on', 'tie-back']);
  });

  it('goes with the tie that is taken back', async () => {
    for (let i = 0; i < 4; i += 1) await keys(['Control+z']);
    await hasNotes(12);
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[data-role=engraving]')].every(
        ({ shadowRoot }) => shadowRoot?.querySelector('[data-open]') === null,
      ),
    );
  });
});

describe('other ways of entering', () => {
  it('letters, with arrows for step and octave', async () => {
    await begin();
    await page.click('[data-way=letters]');
    await page.waitForSelector('[data-way=letters][aria-pressed=true]');
    await keys(['c', 'e', '2', 'g', 'Shift+ArrowUp', 'ArrowDown']);
    await isKept(5);
    expect(await rightHand()).toBe('C4/:1 E4/:1 F5/:2');
  });

  it('a keyboard that plays by itself: chords are struck together', async () => {
    await begin('f');
    await byPiano();
    await page.select('[data-role=device]', 'simulated');
    await page.waitForSelector('[aria-label="What it plays"]');
    await page.focus('[aria-label="What it plays"]');
    await page.$eval('[aria-label="What it plays"]', (field) => (field as HTMLInputElement).select());
    await page.keyboard.type('F4 Bb4 F4+A4+C5');
    await press(page, 'Let it play');
    await isKept(3);
    expect(await rightHand()).toBe('F4/:1 Bb4/:1 F4/+A4/+C5/:1');
  });

  it('a MIDI keyboard, and the keys on the screen', async () => {
    const tab = await newTab(teacher.browser);
    await tab.evaluateOnNewDocument(() => {
      const input = new EventTarget();
      const access = Object.assign(new EventTarget(), { inputs: new Map([['one', input]]) });
      Object.assign(navigator, { requestMIDIAccess: () => Promise.resolve(access) });
      Object.assign(window, {
        playMidi: (bytes: readonly number[]) =>
          input.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(bytes) })),
      });
    });
    await page.close();
    page = tab;
    await begin();
    await byPiano();
    // Come to from the shelf, this page was not let use MIDI yet: it is loaded anew, and goes on with the keyboard.
    await Promise.all([page.waitForNavigation(), page.select('[data-role=device]', 'midi')]);
    await page.waitForFunction(() => document.querySelector<HTMLSelectElement>('[data-role=device]')?.value === 'midi');
    await page.waitForFunction(() => {
      const { playMidi } = window as unknown as { readonly playMidi: (bytes: readonly number[]) => void };
      playMidi([0x90, 64, 80]);
      playMidi([0x90, 64, 0]);
      return document.querySelector('[data-panel=steps]')?.textContent !== 'Steps (0)';
    });
    // It may have been heard more than once before the screen said so.
    await page.locator('[data-key-midi="67"]').click();
    await page.waitForSelector('button[title^="Take back: G4"]');
    await page.waitForSelector('[data-role=kept][data-kept=true]');
    expect(await rightHand()).toMatch(/^E4\/:1 .*G4\/:1/);
  });

  it('played in time against clicks, and set to the grid', async () => {
    await begin();
    await byPiano();
    await page.select('[data-role=device]', 'simulated');
    await page.waitForSelector('[aria-label="What it plays"]');
    await page.$eval('[aria-label="What it plays"]', (field) => (field as HTMLInputElement).select());
    await page.focus('[aria-label="What it plays"]');
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    await page.keyboard.type('C4 D4 E4 F4');
    await page.select('[aria-label="Shortest notes"]', '1');
    await page.$eval('[aria-label="Quarters a minute"]', (field) => (field as HTMLInputElement).select());
    await press(page, 'Play in time');
    // While it is counted in: it begins with the first bar.
    await page.click('[data-role=let-it-play]');
    await page.waitForFunction(() => document.querySelector('[data-role=playing]')?.textContent === 'Play now');
    await page.waitForSelector('[data-role=let-it-play][data-playing=false]');
    await press(page, 'Stop and enter it');
    await isKept(1);
    expect(await rightHand()).toMatch(/^C4\/:1 D4\/:1 E4\/:1 F4\/:1( |$)/);
  });

  it('ABC, live, with what is wrong at its place', async () => {
    await begin('g');
    await page.click('[data-way=abc]');
    await page.waitForSelector('#abc-text:focus');
    await page.keyboard.type('G A B2 | c4');
    await isKept(1);
    await hasNotes(4);
    await page.waitForSelector('[data-role=kept][data-kept=true]');
    expect(await rightHand()).toBe('G4/:1 A4/:1 B4/:2 | C5/:4');
    await page.keyboard.type('\nG q A');
    await page.waitForSelector('[data-role=abc-trouble]');
    expect(await page.$eval('[data-role=abc-trouble]', (told) => (told as HTMLElement).innerText)).toContain('Line 2');
    await press(page, 'Show line 2');
    expect(
      await page.$eval('#abc-text', (field) => [
        (field as HTMLTextAreaElement).selectionStart,
        (field as HTMLTextAreaElement).selectionEnd,
      ]),
    ).toEqual([12, 17]);
  });
});

describe('changing pieces', () => {
  const OWN = musicXml({
    title: 'Gutter Song',
    right: 'C4q/1 D4q/2 E4q/3 F4q/4 | G4w/5',
    left: 'C3w/5 | C3w/5',
    extra: {
      2: '<direction placement="above"><direction-type><words>like rain</words></direction-type></direction><harmony><root><root-step>C</root-step></root><kind>major</kind></harmony>',
    },
  });

  it('an imported piece is changed the same way, and what is only carried stays at its bar', async () => {
    await goTo(page, '/');
    await page.waitForSelector('[data-role=new-piece]');
    await drop(page, [{ name: 'gutter.musicxml', text: OWN }]);
    await seesKey(page, 'C-major');
    await page.keyboard.press('w');
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await keys(['ArrowRight', 'Alt+ArrowUp', 'End', 'Backspace', 't']);
    await page.waitForSelector('[data-role=kept][data-kept=true]');
    await isKept(3);
    const text = await keptPiece();
    expect(told(text).slice(0, 2)).toEqual(['right 1: C4/1:1 D#4/2:1 E4/3:1 F4/4:1', 'right 2: G4/5:2']);
    expect(text).toContain('like rain');
    expect(text).toContain('<root-step>C</root-step>');
    expect(text.indexOf('like rain')).toBeGreaterThan(text.indexOf('number="2"'));
  });

  it('a passage is copied into another piece', async () => {
    await keys(['Home', 'Shift+ArrowRight', 'Shift+ArrowRight', 'Control+c']);
    await sees(page, 'Copied.');
    await press(page, 'Shelf');
    await page.waitForSelector('[data-role=new-piece]');
    await page.keyboard.press('n');
    await page.waitForSelector('[data-role=opening]:focus');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=entry][data-ready=true]');
    await keys(['Control+v']);
    await isKept(1);
    expect(await rightHand()).toBe('C4/1:1 D#4/2:1');
  });

  it('keys are the teacher’s to change, and one that is taken is told of', async () => {
    await begin();
    await press(page, 'Change keys');
    await page.locator('[data-key=again]').click();
    await page.keyboard.press('.');
    await sees(page, 'is for something else: dot');
    await page.locator('[data-key=again]').click();
    await page.keyboard.press('F2');
    await page.waitForFunction(() => document.querySelector('[data-key=again] kbd')?.textContent === 'F2');
    await keys(['1', 'F2']);
    await isKept(2);
    expect(await rightHand()).toBe('C4/1:1 C4/1:1');
    await press(page, 'All as they were');
    await page.waitForFunction(() => document.querySelector('[data-key=again] kbd')?.textContent === ',');
  });

  it('loudness, words and syllables are asked for, and go where the note is', async () => {
    await begin();
    await keys(['1', '2', '3', '4', 'Home', 'l']);
    await page.waitForSelector('[data-role=ask]');
    await page.waitForSelector('[data-role=ask] button:focus');
    await keys(['3', ';']);
    await page.waitForSelector('[data-role=ask] input:focus');
    await page.keyboard.type('rain- drops');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-role=ask]', { hidden: true });
    await isKept(7);
    const text = await keptPiece();
    expect(text).toContain('<mp/>');
    expect(
      [...text.matchAll(/<syllabic>(\w+)<\/syllabic><text>(\w+)/g)].map(([, kind, word]) => `${kind} ${word}`),
    ).toEqual(['begin rain', 'single drops']);
  });

  it('nothing was asked of the network, and the page complained of nothing', () => {
    expect(teacher.strangers).toEqual([]);
    expect(teacher.complaints).toEqual([]);
    expect(home()).toContain('http');
  });
});
