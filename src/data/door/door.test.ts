import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { does, emptyStudio, newPiece, newPupil, tabOf, turns, written } from '../../../tests/support/studio';
import type { StudioDatabase } from '../database';
import { currentSettings, pieceById, planOf, setAside } from '../reading';
import type { EnterCommand } from './commands';
import { enteredSteps, runCommand, storeFault } from './door';
import { doneAfter, historyList, undoOrRedoEdit } from './undo-redo';

let studio: StudioDatabase;
beforeEach(() => {
  studio = emptyStudio();
});
afterEach(() => studio.delete());

const anyHand = { pupil: null, key: null };
const attribution = { tab: 'one', label: 'x', atMs: 1 };
/** The n-th step of entering a piece. */
const entered = (count: number, more: Partial<EnterCommand> = {}): EnterCommand => ({
  kind: 'piece.enter',
  id: 'a',
  from: count === 1 ? null : `#${count - 1}/7`,
  state: `${count}/7`,
  base: null,
  musicXml: `<music n="${count}"/>`,
  stretch: 1,
  changed: [{ number: count - 1, state: 'done', change: `{"n":${count}}`, words: `note ${count}` }],
  count,
  ...more,
});

describe('a command', () => {
  it('changes the fields that it names and no other, whatever a stale screen shows', async () => {
    await does(studio, { kind: 'piece.add', pieces: [newPiece('a')] });
    await does(studio, { kind: 'piece.part', id: 'a', part: 'P2' }, 'part', 'one');
    await does(studio, { kind: 'piece.respell', id: 'a', entry: 'D-major|n3', as: 'other' }, 'spelling', 'two');
    await does(
      studio,
      { kind: 'piece.fingers', id: 'a', whose: anyHand, wanted: [{ note: 'n1', finger: 4 }] },
      'finger',
      'one',
    );
    await does(studio, { kind: 'piece.own-key', id: 'a', ownKey: 'G-major' }, 'key', 'two');
    expect(await pieceById(studio, 'a')).toMatchObject({
      part: 'P2',
      respelled: ['D-major|n3'],
      ownKey: 'G-major',
      decided: { fingers: [{ note: 'n1', finger: 4 }] },
    });
  });

  it('is refused as a whole where one of its records cannot be added', async () => {
    await does(studio, { kind: 'piece.add', pieces: [newPiece('a')] });
    const before = await written(studio);
    expect(
      await runCommand(studio, { kind: 'piece.add', pieces: [newPiece('b'), newPiece('a')] }, attribution),
    ).toMatchObject({ ok: false, error: { code: 'store.there' } });
    expect(await written(studio)).toBe(before);
  });

  it('that would leave something behind that is not understood is refused, and says what', async () => {
    await does(studio, { kind: 'pupil.add', pupil: newPupil('ada') });
    expect(
      await runCommand(studio, { kind: 'pupil.change', id: 'ada', change: { spanMm: 9000 } }, attribution),
    ).toMatchObject({ ok: false, error: { code: 'store.invalid', field: ['spanMm'] } });
    expect(await runCommand(studio, { kind: 'piece.part', id: 'gone', part: 'P1' }, attribution)).toMatchObject({
      ok: false,
      error: { code: 'store.gone' },
    });
  });

  it('that finds everything as it wants it is no edit', async () => {
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } });
    expect(await does(studio, { kind: 'settings.change', change: { look: 'paper' } })).toBeNull();
    expect(await historyList(studio)).toHaveLength(1);
  });

  it('never writes over what is not understood', async () => {
    await does(studio, { kind: 'piece.add', pieces: [newPiece('a')] });
    await studio.pieces.update('a', { decided: 'by a later version' as never });
    const refused = await runCommand(
      studio,
      { kind: 'piece.fingers', id: 'a', whose: anyHand, wanted: [{ note: 'n1', finger: 4 }] },
      attribution,
    );
    expect(refused).toMatchObject({ ok: false, error: { code: 'store.unclear' } });
    expect(await setAside(studio)).toMatchObject([
      { table: 'pieces', id: 'a', field: ['decided'], value: 'by a later version' },
    ]);
    await does(studio, {
      kind: 'aside.delete',
      place: { table: 'pieces', id: 'a' },
      field: ['decided'],
      value: 'by a later version',
    });
    expect(await setAside(studio)).toEqual([]);
    await turns(studio, 'undo');
    expect((await studio.pieces.get('a'))?.decided).toBe('by a later version');
  });

  it('puts a run of keys behind what a pupil has to learn, each key of a piece once', async () => {
    const add = (keys: readonly string[]) =>
      does(studio, {
        kind: 'plan.add',
        pupil: 'tam',
        piece: 'a',
        keys: keys.map((key) => ({ id: `${key} ${Math.random()}`, key })),
        atMs: 1,
      });
    await add(['C-major', 'G-major']);
    await add(['G-major', 'D-major']);
    expect((await planOf(studio, 'tam')).map(({ key, place }) => [key, place])).toEqual([
      ['C-major', 0],
      ['G-major', 1],
      ['D-major', 2],
    ]);
  });
});

describe('settings', () => {
  it('keep every choice that can be understood, one by one; the others stay in the store', async () => {
    await studio.kept.put({
      id: 'settings',
      form: 5,
      value: { look: 'tartan', keyOrder: 'fifths', spanMm: 40, level: '2', later: [1] },
    });
    expect(await currentSettings(studio)).toMatchObject({
      look: 'system',
      keyOrder: 'fifths',
      spanMm: 206,
      level: '2',
    });
    await does(studio, { kind: 'settings.change', change: { level: '3' } });
    expect((await studio.kept.get('settings'))?.value).toEqual({
      look: 'tartan',
      keyOrder: 'fifths',
      spanMm: 40,
      level: '3',
      later: [1],
    });
    expect((await setAside(studio)).map(({ field, value }) => [field.join('.'), value])).toEqual([
      ['value.spanMm', 40],
      ['value.look', 'tartan'],
    ]);
  });
});

describe('entering', () => {
  beforeEach(() => does(studio, { kind: 'piece.add', pieces: [newPiece('a')] }, 'new piece'));

  it('keeps music and steps together, and stands in one history with everything else', async () => {
    await does(studio, entered(1));
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } }, 'paper');
    await does(studio, entered(2));
    expect((await historyList(studio)).map(({ label }) => label)).toEqual(
      ['piece.enter', 'paper', 'piece.enter', 'new piece'].map((label, i) =>
        label === 'piece.enter' ? `note ${i === 0 ? 2 : 1}` : label,
      ),
    );
    expect(await pieceById(studio, 'a')).toMatchObject({ musicXml: '<music n="2"/>', edition: '#2/7' });
    expect(await enteredSteps(studio, 'a')).toEqual({
      stretch: 1,
      base: null,
      steps: [
        { number: 0, state: 'done', change: '{"n":1}' },
        { number: 1, state: 'done', change: '{"n":2}' },
      ],
    });
  });

  it('in a second tab goes on from what is there, or is refused', async () => {
    await does(studio, entered(1), 'one', 'one');
    const late = await runCommand(studio, entered(1, { state: '1/8', musicXml: '<lost/>' }), {
      ...attribution,
      tab: 'two',
    });
    expect(late).toMatchObject({ ok: false, error: { code: 'store.music-changed' } });
    expect((await pieceById(studio, 'a'))?.musicXml).toBe('<music n="1"/>');
    await does(studio, entered(2), 'two', 'two');
    expect((await enteredSteps(studio, 'a')).steps).toHaveLength(2);
  });

  it('steps that a new one took the place of are gone, and what was taken back stands behind', async () => {
    for (const count of [1, 2, 3]) await does(studio, entered(count));
    await does(studio, {
      ...entered(3),
      from: '#3/7',
      state: '2/7',
      count: 3,
      changed: [{ number: 2, state: 'undone', change: '{}', words: 'note 3' }],
    });
    expect((await enteredSteps(studio, 'a')).steps.map(({ state }) => state)).toEqual(['done', 'done', 'undone']);
    await does(studio, {
      ...entered(2),
      from: '#2/7',
      state: '2/9',
      count: 2,
      changed: [{ number: 1, state: 'done', change: '{"n":"new"}', words: 'another' }],
    });
    expect((await enteredSteps(studio, 'a')).steps.map(({ change }) => change)).toEqual(['{"n":1}', '{"n":"new"}']);
  });

  it('is lost by no removal: undo brings the piece back with its last note and its steps', async () => {
    for (const count of [1, 2]) await does(studio, entered(count));
    await does(studio, { kind: 'piece.remove', id: 'a' }, 'removed');
    expect(await pieceById(studio, 'a')).toBeNull();
    expect(await turns(studio, 'undo')).toBe('removed');
    expect(await pieceById(studio, 'a')).toMatchObject({ musicXml: '<music n="2"/>', edition: '#2/7' });
    expect((await enteredSteps(studio, 'a')).steps).toHaveLength(2);
    expect(await turns(studio, 'undo')).toBe('entered');
  });

  it('begins a stretch of its own after the music was changed in another way', async () => {
    await does(studio, entered(1));
    const number = await does(studio, {
      kind: 'piece.grid',
      id: 'a',
      edition: '#1/7',
      next: 'g1',
      grid: 4,
      musicXml: '<grid/>',
      remarks: [],
    }).catch(() => null);
    expect(number).toBeNull();
    await studio.pieces.update('a', { midi: { file: 'TVRo', grid: 0 } });
    const grid = await does(studio, {
      kind: 'piece.grid',
      id: 'a',
      edition: '#1/7',
      next: 'g1',
      grid: 4,
      musicXml: '<grid/>',
      remarks: [],
    });
    expect(await enteredSteps(studio, 'a')).toEqual({ stretch: grid, base: 'g1', steps: [] });
    expect(await runCommand(studio, entered(2), attribution)).toMatchObject({
      ok: false,
      error: { code: 'store.music-changed' },
    });
    await turns(studio, 'undo');
    expect((await enteredSteps(studio, 'a')).steps).toHaveLength(1);
    await does(studio, entered(2));
  });
});

describe('taking back', () => {
  it('is a tab’s own business first, and then that of all', async () => {
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } }, 'mine', 'one');
    await does(studio, { kind: 'settings.change', change: { level: '2' } }, 'other', 'two');
    expect(await turns(studio, 'undo', 'one')).toBe('mine');
    expect(await currentSettings(studio)).toMatchObject({ look: 'system', level: '2' });
    expect(await turns(studio, 'undo', 'one')).toBe('other');
  });

  it('says where the same field was changed since, and does nothing until it is told', async () => {
    const mine = await does(studio, { kind: 'settings.change', change: { look: 'paper', level: '2' } }, 'mine', 'one');
    await does(studio, { kind: 'settings.change', change: { look: 'lamplight' } }, 'other', 'two');
    const result = await undoOrRedoEdit(studio, mine as number, { undoRedo: 'undo', how: 'in order', attribution });
    expect(result).toMatchObject({ ok: true, value: { kind: 'later', by: [{ label: 'other' }] } });
    expect(await currentSettings(studio)).toMatchObject({ look: 'lamplight', level: '2' });
    expect(await turns(studio, 'undo', 'one', 'all the same')).toBe('mine');
    expect(await currentSettings(studio)).toMatchObject({ look: 'system', level: '4' });
    // That was an edit of its own, and can be taken back in turn.
    await turns(studio, 'undo', 'one');
    expect(await currentSettings(studio)).toMatchObject({ look: 'lamplight', level: '2' });
  });

  it('says so too where something that is not in the history changed the field', async () => {
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } });
    await does(studio, { kind: 'settings.change', change: { look: 'lamplight' } });
    await studio.kept.update('settings', { value: { look: 'system' } });
    expect(await turns(studio, 'undo')).toBe('later');
  });

  it('does not mind the key that was looked at meanwhile, nor that the piece was opened, and brings both back with it', async () => {
    await does(studio, { kind: 'piece.add', pieces: [newPiece('a')] }, 'brought in');
    await does(studio, { kind: 'note.key', id: 'a', key: 'Eb-major' });
    await does(studio, { kind: 'note.used', id: 'a', atMs: 77 });
    expect(await turns(studio, 'undo')).toBe('brought in');
    expect(await turns(studio, 'redo')).toBe('brought in');
    expect(await pieceById(studio, 'a')).toMatchObject({ lastKey: 'Eb-major', usedAt: 77 });
  });

  it('goes back to any place of the list, through the edits of all tabs', async () => {
    const first = await does(studio, { kind: 'pupil.add', pupil: newPupil('ada') }, 'ada', 'one');
    const state = await written(studio);
    await does(studio, { kind: 'pupil.change', id: 'ada', change: { name: 'Ada' } }, 'name', 'two');
    await does(studio, { kind: 'pupil.change', id: 'ada', change: { name: 'Ada B.' } }, 'name', 'one');
    await does(studio, { kind: 'pupil.remove', id: 'ada' }, 'gone', 'two');
    for (const number of await doneAfter(studio, first as number))
      await undoOrRedoEdit(studio, number, { undoRedo: 'undo', how: 'in order', attribution: { tab: 'one', atMs: 3 } });
    expect(await written(studio)).toBe(state);
  });

  it('is lost to a tab only by what it does itself', async () => {
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } }, 'mine', 'one');
    await turns(studio, 'undo', 'one');
    await does(studio, { kind: 'settings.change', change: { level: '2' } }, 'other', 'two');
    expect(await turns(studio, 'redo', 'one')).toBe('mine');
    await turns(studio, 'undo', 'one');
    await does(studio, { kind: 'settings.change', change: { level: '3' } }, 'again', 'one');
    expect(await turns(studio, 'redo', 'one')).toBeNull();
  });

  it('reads labels only: what a removed piece held is not loaded to name it', async () => {
    await does(studio, {
      kind: 'piece.add',
      pieces: [newPiece('a', { musicXml: `<score>${'x'.repeat(100_000)}</score>` })],
    });
    await does(studio, { kind: 'piece.remove', id: 'a' });
    expect(JSON.stringify(await historyList(studio)).length).toBeLessThan(1000);
  });
});

describe('a full disk', () => {
  it('is known by the error itself, and by the one that a broken-off transaction carries', () => {
    const full = new DOMException('full', 'QuotaExceededError');
    expect(storeFault(full)).toEqual({ code: 'store.full' });
    expect(storeFault(Object.assign(new Error('aborted'), { name: 'AbortError', inner: full }))).toEqual({
      code: 'store.full',
    });
    expect(() => storeFault(new TypeError('ours'))).toThrow('ours');
  });

  it('keeps what is done in memory and in the studio file, in order, and writes it once there is room', async () => {
    const tab = tabOf(studio);
    await tab.run({ kind: 'piece.add', pieces: [newPiece('a')] }, 'a');
    let isFull = true;
    const full = (): void => {
      if (isFull) throw new DOMException('full', 'QuotaExceededError');
    };
    studio.pieces.hook('updating', full);
    studio.kept.hook('creating', full);
    expect(await tab.run({ kind: 'piece.part', id: 'a', part: 'P2' }, 'part')).toEqual({
      ok: true,
      value: { number: null },
    });
    await tab.run({ kind: 'settings.change', change: { look: 'paper' } }, 'look');
    await tab.run(entered(1), 'note 1');
    expect(tab.waiting().count).toBe(3);
    expect((await pieceById(studio, 'a'))?.part).toBeNull();
    expect(await tab.contents()).toMatchObject({
      pieces: [{ part: 'P2', musicXml: '<music n="1"/>' }],
      settings: { look: 'paper' },
    });
    isFull = false;
    await tab.retry();
    expect(tab.waiting()).toEqual({ count: 0, refused: [] });
    expect(await pieceById(studio, 'a')).toMatchObject({ part: 'P2', edition: '#1/7' });
  });
});
