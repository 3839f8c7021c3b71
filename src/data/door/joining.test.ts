import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { contents, does, emptyStudio, newPiece, newPupil, turns, written } from '../../../tests/support/studio';
import type { StudioDatabase } from '../database';
import { conflictsHere, pieceById, planOf } from '../reading';
import { deviceOf } from './stamping';

const PLACE = { table: 'plan', id: 'card' } as const;
const NOTE = ['note'];

let teacher: StudioDatabase;
let tablet: StudioDatabase;
beforeEach(async () => {
  teacher = emptyStudio();
  tablet = emptyStudio();
  await does(teacher, { kind: 'piece.add', pieces: [newPiece('tune')] });
  await does(teacher, { kind: 'pupil.add', pupil: newPupil('ada') });
  await does(teacher, {
    kind: 'plan.cards',
    cards: [{ id: 'card', pupil: 'ada', piece: 'tune', key: 'D-major', note: 'slowly' }],
    atMs: 1,
  });
  await takes(tablet, teacher);
});
afterEach(async () => {
  await teacher.delete();
  await tablet.delete();
});

/** One device takes in what another one holds. */
async function takes(to: StudioDatabase, from: StudioDatabase): Promise<number | null> {
  return does(to, { kind: 'studio.join', contents: await contents(from), file: 'studio' });
}
const notes = (database: StudioDatabase, note: string): Promise<number | null> =>
  does(database, { kind: 'plan.change', ids: ['card'], change: { note } });
const noteOn = async (database: StudioDatabase): Promise<string | undefined> =>
  (await planOf(database, 'ada'))[0]?.note;

describe('what another device holds', () => {
  it('is here as it is there, once it is taken in', async () => {
    expect(await written(tablet)).toBe(await written(teacher));
    expect(await conflictsHere(tablet)).toEqual([]);
  });

  it('that is taken in twice changes nothing, and is no second edit', async () => {
    const before = await written(tablet);
    expect(await takes(tablet, teacher)).toBeNull();
    expect(await written(tablet)).toBe(before);
  });

  it('comes in beside what was done here in other fields', async () => {
    await notes(teacher, 'hands apart');
    await does(tablet, { kind: 'plan.change', ids: ['card'], change: { state: 'done' } });
    await takes(teacher, tablet);
    await takes(tablet, teacher);
    for (const database of [teacher, tablet])
      expect(await planOf(database, 'ada')).toMatchObject([{ note: 'hands apart', state: 'done' }]);
    expect(await conflictsHere(teacher)).toEqual([]);
  });

  it('replaces what it knew of: the later word on one device after the other is no conflict', async () => {
    await notes(teacher, 'hands apart');
    await takes(tablet, teacher);
    await notes(tablet, 'together now');
    await takes(teacher, tablet);
    expect(await noteOn(teacher)).toBe('together now');
    expect(await conflictsHere(teacher)).toEqual([]);
  });

  it('takes out what it took out, and keeps what was gone on with here', async () => {
    await does(teacher, { kind: 'plan.remove', ids: ['card'] });
    await takes(tablet, teacher);
    expect(await planOf(tablet, 'ada')).toEqual([]);
    await does(teacher, { kind: 'plan.cards', cards: [{ id: 'two', pupil: 'ada' }], atMs: 2 });
    await takes(tablet, teacher);
    await does(teacher, { kind: 'plan.remove', ids: ['two'] });
    await does(tablet, { kind: 'plan.change', ids: ['two'], change: { note: 'mine' } });
    await takes(tablet, teacher);
    expect(await planOf(tablet, 'ada')).toMatchObject([{ id: 'two', note: 'mine' }]);
    await takes(teacher, tablet);
    expect(await planOf(teacher, 'ada')).toMatchObject([{ id: 'two', note: 'mine' }]);
  });

  it('goes again with one undo, and can be taken in anew', async () => {
    const before = await written(tablet);
    await notes(teacher, 'hands apart');
    const whose = { pupil: 'ada', key: 'D-major' };
    await does(teacher, { kind: 'piece.fingers', id: 'tune', whose, wanted: [{ note: 'n1', finger: 4 }] });
    await takes(tablet, teacher);
    const joined = await written(tablet);
    expect(await turns(tablet, 'undo')).toBe('studio.join');
    expect(await written(tablet)).toBe(before);
    expect(await turns(tablet, 'redo')).toBe('studio.join');
    expect(await written(tablet)).toBe(joined);
    await turns(tablet, 'undo');
    await takes(tablet, teacher);
    expect(await written(tablet)).toBe(joined);
    expect((await pieceById(tablet, 'tune'))?.decided.fingers).toMatchObject([{ note: 'n1', finger: 4 }]);
  });
});

describe('what two devices wrote into one field', () => {
  beforeEach(async () => {
    await notes(teacher, 'hands apart');
    await notes(tablet, 'I play it slowly');
    await takes(teacher, tablet);
  });

  it('stands as it stood here, and is shown with both', async () => {
    expect(await noteOn(teacher)).toBe('hands apart');
    expect(await conflictsHere(teacher)).toEqual([
      { ...PLACE, field: NOTE, values: ['hands apart', 'I play it slowly'] },
    ]);
  });

  it.each(['hands apart', 'I play it slowly'])('is settled by choosing “%s”, for both devices', async (value) => {
    await does(teacher, { kind: 'studio.settle', place: PLACE, field: NOTE, value });
    expect([await noteOn(teacher), await conflictsHere(teacher)]).toEqual([value, []]);
    await takes(tablet, teacher);
    expect([await noteOn(tablet), await conflictsHere(tablet)]).toEqual([value, []]);
  });

  it.each(['hands apart', 'I play it slowly'])('is to be chosen again where “%s” is taken back', async (value) => {
    await does(teacher, { kind: 'studio.settle', place: PLACE, field: NOTE, value });
    expect(await turns(teacher, 'undo')).toBe('studio.settle');
    expect(await noteOn(teacher)).toBe('hands apart');
    expect((await conflictsHere(teacher)).map(({ values }) => values)).toEqual([['hands apart', 'I play it slowly']]);
    expect(await turns(teacher, 'redo')).toBe('studio.settle');
    expect([await noteOn(teacher), await conflictsHere(teacher)]).toEqual([value, []]);
  });

  it('is settled by whoever writes something else', async () => {
    await notes(teacher, 'we begin again');
    expect(await conflictsHere(teacher)).toEqual([]);
    await takes(tablet, teacher);
    expect([await noteOn(tablet), await conflictsHere(tablet)]).toEqual(['we begin again', []]);
  });
});

describe('a studio file that is taken in whole', () => {
  it('brings what its studio knew of other devices, and this one goes on under a new name', async () => {
    await notes(teacher, 'hands apart');
    const [before, file] = [await deviceOf(tablet), await contents(teacher)];
    await does(tablet, { kind: 'studio.take-in', contents: file, how: 'replace', file: 'studio' });
    expect((await contents(tablet)).stamps).toEqual(file.stamps);
    expect(await deviceOf(tablet)).not.toBe(before);
    // What is written now is told from what the file knew.
    await notes(tablet, 'new here');
    await takes(teacher, tablet);
    expect([await noteOn(teacher), await conflictsHere(teacher)]).toEqual(['new here', []]);
  });

  it('that renews a piece is counted finger by finger: another device’s stay', async () => {
    const finger = (database: StudioDatabase, note: string) =>
      does(database, {
        kind: 'piece.fingers',
        id: 'tune',
        whose: { pupil: 'ada', key: 'D-major' },
        wanted: [{ note, finger: 2 }],
      });
    const other = emptyStudio();
    await takes(other, teacher);
    await finger(other, 'from-the-file');
    const file = await contents(other);
    await other.delete();
    await finger(tablet, 'at-home');
    await does(teacher, { kind: 'studio.take-in', contents: { ...file, stamps: [] }, how: 'renew', file: 'studio' });
    await takes(teacher, tablet);
    await takes(tablet, teacher);
    for (const database of [teacher, tablet])
      expect((await pieceById(database, 'tune'))?.decided.fingers.map(({ note }) => note)).toEqual([
        'at-home',
        'from-the-file',
      ]);
    expect(await conflictsHere(tablet)).toEqual([]);
  });
});
