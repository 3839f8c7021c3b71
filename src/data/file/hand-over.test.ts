import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { aRun, contents, does, emptyStudio, newPiece, newPupil, turns } from '../../../tests/support/studio';
import { WORDS } from '../../../tests/support/usual-words';
import { unwrap } from '@/core/base';
import { stepOf } from '@/core/homework';
import type { StudioDatabase } from '../database';
import { allPupils, lessonsOf, pieceById, planOf, runsOf } from '../reading';
import { handOverContents, handOverIn, pupilContents } from './hand-over';
import { readStudioFile, studioFileText } from './studio-file';

let studio: StudioDatabase;
let home: StudioDatabase;
beforeEach(async () => {
  studio = emptyStudio();
  home = emptyStudio();
  await does(studio, { kind: 'piece.add', pieces: [newPiece('tune'), newPiece('other')] });
  for (const id of ['ada', 'ben']) {
    await does(studio, { kind: 'pupil.add', pupil: newPupil(id) });
    const whose = { pupil: id, key: 'D-major' };
    await does(studio, { kind: 'piece.fingers', id: 'tune', whose, wanted: [{ note: `for-${id}`, finger: 2 }] });
    const steps = [stepOf('slow', { words: `for ${id}` })];
    await does(studio, { kind: 'piece.homework', id: 'tune', lists: [{ whose, steps }] });
    await does(studio, { kind: 'piece.respell', id: 'tune', entry: `D-major|n1|${id}`, as: 'other' });
    await does(studio, { kind: 'note.run', run: { ...aRun(`run-${id}`, 'tune', 3), pupil: id } });
  }
  await does(studio, {
    kind: 'plan.add',
    pupil: 'ada',
    piece: 'tune',
    keys: [
      { id: 'p1', key: 'D-major', stage: 'beats' },
      { id: 'p2', key: 'G-major' },
    ],
    atMs: 1,
  });
  await does(studio, { kind: 'plan.add', pupil: 'ben', piece: 'other', keys: [{ id: 'p3', key: 'C-major' }], atMs: 2 });
  await does(studio, { kind: 'settings.change', change: { look: 'paper' } });
});
afterEach(async () => {
  await studio.delete();
  await home.delete();
});

const handedText = async (pupil: string): Promise<string> =>
  studioFileText(
    handOverContents(await contents(studio), { pupil, week: null, practice: 'without' }),
    '2026-11-27T12:00:00.000Z',
    'hand-over',
  );

describe('what a pupil takes home', () => {
  it('holds the plan, its pieces and the pupil, and nothing of others', async () => {
    const text = await handedText('ada');
    const { kind, contents: handed } = unwrap(readStudioFile(WORDS.store, text));
    expect(kind).toBe('hand-over');
    expect([handed.pieces.length, handed.pupils.length, handed.plan.length, handed.runs.length]).toEqual([1, 1, 2, 0]);
    expect(text).not.toContain('ben');
    expect(text).toContain('for-ada');
    expect(text).not.toContain('paper');
  });

  it('is read at home: the same pupil, plan, fingers and steps, first things first', async () => {
    const { contents: handed } = unwrap(readStudioFile(WORDS.store, await handedText('ada')));
    await does(home, { kind: 'studio.join', contents: handed, file: 'hand-over' });
    expect((await allPupils(home)).map(({ id }) => id)).toEqual(['ada']);
    expect((await planOf(home, 'ada')).map(({ key, stage }) => `${key} ${stage}`)).toEqual([
      'D-major beats',
      'G-major null',
    ]);
    const piece = await pieceById(home, 'tune');
    expect(piece?.decided.fingers.map(({ note }) => note)).toEqual(['for-ada']);
    expect(piece?.respelled).toEqual(['D-major|n1|ada']);
    const { pupil, plan, runs } = handOverIn(handed);
    expect([pupil, plan[0]?.stage, runs]).toEqual([{ id: 'ada', name: 'ada' }, 'beats', 0]);
    expect(piece?.homework.map(({ steps }) => steps[0]?.words)).toEqual(['for ada']);
  });

  it('holds for every key where the teacher says so, in one edit that can be taken back', async () => {
    const steps = [stepOf('pulse', {})];
    const lists = [
      { whose: { pupil: 'ada', key: 'D-major' }, steps: null },
      { whose: { pupil: 'ada', key: null }, steps },
    ];
    const keysOf = async (): Promise<unknown> =>
      (await pieceById(studio, 'tune'))?.homework.filter(({ pupil }) => pupil === 'ada').map(({ key }) => key);
    await does(studio, { kind: 'piece.homework', id: 'tune', lists });
    expect(await keysOf()).toEqual([null]);
    expect(await turns(studio, 'undo')).toBe('piece.homework');
    expect(await keysOf()).toEqual(['D-major']);
  });

  it('of a pupil with nothing planned is only the pupil', async () => {
    await does(studio, { kind: 'plan.remove', ids: ['p1', 'p2'] });
    const handed = handOverContents(await contents(studio), { pupil: 'ada', week: null, practice: 'without' });
    expect([handed.pieces, handed.plan]).toEqual([[], []]);
    expect(handOverIn(handed)).toEqual({ pupil: { id: 'ada', name: 'ada' }, plan: [], runs: 0 });
  });
});

describe('what stays with the teacher', () => {
  it('is every note about the pupil, and who wrote it when', async () => {
    await does(studio, { kind: 'lesson.note', pupil: 'ada', day: '2026-11-26', note: 'secret-lesson' });
    await does(studio, { kind: 'lesson.note', pupil: 'ada', day: '2026-11-26', note: 'secret-later' });
    await does(studio, {
      kind: 'pupil.change',
      id: 'ada',
      change: { note: 'secret-note' },
      groups: [{ group: 'secret-group', as: 'put' }],
    });
    await does(studio, {
      ...{ kind: 'pupil.judge', id: 'ada', keys: ['E-major'], state: 'learning' },
      ...{ day: '2026-11-26', why: 'secret-reason' },
    });
    const before = (await contents(studio)).stamps.map(({ id }) => id);
    expect(before).toEqual(expect.arrayContaining(['lessons/ada/2026-11-26', 'pupils/ada']));
    const text = await handedText('ada');
    expect(text).not.toContain('secret');
    expect(text).not.toContain('lessons/');
    const { contents: handed } = unwrap(readStudioFile(WORDS.store, text));
    const told = handed.stamps.filter(({ id }) => id === 'pupils/ada').flatMap(({ fields }) => Object.keys(fields));
    expect(told.filter((name) => /note|groups|judged/.test(name))).toEqual([]);
  });

  it('is still there after the pupil brought back what was practised', async () => {
    await does(studio, { kind: 'pupil.change', id: 'ada', change: { note: 'shy' } });
    await does(studio, { kind: 'lesson.note', pupil: 'ada', day: '2026-11-26', note: 'thumb' });
    await bringsHome();
    await does(home, { kind: 'note.run', run: { ...aRun('at-home', 'tune', 8), pupil: 'ada' } });
    await bringsBack();
    expect((await allPupils(studio)).find(({ id }) => id === 'ada')?.note).toBe('shy');
    expect(await lessonsOf(studio, 'ada')).toMatchObject([{ note: 'thumb' }]);
    expect((await runsOf(studio, null, 'ada')).map(({ id }) => id)).toEqual(['at-home', 'run-ada']);
  });
});

async function bringsHome(): Promise<void> {
  const handed = handOverContents(await contents(studio), { pupil: 'ada', week: null, practice: 'without' });
  await does(home, { kind: 'studio.join', contents: handed, file: 'hand-over' });
}
async function bringsBack(): Promise<void> {
  const handed = handOverContents(await contents(home), { pupil: 'ada', week: null, practice: 'with' });
  await does(studio, { kind: 'studio.join', contents: handed, file: 'hand-over' });
}

describe('a piece that was taken home', () => {
  const whose = { pupil: 'ada', key: 'D-major' };
  const fingersAt = async (database: StudioDatabase): Promise<unknown> =>
    (await pieceById(database, 'tune'))?.decided.fingers.map(({ note, pupil }) => `${note} ${pupil}`);

  it('loses at home the finger that the teacher took out meanwhile', async () => {
    await bringsHome();
    expect(await fingersAt(home)).toEqual(['for-ada ada']);
    await does(studio, { kind: 'piece.let-go', id: 'tune', whose, notes: ['for-ada'] });
    await bringsHome();
    expect(await fingersAt(home)).toEqual([]);
  });

  it('takes nothing from other pupils when it comes back', async () => {
    await bringsHome();
    await does(home, { kind: 'piece.fingers', id: 'tune', whose, wanted: [{ note: 'at-home', finger: 3 }] });
    await bringsBack();
    expect(await fingersAt(studio)).toEqual(['at-home ada', 'for-ada ada', 'for-ben ben']);
  });
});

describe('only a week', () => {
  it('holds what is set for it, and the piece of it', async () => {
    await does(studio, {
      kind: 'plan.cards',
      cards: [{ id: 'p4', pupil: 'ada', piece: 'other', key: 'C-major', week: '2026-11-26' }],
      atMs: 3,
    });
    const handed = handOverContents(await contents(studio), { pupil: 'ada', week: '2026-11-26', practice: 'without' });
    expect(handOverIn(handed).plan.map(({ id }) => id)).toEqual(['p4']);
    expect(handed.pieces).toMatchObject([{ id: 'other' }]);
  });
});

describe('the file of one pupil', () => {
  it('brings the pupil back after the removal, with notes, plan, runs and fingers, and nothing of others', async () => {
    await does(studio, { kind: 'lesson.note', pupil: 'ada', day: '2026-11-26', note: 'thumb' });
    const before = await contents(studio);
    const text = studioFileText(pupilContents(before, 'ada'), '2026-11-27T12:00:00.000Z', 'pupil');
    expect(text).not.toContain('ben');
    await does(studio, { kind: 'pupil.remove', id: 'ada' });
    expect(await planOf(studio, 'ada')).toEqual([]);
    const { contents: kept } = unwrap(readStudioFile(WORDS.store, text));
    await does(studio, { kind: 'studio.take-in', contents: kept, how: 'keep', file: 'pupil' });
    expect((await planOf(studio, 'ada')).map(({ id }) => id)).toEqual(['p1', 'p2']);
    expect(await lessonsOf(studio, 'ada')).toMatchObject([{ note: 'thumb' }]);
    expect((await runsOf(studio, null, 'ada')).map(({ id }) => id)).toEqual(['run-ada']);
    expect((await pieceById(studio, 'tune'))?.decided.fingers.map(({ note }) => note)).toEqual(['for-ada', 'for-ben']);
  });
});
