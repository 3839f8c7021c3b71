import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { does, emptyStudio, newPiece } from '../../tests/support/studio';
import { USUAL_PLAYER } from '@/core/fingering';
import type { PieceFit } from '@/core/survey';
import type { StudioDatabase } from './database';
import { fitBytes, fitsFromBytes } from './fit-bytes';
import { fitName, fitStamp, keepFits, keptFits, piecesToFit, tidyFits } from './fits';
import { pieceRecord, type NewPiece, type PieceRecord } from './records/records';

const piece = (id: string, more: Partial<NewPiece> = {}): PieceRecord => pieceRecord(newPiece(id, more));
const fit = (id: string): PieceFit => ({
  piece: id,
  title: id,
  own: 'C-major',
  keys: [{ key: 'C-major', limits: 0, hands: [{ hand: 'right', moves: 0, positions: ['C'], onBlack: [], opens: 0 }] }],
});

let database: StudioDatabase;
beforeEach(() => {
  database = emptyStudio();
});
afterEach(() => database.delete());

const add = (...pieces: readonly PieceRecord[]) =>
  does(database, { kind: 'piece.add', pieces: pieces.map(({ id, ownKey }) => newPiece(id, { ownKey })) });

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
    await add(a, b);
    expect(await toFit()).toEqual(['a', 'b']);
    await keep(a);
    await keep(b);
    expect(await toFit()).toEqual([]);
    await database.pieces.update('a', { edition: 'changed' });
    await add(piece('c'));
    expect(await toFit()).toEqual(['c', 'a']);
    await does(database, { kind: 'piece.own-key', id: 'b', ownKey: 'G-major' });
    expect(await toFit()).toEqual(['c', 'a', 'b']);
  });

  it('a key that was looked at changes nothing; another hand is asked anew', async () => {
    await add(piece('a'));
    await keep(piece('a', { lastKey: 'D-major' }));
    expect(await toFit()).toEqual([]);
    expect((await keptFits(database, fitName({ ...USUAL_PLAYER, level: 1 }))).size).toBe(0);
    expect(fitName({ ...USUAL_PLAYER })).toBe(player);
  });

  it('is written short, and reads as it was', () => {
    const wide: PieceFit = {
      ...fit('a'),
      title: 'Über “B♭”',
      keys: [
        {
          key: 'Bb-major',
          limits: 2,
          hands: [
            { hand: 'left', moves: 3, positions: ['B♭', 'F♯'], onBlack: [1, 4, 5], opens: 1 },
            { hand: 'right', moves: 0, positions: [], onBlack: [], opens: 0 },
          ],
        },
      ],
    };
    const kept = [
      { stamp: '1/2', fit: wide },
      { stamp: '', fit: fit('b') },
    ];
    expect(fitsFromBytes(fitBytes(kept))).toEqual(kept);
    expect(fitsFromBytes(fitBytes([]))).toEqual([]);
  });

  it('the last answer about a piece counts, also once all is put together', async () => {
    await add(piece('a'), piece('b'));
    await keep(piece('a', { ownKey: 'G-major' }));
    await keep(piece('b'));
    await keep(piece('a'));
    expect(await toFit()).toEqual([]);
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(1);
    expect(await toFit()).toEqual([]);
  });

  it('does not believe another core, damaged text, or what is kept of a piece that is gone', async () => {
    await add(piece('a'), piece('b'));
    await keep(piece('a'));
    await database.fits.add({
      player,
      core: 'another',
      fits: fitBytes([{ stamp: fitStamp(piece('b')), fit: fit('b') }]),
    });
    await database.fits.add({ player, core: 'unbuilt', fits: new TextEncoder().encode('[["1/2') });
    await database.fits.add({ player, core: 'unbuilt', fits: new TextEncoder().encode('[{}]') });
    expect([...(await keptFits(database, player)).keys()]).toEqual(['a']);
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(1);
    await does(database, { kind: 'piece.remove', id: 'a' });
    await tidyFits(database, player);
    expect(await database.fits.count()).toBe(0);
  });
});
