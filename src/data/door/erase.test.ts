import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { aRun, contents, does, emptyStudio, newPiece, newPupil, turns, written } from '../../../tests/support/studio';
import { unwrap } from '@/core/base';
import type { StudioDatabase } from '../database';
import { allPupils, currentDesk, factsOf, keepDigests, pieceById, planOf } from '../reading';
import { erasePupil } from './erase';

let studio: StudioDatabase;
beforeEach(async () => {
  studio = emptyStudio();
  await does(studio, { kind: 'piece.add', pieces: [newPiece('tune')] });
  for (const id of ['pupil-one', 'pupil-two']) {
    const whose = { pupil: id, key: 'D-major' };
    await does(studio, { kind: 'pupil.add', pupil: newPupil(id) });
    await does(studio, { kind: 'plan.cards', cards: [{ id: `card-of-${id}`, pupil: id, piece: 'tune' }], atMs: 1 });
    await does(studio, { kind: 'lesson.note', pupil: id, day: '2026-11-26', note: 'talked much' });
    await does(studio, { kind: 'note.run', run: { ...aRun(`run-of-${id}`, 'tune', 9), pupil: id } });
    await does(studio, { kind: 'piece.fingers', id: 'tune', whose, wanted: [{ note: 'n1', finger: 2 }] });
    await does(studio, { kind: 'plan.change', ids: [`card-of-${id}`], change: { note: 'slowly' } });
  }
  await does(studio, { kind: 'note.desk', change: { pupil: 'pupil-one' } });
  await keepDigests(studio, ['pupil-one', 'pupil-two']);
});
afterEach(() => studio.delete());

/** Everything in the database, in whatever table, as text. */
async function everything(): Promise<string> {
  const tables = await Promise.all(studio.tables.map(async ({ name }) => [name, await studio.table(name).toArray()]));
  return JSON.stringify(tables);
}

describe('a pupil who is removed for good', () => {
  it('is nowhere any more: not in the studio, its history, its digests, what is known of devices, or the desk', async () => {
    expect(await everything()).toContain('pupil-one');
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect(await everything()).not.toContain('pupil-one');
    expect((await currentDesk(studio)).pupil).toBeNull();
  });

  it('leaves everything of the others as it was', async () => {
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect((await allPupils(studio)).map(({ id }) => id)).toEqual(['pupil-two']);
    expect(await planOf(studio, 'pupil-two')).toMatchObject([{ note: 'slowly' }]);
    expect((await pieceById(studio, 'tune'))?.decided.fingers).toMatchObject([{ pupil: 'pupil-two' }]);
    const { byPupil, missing } = await factsOf(studio, ['pupil-two']);
    expect([byPupil.get('pupil-two')?.map(({ id }) => id), missing]).toEqual([['run-of-pupil-two'], []]);
    expect((await contents(studio)).lessons).toHaveLength(1);
  });

  it('cannot be brought back by undo; what was done for others still can be taken back', async () => {
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect(await turns(studio, 'undo')).toBe('plan.change');
    expect(await planOf(studio, 'pupil-two')).toMatchObject([{ note: '' }]);
    for (let label = await turns(studio, 'undo'); label !== null; label = await turns(studio, 'undo'));
    expect(await everything()).not.toContain('pupil-one');
  });

  it('goes also where only the history still knew of them', async () => {
    await does(studio, { kind: 'pupil.remove', id: 'pupil-one' });
    await does(studio, { kind: 'note.desk', change: { pupil: null } });
    const [before, kept] = [await written(studio), await everything()];
    expect(kept).toContain('pupil-one');
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect(await everything()).not.toContain('pupil-one');
    expect(await written(studio)).toBe(before);
  });
});

describe('a pupil whose name is short', () => {
  /** Pupils and words of others in which the letters of the first stand. */
  beforeEach(async () => {
    for (const id of ['a', 'ada', 'a/b'])
      await does(studio, { kind: 'pupil.add', pupil: newPupil(id, { name: `Name of ${id}` }) }, `Name of ${id} added`);
    await does(studio, { kind: 'lesson.note', pupil: 'a/b', day: '2026-11-26', note: 'a' });
    await does(studio, { kind: 'piece.tag', id: 'tune', tag: 'a', as: 'put' });
    await does(studio, { kind: 'settings.change', change: { ownOrder: ['A', 'a'] } });
  });

  it('goes alone: no edit, no record and no note of a stranger with it', async () => {
    const odd = {
      id: 'pieces/a',
      form: 5,
      from: 'a file',
      table: 'pieces',
      why: 'odd',
      value: { id: 'a', pupil: 'x' },
    };
    await studio.aside.bulkPut([
      odd,
      { ...odd, id: 'plan/p9', table: 'plan', value: { id: 'p9', pupil: 'a', note: 'theirs' } },
    ]);
    const edits = await studio.history.count();
    expect([...unwrap(await erasePupil(studio, 'a'))]).toEqual(['pupils/a']);
    expect(await studio.history.count()).toBe(edits - 1);
    expect((await allPupils(studio)).map(({ id }) => id)).toEqual(['a/b', 'ada', 'pupil-one', 'pupil-two']);
    expect((await contents(studio)).lessons).toHaveLength(3);
    expect((await studio.aside.toArray()).map(({ id }) => id)).toEqual(['pieces/a']);
    expect(await turns(studio, 'undo')).toBe('settings.change');
    expect(await turns(studio, 'undo')).toBe('piece.tag');
  });
});

describe('the sound of runs', () => {
  const sounds = (): Promise<readonly string[]> => studio.recordings.toCollection().primaryKeys();
  beforeEach(async () => {
    for (const run of ['run-of-pupil-one', 'run-of-pupil-two'])
      await studio.recordings.put({ run, sound: new Blob(['sound']) });
  });

  it('goes with the pupil, at once', async () => {
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect(await sounds()).toEqual(['run-of-pupil-two']);
  });

  it('goes also where the pupil was taken out before, or the run deleted', async () => {
    await does(studio, { kind: 'run.remove', ids: ['run-of-pupil-one'] });
    await does(studio, { kind: 'pupil.remove', id: 'pupil-one' });
    expect(await sounds()).toHaveLength(2);
    unwrap(await erasePupil(studio, 'pupil-one'));
    expect(await sounds()).toEqual(['run-of-pupil-two']);
  });
});

describe('an edit that is about others as well', () => {
  it('stays for them, without the pupil and without the name', async () => {
    await does(studio, { kind: 'pupil.change', id: 'pupil-one', change: { name: 'Ottilie' } });
    const cards = ['pupil-one', 'pupil-two'].map((pupil) => ({ id: `next-of-${pupil}`, pupil, piece: 'tune' }));
    await does(studio, { kind: 'plan.cards', cards, atMs: 2 }, 'a card for Ottilie and another');
    await does(studio, { kind: 'piece.remove', id: 'tune' });
    unwrap(await erasePupil(studio, 'pupil-one'));
    const left = await everything();
    expect([left.includes('pupil-one'), left.includes('Ottilie')]).toEqual([false, false]);
    expect(await turns(studio, 'undo')).toBe('piece.remove');
    expect((await pieceById(studio, 'tune'))?.decided.fingers).toMatchObject([{ pupil: 'pupil-two' }]);
    expect(await turns(studio, 'undo')).toBe('a card for … and another');
    expect((await planOf(studio, 'pupil-two')).map(({ id }) => id)).toEqual(['card-of-pupil-two']);
  });
});
