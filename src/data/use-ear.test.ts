import { afterEach, beforeEach, expect, it } from '@jest/globals';
import { aRun, emptyStudio, tabOf } from '../../tests/support/studio';
import type { StudioDatabase } from './database';
import { followRecordings } from './door/recordings';
import { ownEarFigures } from './use-ear';

let database: StudioDatabase;
beforeEach(() => {
  database = emptyStudio();
});
afterEach(() => database.delete());

const kept = (): Promise<readonly string[]> => database.recordings.toCollection().primaryKeys();

it('keeps the sound of a run that is there, and of one that can be had back', async () => {
  const tab = tabOf(database);
  for (const id of ['there', 'deleted']) {
    await tab.run({ kind: 'note.run', run: aRun(id, 'tune', 5) }, '');
    await database.recordings.put({ run: id, sound: new Blob(['sound']) });
  }
  await tab.run({ kind: 'run.remove', ids: ['deleted'] }, '');
  await followRecordings(database);
  expect(await kept()).toEqual(['deleted', 'there']);
});

it('lets go of a sound whose run nobody can bring back', async () => {
  await database.recordings.put({ run: 'gone', sound: new Blob(['sound']) });
  await followRecordings(database);
  expect(await kept()).toEqual([]);
});

it('counts what the ear made of runs that were played just as they are written', async () => {
  const tab = tabOf(database);
  const runs = [
    { id: 'clean', faults: [], written: 12, right: 12, unclear: [3] },
    { id: 'accused', written: 12, right: 11, unclear: [] },
    { id: 'of another', written: 12, right: 2, unclear: [] },
  ];
  for (const run of runs) {
    await tab.run({ kind: 'note.run', run: { ...aRun(run.id, 'tune', 5), ...run } }, '');
    await database.recordings.put({ run: run.id, sound: new Blob(['sound']), asWritten: run.id !== 'of another' });
  }
  expect(await ownEarFigures(database)).toEqual({ runs: 2, accused: 1, notes: 24, right: 22, unclear: 1 });
});
