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
