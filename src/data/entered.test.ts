import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { openDatabase, type StudioDatabase } from './database';
import { noteEntered, settleEntered, stepsOf, type Entered } from './entered';
import { undoEdit } from './journal';
import { NOTHING_DECIDED, type PieceRecord } from './records';
import { addPieces, pieceById } from './studio';
import { decide, withFingers } from './decided';

const PIECE: PieceRecord = { id: 'p', origin: 'own', fileName: 'p.musicxml', musicXml: '<first/>', addedAt: 1, lastKey: null, ownKey: null, part: null, respelled: [], remarks: [] };
const entered = (count: number, state: 'done' | 'undone' = 'done'): Entered => ({ musicXml: `<music n="${count}"/>`, edition: `${count}/7`, count, changed: [{ number: count - 1, state, change: `{"n":${count}}` }] });

let database: StudioDatabase;
let number = 0;
beforeEach(async () => {
  number += 1;
  database = openDatabase(`entered-${number}`);
  await addPieces(database, [PIECE], 'brought in');
});
afterEach(() => database.delete());

/** Enters, and lets the hands rest. */
const keepEntered = async (piece: string, what: Entered): Promise<void> => {
  await noteEntered(database, piece, what);
  await settleEntered(database);
};

const numbers = async (): Promise<readonly number[]> => (await stepsOf(database, 'p')).map((step) => step.number);

describe('keeping what is entered', () => {
  it('puts the piece and its steps away together, in order', async () => {
    for (const count of [1, 2, 3]) await keepEntered('p', entered(count));
    expect(await pieceById(database, 'p')).toMatchObject({ musicXml: '<music n="3"/>', edition: '3/7' });
    expect(await numbers()).toEqual([0, 1, 2]);
  });

  it('steps that a new one took the place of are gone', async () => {
    for (const count of [1, 2, 3]) await keepEntered('p', entered(count));
    await keepEntered('p', entered(2));
    expect(await numbers()).toEqual([0, 1]);
  });

  it('what a closed tab had only noted comes into the piece later, once', async () => {
    await noteEntered(database, 'p', entered(1));
    expect((await pieceById(database, 'p'))?.musicXml).toBe('<first/>');
    await settleEntered(database);
    expect((await pieceById(database, 'p'))?.musicXml).toBe('<music n="1"/>');
    expect(await database.pending.count()).toBe(0);
  });

  it('a piece that is not there is not made of its note, and a damaged note is left alone', async () => {
    await keepEntered('gone', entered(1));
    expect(await pieceById(database, 'gone')).toBeNull();
    await database.pending.put({ piece: 'p', musicXml: 7 } as unknown as Parameters<typeof database.pending.put>[0]);
    await settleEntered(database);
    expect((await pieceById(database, 'p'))?.musicXml).toBe('<first/>');
    expect(await database.pending.count()).toBe(1);
  });

  it('a damaged step ends the history there', async () => {
    for (const count of [1, 2, 3]) await keepEntered('p', entered(count));
    await database.steps.put({ piece: 'p', number: 1, state: 'lost', change: '' } as unknown as Parameters<typeof database.steps.put>[0]);
    expect(await numbers()).toEqual([0]);
  });
});

describe('taking back another edit of the piece', () => {
  it('leaves what was entered since', async () => {
    await decide(database, 'p', (decided) => withFingers(decided, { pupil: null, key: null }, [{ note: 'n1', finger: 4 }]), 'finger 4');
    await keepEntered('p', entered(1));
    await undoEdit(database);
    const piece = await pieceById(database, 'p');
    expect(piece).toMatchObject({ musicXml: '<music n="1"/>', edition: '1/7' });
    expect(piece?.decided ?? NOTHING_DECIDED).toEqual(NOTHING_DECIDED);
  });
});
