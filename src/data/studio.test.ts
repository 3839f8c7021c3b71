import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { unwrap } from '@/core/result';
import { openDatabase, type StudioDatabase } from './database';
import { redoEdit, undoEdit } from './journal';
import { decidedFor } from './decided';
import { allPupils, keepPupil } from './pupils';
import { USUAL_SETTINGS, type PieceRecord, type PupilRecord } from './records';
import { addPieces, allPieces, changeSettings, choosePart, currentSettings, noteKey, overruleKey, pieceById, putDemoAway, removePiece, respellNote, seedOnFirstVisit, type DemoStudio } from './studio';
import { readStudioFile, restoreStudio, studioFileText } from './studio-file';

const piece = (id: string, more: Partial<PieceRecord> = {}): PieceRecord => ({ id, origin: 'own', fileName: `${id}.musicxml`, musicXml: '<score-partwise/>', addedAt: 1, lastKey: null, ownKey: null, ...more });
const pupil = (id: string, more: Partial<PupilRecord> = {}): PupilRecord => ({ id, origin: 'own', name: id, addedAt: 1, level: '2', spanMm: 165, outer: 'allow', inner: 'interval', repeat: 'keep', keysKnown: ['C-major'], ...more });
const ids = async (): Promise<readonly string[]> => (await allPieces(database)).map(({ id }) => id);

let database: StudioDatabase;
let count = 0;
beforeEach(() => {
  count += 1;
  database = openDatabase(`test-${count}`);
});
afterEach(async () => {
  await database.delete();
});

describe('the shelf', () => {
  it('has the teacher’s own pieces first, newest first, then the demo’s in their order', async () => {
    await addPieces(database, [piece('old', { addedAt: 1 }), piece('new', { addedAt: 2 }), piece('b', { origin: 'demo', addedAt: 1 }), piece('a', { origin: 'demo', addedAt: 0 })], 'brought in');
    expect(await ids()).toEqual(['new', 'old', 'a', 'b']);
  });

  it('leaves a record that it does not understand in the database, and shows the others', async () => {
    await addPieces(database, [piece('good')], 'brought in');
    await database.pieces.put({ id: 'odd' } as PieceRecord);
    expect(await ids()).toEqual(['good']);
    expect(await database.pieces.count()).toBe(2);
    expect(await pieceById(database, 'odd')).toBeNull();
  });
});

describe('undo', () => {
  it('puts a removed piece back as it was, and takes it away again', async () => {
    const kept = piece('a', { lastKey: 'D-major' });
    await addPieces(database, [kept], 'brought in');
    await removePiece(database, 'a', 'taken off');
    expect(await undoEdit(database)).toBe('taken off');
    expect(await pieceById(database, 'a')).toEqual(kept);
    expect(await redoEdit(database)).toBe('taken off');
    expect(await ids()).toEqual([]);
  });

  it('says when there is nothing to take back', async () => {
    expect([await undoEdit(database), await redoEdit(database)]).toEqual([null, null]);
  });

  it('forgets what was undone once something else is done', async () => {
    await addPieces(database, [piece('a')], 'first');
    await undoEdit(database);
    await addPieces(database, [piece('b')], 'second');
    expect(await redoEdit(database)).toBeNull();
    expect(await ids()).toEqual(['b']);
  });

  it('of any history gives back the first state, redo the last', async () => {
    const deed = fc.oneof(
      fc.record({ kind: fc.constant('add' as const), id: fc.constantFrom('a', 'b', 'c'), stamp: fc.integer({ min: 0, max: 99 }) }),
      fc.record({ kind: fc.constant('remove' as const), id: fc.constantFrom('a', 'b', 'c'), stamp: fc.constant(0) }),
      fc.record({ kind: fc.constant('settings' as const), id: fc.constantFrom('paper', 'lamplight'), stamp: fc.constant(0) }),
    );
    const state = async (): Promise<unknown> => [await allPieces(database), await currentSettings(database)];
    await fc.assert(
      fc.asyncProperty(fc.array(deed, { minLength: 1, maxLength: 12 }), async (deeds) => {
        await database.journal.clear();
        const first = await state();
        for (const { kind, id, stamp } of deeds) {
          if (kind === 'add') await addPieces(database, [piece(id, { addedAt: stamp })], 'add');
          if (kind === 'remove') await removePiece(database, id, 'remove');
          if (kind === 'settings') await changeSettings(database, { look: id as 'paper' | 'lamplight' }, 'look');
        }
        const last = await state();
        for (let i = 0; i < deeds.length; i += 1) await undoEdit(database);
        expect(await state()).toEqual(first);
        for (let i = 0; i < deeds.length; i += 1) await redoEdit(database);
        expect(await state()).toEqual(last);
      }),
      { numRuns: 25 },
    );
  });
});

describe('the demo studio', () => {
  const load = async (): Promise<DemoStudio> => ({ pieces: [piece('demo', { origin: 'demo' })], pupils: [pupil('nell', { origin: 'demo' })] });

  it('is there on the first visit and only then', async () => {
    await seedOnFirstVisit(database, load);
    expect(await ids()).toEqual(['demo']);
    await putDemoAway(database);
    await seedOnFirstVisit(database, load);
    expect(await ids()).toEqual([]);
    expect((await currentSettings(database)).demoPutAway).toBe(true);
  });

  it('comes back with one undo, pupils and all', async () => {
    await seedOnFirstVisit(database, load);
    await putDemoAway(database);
    expect(await allPupils(database)).toEqual([]);
    await undoEdit(database);
    expect(await ids()).toEqual(['demo']);
    expect((await allPupils(database)).map(({ id }) => id)).toEqual(['nell']);
  });

  it('leaves the teacher’s own pieces alone when it goes', async () => {
    await seedOnFirstVisit(database, load);
    await addPieces(database, [piece('mine')], 'brought in');
    await putDemoAway(database);
    expect(await ids()).toEqual(['mine']);
  });
});

describe('settings', () => {
  it('are the usual ones until changed, and whole again where a stored one is not understood', async () => {
    expect(await currentSettings(database)).toEqual(USUAL_SETTINGS);
    await changeSettings(database, { keyOrder: 'fifths' }, 'order');
    expect((await currentSettings(database)).keyOrder).toBe('fifths');
    await database.kept.put({ id: 'settings', value: { look: 'tartan' } });
    expect(await currentSettings(database)).toEqual(USUAL_SETTINGS);
  });
});

describe('a piece’s keys', () => {
  it('are remembered: the one last looked at without an edit, the overruled one with', async () => {
    await addPieces(database, [piece('a')], 'brought in');
    await noteKey(database, 'a', 'Eb-major');
    expect((await pieceById(database, 'a'))?.lastKey).toBe('Eb-major');
    await overruleKey(database, piece('a', { lastKey: 'Eb-major' }), 'A-minor', 'key overruled');
    expect(await pieceById(database, 'a')).toMatchObject({ ownKey: 'A-minor', lastKey: null });
    await undoEdit(database);
    expect(await pieceById(database, 'a')).toMatchObject({ ownKey: null, lastKey: 'Eb-major' });
  });
});

describe('what the teacher decides of a piece', () => {
  it('is kept beside it and can be taken back: spelling of a note, the pupil’s part', async () => {
    await addPieces(database, [piece('a')], 'brought in');
    await respellNote(database, piece('a'), 'D-major|n3', 'F♯ written as G♭');
    expect((await pieceById(database, 'a'))?.respelled).toEqual(['D-major|n3']);
    await respellNote(database, (await pieceById(database, 'a')) as PieceRecord, 'D-major|n3', 'and back');
    expect((await pieceById(database, 'a'))?.respelled).toEqual([]);
    await undoEdit(database);
    expect((await pieceById(database, 'a'))?.respelled).toEqual(['D-major|n3']);
    await choosePart(database, (await pieceById(database, 'a')) as PieceRecord, 'P2', 'part');
    expect(await pieceById(database, 'a')).toMatchObject({ part: 'P2', respelled: ['D-major|n3'] });
  });

  it('goes into the studio file and comes back from it, with the MIDI file a piece was read from', async () => {
    const full = piece('a', { part: 'P2', respelled: ['D-major|n3'], midi: { file: 'TVRoZA==', grid: 4 }, remarks: [{ message: 'Every note stands on the grid.' }] });
    await addPieces(database, [full], 'brought in');
    const text = await studioFileText(database, 'now');
    await removePiece(database, 'a', 'gone');
    await restoreStudio(database, unwrap(readStudioFile(text)));
    expect(await pieceById(database, 'a')).toEqual(full);
  });
});

describe('pupils', () => {
  it('are kept, changed and taken back', async () => {
    await keepPupil(database, pupil('ada'), 'ada added');
    await keepPupil(database, pupil('ada', { spanMm: 172 }), 'ada changed');
    expect((await allPupils(database)).map(({ spanMm }) => spanMm)).toEqual([172]);
    await undoEdit(database);
    expect((await allPupils(database)).map(({ spanMm }) => spanMm)).toEqual([165]);
    await undoEdit(database);
    expect(await allPupils(database)).toEqual([]);
  });

  it('go into the studio file with what was decided for them, and come back', async () => {
    const decided = { fingers: [{ pupil: 'ada', key: 'D-major', note: 'n1', finger: 3 as const }], aside: [], marks: [] };
    await addPieces(database, [piece('p', { decided })], 'brought in');
    await keepPupil(database, pupil('ada'), 'ada added');
    const text = await studioFileText(database, '2026-01-01');
    await undoEdit(database);
    await undoEdit(database);
    await restoreStudio(database, unwrap(readStudioFile(text)));
    expect((await allPupils(database)).map(({ id }) => id)).toEqual(['ada']);
    expect(decidedFor((await pieceById(database, 'p')) as PieceRecord, 'ada').fingers).toEqual(decided.fingers);
    expect(decidedFor((await pieceById(database, 'p')) as PieceRecord, null).fingers).toEqual([]);
  });
});

describe('the studio file', () => {
  it('of an older version gets the usual choice for settings that it does not have', async () => {
    await addPieces(database, [piece('a')], 'brought in');
    const text = (await studioFileText(database, 'now')).replace(/\n {4}"keyboard": "88",/, '').replace(/"look": "system"/, '"look": "paper"');
    await restoreStudio(database, unwrap(readStudioFile(text)));
    expect(await currentSettings(database)).toMatchObject({ look: 'paper', keyboard: '88' });
  });

  it('restores everything, and one undo brings back what was here', async () => {
    await addPieces(database, [piece('a'), piece('b')], 'brought in');
    await changeSettings(database, { look: 'lamplight' }, 'look');
    const text = await studioFileText(database, '2026-11-24T12:00:00Z');
    await removePiece(database, 'a', 'taken off');
    await addPieces(database, [piece('c')], 'brought in');
    await restoreStudio(database, unwrap(readStudioFile(text)));
    expect([...(await ids())].sort()).toEqual(['a', 'b']);
    expect((await currentSettings(database)).look).toBe('lamplight');
    await undoEdit(database);
    expect([...(await ids())].sort()).toEqual(['b', 'c']);
  });

  it('carries through what a later version put into it', async () => {
    await addPieces(database, [{ ...piece('a'), tempo: 60 } as PieceRecord], 'brought in');
    const text = (await studioFileText(database, 'now')).replace('"newThumb": "studio"', '"newThumb": "studio",\n  "rooms": [{ "name": "Ilse" }]');
    await restoreStudio(database, unwrap(readStudioFile(text)));
    const again = JSON.parse(await studioFileText(database, 'later')) as { rooms: unknown; pieces: readonly unknown[] };
    expect(again.rooms).toEqual([{ name: 'Ilse' }]);
    expect(again.pieces[0]).toMatchObject({ tempo: 60 });
  });

  it.each([
    ['is cut off', (text: string) => text.slice(0, -20), 'cut off'],
    ['is another JSON file', () => '{"newThumb":"other"}', 'not complete'],
    ['lost a piece’s music', (text: string) => text.replace('"musicXml"', '"music"'), 'musicXml'],
    ['comes from a newer version', (text: string) => text.replace('"version": 1', '"version": 2'), 'newer'],
  ])('that %s is refused in words, before anything is changed', async (_name, spoil, says) => {
    await addPieces(database, [piece('a')], 'brought in');
    const result = readStudioFile(spoil(await studioFileText(database, 'now')));
    expect(result).toMatchObject({ ok: false, error: { message: expect.stringContaining(says) } });
    expect(await ids()).toEqual(['a']);
  });
});
