import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { contents, does, emptyStudio, newPiece, newPupil, turns } from '../../tests/support/studio';
import { openDatabase, type StudioDatabase } from './database';
import { viewOfLists } from './door/view';
import { contentsOf, type StudioContents } from './file/contents';
import { rememberStudio, type Memory } from './remembered';

let studio: StudioDatabase;
let memory: Memory;

beforeEach(async () => {
  studio = emptyStudio();
  await does(studio, { kind: 'piece.add', pieces: [newPiece('tune'), newPiece('other')] });
  memory = rememberStudio(studio);
});
afterEach(async () => {
  memory.end();
  await studio.delete();
});

const recalled = async (): Promise<StudioContents> => {
  const { tables, stamps } = await memory.recall();
  return contentsOf(viewOfLists(tables), stamps);
};

describe('what is remembered of a studio', () => {
  it('is everything in it, also what is changed, taken out and brought back later', async () => {
    await does(studio, { kind: 'pupil.add', pupil: newPupil('ada') });
    await does(studio, { kind: 'piece.place', id: 'tune', place: 'archive' });
    await does(studio, { kind: 'piece.remove', id: 'other' });
    await does(studio, { kind: 'settings.change', change: { look: 'paper' } });
    expect(await recalled()).toEqual(await contents(studio));
    await turns(studio, 'undo');
    await turns(studio, 'undo');
    const now = await contents(studio);
    expect([now.pieces.length, now.settings]).toEqual([2, {}]);
    expect(await recalled()).toEqual(now);
  });

  it('is whole also where there are more records than are read at once', async () => {
    const cards = Array.from({ length: 1200 }, (_, i) => ({ id: `card-${i}`, pupil: 'ada', piece: 'tune' }));
    await does(studio, { kind: 'plan.cards', cards, atMs: 1 });
    memory.end();
    memory = rememberStudio(studio);
    expect((await memory.recall()).tables.plan).toHaveLength(1200);
  });

  it('is still there when the store is gone', async () => {
    await memory.read;
    const before = await contents(studio);
    studio.close();
    await studio.delete();
    expect([(await memory.recall()).isWhole, await recalled()]).toEqual([true, before]);
  });
});

describe('a store that was deleted', () => {
  it('is not made anew and empty by whoever had it open', async () => {
    const { name } = studio;
    studio.close();
    await studio.delete();
    const again = openDatabase(name, () => false);
    await expect(again.pieces.count()).rejects.toThrow();
    again.close();
    const names = (await indexedDB.databases()).map((one) => one.name);
    expect(names).not.toContain(name);
  });
});
