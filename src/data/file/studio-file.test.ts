import { viewOf } from '../door/view';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  aRun,
  contents,
  does,
  emptyStudio,
  newPiece,
  newPupil,
  tabOf,
  turns,
  written,
} from '../../../tests/support/studio';
import { unwrap } from '@/core/base';
import type { StudioDatabase } from '../database';

import { currentSettings, pieceById, setAside } from '../reading';
import { readStudioFile, studioFileText } from './studio-file';
import { compareWith } from './take-in';
import { WORDS } from '../../../tests/support/usual-words';

let studio: StudioDatabase;
let other: StudioDatabase;
beforeEach(() => {
  studio = emptyStudio();
  other = emptyStudio();
});
afterEach(async () => {
  await studio.delete();
  await other.delete();
});

const textOf = async (database: StudioDatabase): Promise<string> =>
  studioFileText(await contents(database), '2026-11-26T12:00:00.000Z');
const read = (text: string) => unwrap(readStudioFile(WORDS.store, text));
const takeIn = (database: StudioDatabase, text: string, how: 'keep' | 'renew' | 'replace' = 'replace') =>
  does(database, { kind: 'studio.take-in', contents: read(text).contents, how, file: 'studio' }, 'taken in');

/** A studio with something of everything, also of what nobody understands. */
async function fullStudio(): Promise<void> {
  await does(studio, {
    kind: 'piece.add',
    pieces: [
      newPiece('a', {
        part: 'P2',
        respelled: ['D-major|n3'],
        midi: { file: 'TVRoZA==', grid: 4 },
        remarks: [{ message: 'Every note stands on the grid.' }],
        beside: { rooms: 1 },
      }),
      newPiece('b'),
    ],
  });
  await does(studio, {
    kind: 'piece.fingers',
    id: 'a',
    whose: { pupil: 'ada', key: 'D-major' },
    wanted: [{ note: 'n1', finger: 3 }],
  });
  await does(studio, {
    kind: 'piece.enter',
    id: 'b',
    from: null,
    base: null,
    state: '1/7',
    stretch: 1,
    musicXml: '<entered/>',
    changed: [{ number: 0, state: 'done', change: '{}', words: 'a note' }],
    count: 1,
  });
  await does(studio, { kind: 'pupil.add', pupil: newPupil('ada') });
  await does(studio, { kind: 'plan.add', pupil: 'ada', piece: 'a', keys: [{ id: 'p1', key: 'C-major' }], atMs: 1 });
  await does(studio, {
    kind: 'note.find',
    find: { id: 'f1', pupil: 'ada', kind: 'all-of', asked: 'Play every F.', verdict: 'right', tookMs: 5, atMs: 3 },
  });
  await does(studio, { kind: 'note.run', run: aRun('r1', 'a', 5) });
  await does(studio, { kind: 'settings.change', change: { look: 'paper' } });
  await does(studio, { kind: 'note.desk', change: { zoom: 130 } });
  await studio.pieces.put({ id: 'odd', musicXml: 7 } as never);
  await studio.pieces.update('a', { tempo: 60, ownKey: 5 } as never);
  await studio.aside.put({
    id: 'steps/x',
    form: 5,
    from: 'an older version',
    table: 'history',
    why: 'lost',
    value: [1] as never,
  });
  await studio.kept.put({ id: 'carried', form: 5, value: { rooms: [{ name: 'Ilse' }] } });
}

describe('the studio file', () => {
  it('read into an empty studio and saved again is the same, but for its date', async () => {
    await fullStudio();
    const text = await textOf(studio);
    await takeIn(other, text);
    expect(await textOf(other)).toBe(text);
  });

  it('taken into its own studio changes nothing, in whichever way', async () => {
    await fullStudio();
    const text = await textOf(studio);
    for (const how of ['keep', 'renew', 'replace'] as const) expect(await takeIn(studio, text, how)).toBeNull();
    expect(
      (await compareWith(viewOf(studio), read(text).contents)).every(
        ({ fresh, differing, missing }) => fresh.length + differing.length + missing.length === 0,
      ),
    ).toBe(true);
  });

  it('holds what was entered last, and what could not be written', async () => {
    await fullStudio();
    const tab = tabOf(studio);
    studio.pieces.hook('updating', () => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await tab.run({ kind: 'piece.part', id: 'b', part: 'P9' }, 'part');
    const file = read(studioFileText(await tab.contents(), 'now')).contents;
    expect(file.pieces.find((piece) => (piece as { id: string }).id === 'b')).toMatchObject({
      musicXml: '<entered/>',
      part: 'P9',
    });
  });

  it('is one edit, which brings back what was here: settings, pieces, and the newer of two musics', async () => {
    await fullStudio();
    const older = await textOf(studio);
    await does(studio, {
      kind: 'piece.enter',
      id: 'b',
      from: '#1/7',
      base: null,
      state: '2/9',
      stretch: 1,
      musicXml: '<newer/>',
      changed: [{ number: 1, state: 'done', change: '{}', words: 'another' }],
      count: 2,
    });
    await does(studio, { kind: 'piece.remove', id: 'a' });
    await does(studio, { kind: 'piece.add', pieces: [newPiece('c')] });
    await does(studio, { kind: 'settings.change', change: { look: 'lamplight' } });
    const before = await written(studio);
    await takeIn(studio, older);
    expect([
      (await pieceById(studio, 'b'))?.musicXml,
      await pieceById(studio, 'c'),
      (await currentSettings(studio)).look,
    ]).toEqual(['<entered/>', null, 'paper']);
    expect(await turns(studio, 'undo')).toBe('taken in');
    expect(await written(studio)).toBe(before);
    expect((await pieceById(studio, 'b'))?.musicXml).toBe('<newer/>');
  });

  it('merges as it is told: what is new comes in, and what differs stays or is renewed', async () => {
    await fullStudio();
    await takeIn(other, await textOf(studio));
    await does(other, { kind: 'piece.part', id: 'a', part: 'P5' });
    await does(other, { kind: 'piece.add', pieces: [newPiece('new')] });
    const text = await textOf(other);
    expect((await compareWith(viewOf(studio), read(text).contents))[0]).toEqual({
      table: 'pieces',
      fresh: ['new'],
      missing: [],
      differing: ['a'],
      same: 1,
    });
    await takeIn(studio, text, 'keep');
    expect([(await pieceById(studio, 'a'))?.part, (await pieceById(studio, 'new'))?.id]).toEqual(['P2', 'new']);
    await takeIn(studio, text, 'renew');
    expect((await pieceById(studio, 'a'))?.part).toBe('P5');
  });

  it('sets aside a record that is none, instead of refusing the rest', async () => {
    await fullStudio();
    const text = (await textOf(studio)).replace('"level":"2"', '"level":"expert"').replace('"name":"ada"', '"name":7');
    const { contents: file } = read(text);
    expect(file.pupils).toEqual([]);
    expect(file.aside.map(({ id }) => id)).toEqual(['pieces/odd', 'pupils/ada', 'steps/x']);
    await takeIn(other, text);
    expect((await setAside(other)).filter(({ table }) => table === 'aside').map(({ id }) => id)).toEqual([
      'pieces/odd',
      'pupils/ada',
      'steps/x',
    ]);
  });

  it('says where it was changed since it was saved, and where records are missing', async () => {
    await fullStudio();
    const text = await textOf(studio);
    expect(read(text).remarks).toEqual([]);
    expect(read(text.replace('<entered/>', '<altered/>')).remarks).toEqual([
      expect.stringContaining('not as it was saved'),
    ]);
    expect(read(text.replace(/,\n.*"id":"b".*(?=\n)/, '')).remarks).toContain('It held 2 pieces; 1 can be read.');
    expect(read(text.replace('"version": 5', '"version": 6')).remarks).toEqual([
      expect.stringContaining('newer New Thumb'),
    ]);
  });

  it('cut off anywhere gives every record that stands before the cut', async () => {
    await fullStudio();
    const text = await textOf(studio);
    const ends = [...text.matchAll(/^\{.*\}(?=,?$)/gm)].map((line) => ({
      id: (JSON.parse(line[0]) as { id: string }).id,
      end: line.index + line[0].length,
    }));
    fc.assert(
      fc.property(fc.integer({ min: text.indexOf('"settings"'), max: text.length - 3 }), (cut) => {
        const result = readStudioFile(WORDS.store, text.slice(0, cut));
        const whole = ends.filter(({ end }) => end <= cut).map(({ id }) => id);
        const found = result.ok
          ? Object.values(result.value.contents).flatMap((list) =>
              Array.isArray(list) ? list.map((one) => (one as { id: string }).id) : [],
            )
          : [];
        expect(found).toEqual(expect.arrayContaining(whole.filter((id) => id !== 'odd')));
        if (result.ok)
          expect(result.value.remarks).toContain('It is damaged or cut off: what could be read of it is listed here.');
      }),
      { numRuns: 300, seed: 12 },
    );
  });

  it('with one damaged line loses that record alone, and says which line', async () => {
    await fullStudio();
    const text = (await textOf(studio)).replace('"name":"ada"', '"name":"ada');
    const { contents: file, lost, remarks } = read(text);
    expect([file.pieces.length, file.pupils.length, file.plan.length]).toEqual([2, 0, 1]);
    expect(lost).toEqual([
      { line: text.split('\n').findIndex((line) => line.includes('"name":"ada')) + 1, words: 'a record of “pupils”' },
    ]);
    expect(remarks).toContain('It held 1 pupils; 0 can be read.');
  });

  it.each([
    ['is no JSON at all', 'Dear Ilse,'],
    ['is another JSON file', '{"photos":[]}'],
    ['is empty', ''],
    ['was cut off at once', '{"newThumb'],
  ])('that %s is refused in words', (_, text) => {
    expect(readStudioFile(WORDS.store, text)).toMatchObject({
      ok: false,
      error: { message: expect.stringContaining('no studio file'), hint: expect.stringContaining('Save the studio') },
    });
  });
});

describe('a long file', () => {
  it('says how far it is while it is taken in', async () => {
    const runs = Array.from({ length: 2500 }, (_, i) => ({ ...aRun(`r${i}`, 'a', i), form: 5 }));
    const file = { ...(await contents(other)), runs };
    const parts: number[] = [];
    const onPart = (part: number): void => void parts.push(part);
    const taking = { kind: 'studio.take-in', contents: file, how: 'keep', file: 'studio' } as const;
    const taken = await tabOf(studio).run(taking, 'taken in', { onPart });
    expect(taken.ok).toBe(true);
    expect(parts).toEqual([0.4, 0.8, 1]);
    expect(await studio.runs.count()).toBe(2500);
  });
});
