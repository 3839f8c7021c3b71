import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { USUAL_PLAYER } from '@/core/finger';
import type { PieceFit } from '@/core/survey';
import { unwrap } from '@/core/result';
import { openDatabase, type StudioDatabase } from './database';
import { allFinds, noteFind } from './finds';
import { fitBytes, fitsFromBytes } from './fit-bytes';
import { fitName, fitStamp, keepFits, keptFits, piecesToFit, tidyFits } from './fits';
import { redoEdit, undoEdit } from './journal';
import { addToPlan, planOf, takeFromPlan, wholePlan } from './plan';
import type { FindRecord, PieceRecord, PlanEntry } from './records';
import { addPieces, removePiece } from './studio';
import { readStudioFile, restoreStudio, studioFileText } from './studio-file';

const piece = (id: string, more: Partial<PieceRecord> = {}): PieceRecord => ({ id, origin: 'own', fileName: `${id}.musicxml`, musicXml: '<score-partwise/>', addedAt: 1, lastKey: null, ownKey: null, ...more });
const fit = (id: string): PieceFit => ({ piece: id, title: id, own: 'C-major', keys: [{ key: 'C-major', limits: 0, hands: [{ hand: 'right', moves: 0, positions: ['C'], onBlack: [], opens: 0 }] }] });
const find = (more: Partial<FindRecord> = {}): FindRecord => ({ pupil: 'tam', kind: 'all-of', asked: 'Play every F.', verdict: 'right', tookMs: 900, atMs: 5, ...more });

let database: StudioDatabase;
let count = 0;
beforeEach(() => {
  count += 1;
  database = openDatabase(`planned-${count}`);
});
afterEach(async () => {
  await database.delete();
});

describe('a pupil’s plan', () => {
  const keysOf = async (pupil: string): Promise<readonly string[]> => (await planOf(database, pupil)).map(({ piece: id, key }) => `${id} ${key}`);

  it('takes a run of keys behind what is there, in order, each key of a piece once', async () => {
    expect(await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['C-major', 'G-major'] }, 'planned')).toEqual(['C-major', 'G-major']);
    expect(await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['G-major', 'D-major'] }, 'planned')).toEqual(['D-major']);
    await addToPlan(database, { pupil: 'bria', piece: 'a', keys: ['C-major'] }, 'planned');
    expect(await keysOf('tam')).toEqual(['a C-major', 'a G-major', 'a D-major']);
    expect(await keysOf('bria')).toEqual(['a C-major']);
  });

  it('can be taken back and done again, one run at a time', async () => {
    await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['C-major', 'G-major'] }, 'two keys');
    const [first] = await planOf(database, 'tam');
    await takeFromPlan(database, [(first as PlanEntry).id], 'one out');
    expect(await keysOf('tam')).toEqual(['a G-major']);
    expect(await undoEdit(database)).toBe('one out');
    expect(await undoEdit(database)).toBe('two keys');
    expect(await keysOf('tam')).toEqual([]);
    await redoEdit(database);
    expect(await keysOf('tam')).toEqual(['a C-major', 'a G-major']);
  });

  it('leaves an entry that it does not understand where it is', async () => {
    await database.plan.put({ id: 'odd', pupil: 'tam' } as PlanEntry);
    await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['C-major'] }, 'planned');
    expect(await keysOf('tam')).toEqual(['a C-major']);
    expect(await database.plan.count()).toBe(2);
  });

  it('goes into the studio file with the answers of finding games, and comes back', async () => {
    await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['C-major', 'D-major'] }, 'planned');
    await noteFind(database, find());
    const file = unwrap(readStudioFile(await studioFileText(database, '2026-11-25')));
    const other = openDatabase(`planned-other-${count}`);
    await noteFind(other, find({ atMs: 9 }));
    await restoreStudio(other, file);
    await restoreStudio(other, file);
    expect((await wholePlan(other)).map(({ key }) => key)).toEqual(['C-major', 'D-major']);
    // What was answered here is not lost, and what comes twice is there once.
    expect((await allFinds(other)).map(({ atMs }) => atMs)).toEqual([9, 5]);
    await undoEdit(other);
    await undoEdit(other);
    expect(await wholePlan(other)).toEqual([]);
    await other.delete();
  });

  it('a studio file from before there were plans is read', async () => {
    const text = JSON.stringify({ newThumb: 'studio', version: 1, savedAt: '', pieces: [], settings: {} });
    await addToPlan(database, { pupil: 'tam', piece: 'a', keys: ['C-major'] }, 'planned');
    await restoreStudio(database, unwrap(readStudioFile(text)));
    expect(await wholePlan(database)).toEqual([]);
    await undoEdit(database);
    expect(await wholePlan(database)).toHaveLength(1);
  });
});

describe('finding games', () => {
  it('keep every answer at once, oldest first, and pass over what is none', async () => {
    await noteFind(database, find({ atMs: 1 }));
    await database.finds.add({ kind: 'chess' } as unknown as FindRecord);
    await noteFind(database, find({ atMs: 2, verdict: 'wrong', pupil: null }));
    expect((await allFinds(database)).map(({ atMs, verdict, pupil }) => [atMs, verdict, pupil])).toEqual([[1, 'right', 'tam'], [2, 'wrong', null]]);
  });
});

describe('what is kept about the whole shelf', () => {
  const player = fitName(USUAL_PLAYER);
  const toFit = async (): Promise<readonly string[]> => {
    const found: string[] = [];
    for await (const { id } of piecesToFit(database, await keptFits(database, player))) found.push(id);
    return found;
  };
  const keep = (record: PieceRecord) => keepFits(database, player, [{ stamp: fitStamp(record), fit: fit(record.id) }]);

  it('asks only for what is new or was changed, what is not known first', async () => {
    const [a, b] = [piece('a'), piece('b')];
    await addPieces(database, [a, b], 'brought in');
    expect(await toFit()).toEqual(['a', 'b']);
    await keep(a);
    await keep(b);
    expect(await toFit()).toEqual([]);
    await addPieces(database, [{ ...a, edition: 'changed' }, piece('c')], 'changed');
    expect(await toFit()).toEqual(['c', 'a']);
    await addPieces(database, [{ ...b, ownKey: 'G-major' }], 'overruled');
    expect(await toFit()).toEqual(['c', 'a', 'b']);
  });

  it('a key that was looked at changes nothing; another hand is asked anew', async () => {
    await addPieces(database, [piece('a')], 'brought in');
    await keep(piece('a', { lastKey: 'D-major' }));
    expect(await toFit()).toEqual([]);
    expect((await keptFits(database, fitName({ ...USUAL_PLAYER, level: 1 }))).size).toBe(0);
    expect(fitName({ ...USUAL_PLAYER })).toBe(player);
  });

  it('is written short, and reads as it was', () => {
    const wide: PieceFit = { ...fit('a'), title: 'Über “B♭”', keys: [{ key: 'Bb-major', limits: 2, hands: [{ hand: 'left', moves: 3, positions: ['B♭', 'F♯'], onBlack: [1, 4, 5], opens: 1 }, { hand: 'right', moves: 0, positions: [], onBlack: [], opens: 0 }] }] };
    const kept = [{ stamp: '1/2', fit: wide }, { stamp: '', fit: fit('b') }];
    expect(fitsFromBytes(fitBytes(kept))).toEqual(kept);
    expect(fitsFromBytes(fitBytes([]))).toEqual([]);
  });

  it('the last answer about a piece counts, also once all is put together', async () => {
    await addPieces(database, [piece('a'), piece('b')], 'brought in');
    await keep(piece('a', { ownKey: 'G-major' }));
    await keep(piece('b'));
    await keep(piece('a'));
    expect(await toFit()).toEqual([]);
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(1);
    expect(await toFit()).toEqual([]);
  });

  it('does not believe another core, damaged text, or what is kept of a piece that is gone', async () => {
    await addPieces(database, [piece('a'), piece('b')], 'brought in');
    await keep(piece('a'));
    await database.fits.add({ player, core: 'another', fits: fitBytes([{ stamp: fitStamp(piece('b')), fit: fit('b') }]) });
    await database.fits.add({ player, core: 'unbuilt', fits: new TextEncoder().encode('[["1/2') });
    await database.fits.add({ player, core: 'unbuilt', fits: new TextEncoder().encode('[{}]') });
    expect([...(await keptFits(database, player)).keys()]).toEqual(['a']);
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(1);
    await removePiece(database, 'a', 'off');
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(0);
  });
});
