import { afterEach, describe, expect, it } from '@jest/globals';
import { layDown } from '../../tests/support/old-database';
import { oldDatabase, oldStudioFile } from '../../tests/support/old-studios';
import { contents, does, emptyStudio, turns } from '../../tests/support/studio';
import { unwrap } from '@/core/base';
import { openDatabase, type StudioDatabase } from './database';
import { enteredSteps } from './door/door';
import { historyList } from './door/undo-redo';
import { readStudioFile } from './file/studio-file';
import { allFinds, allPieces, allPupils, currentDesk, currentSettings, pieceById, planOf, setAside } from './reading';
import { WORDS } from '../../tests/support/usual-words';

let opened: StudioDatabase | null = null;
afterEach(async () => {
  await opened?.delete();
  opened = null;
});

async function openOld(version: number): Promise<StudioDatabase> {
  const name = `old-${version}-${Math.random()}`;
  await layDown(oldDatabase(version), name);
  opened = openDatabase(name);
  await opened.open();
  return opened;
}

/** What every record of an old database must still say, whatever was added to it. */
async function holdsAll(
  studio: StudioDatabase,
  version: number,
  table: 'pieces' | 'pupils' | 'plan' | 'kept',
  except: readonly string[] = [],
): Promise<void> {
  for (const old of oldDatabase(version).tables[table] ?? []) {
    const now = (await studio.table(table).get(old['id'] as string)) as Readonly<Record<string, unknown>>;
    for (const [name, value] of Object.entries(old).filter(([one]) => !except.includes(one)))
      expect([name, now[name]]).toEqual([name, value]);
  }
}

describe('a database of an older version', () => {
  it.each([1, 2, 3, 4, 9])('%i opens with all it held', async (version) => {
    const studio = await openOld(version);
    await holdsAll(studio, version, 'pieces', ['musicXml', 'edition', 'decided', 'respelled']);
    for (const table of ['pupils', 'plan', 'kept'] as const) await holdsAll(studio, version, table);
    expect((await studio.pieces.toArray()).every(({ form }) => form === 5)).toBe(true);
  });

  it('1: pieces, settings, what a file carried, and every edit, which can be taken back to the first', async () => {
    const studio = await openOld(1);
    expect((await allPieces(studio)).map(({ id }) => id)).toEqual(['tin-roof', 'lantern']);
    expect(await currentSettings(studio)).toMatchObject({
      look: 'lamplight',
      outer: 'avoid',
      keyOrder: 'fifths',
      spelling: 'plain',
      keyboard: '88',
    });
    expect((await contents(studio)).carried).toEqual({ rooms: [{ name: 'Ilse' }] });
    expect(await turns(studio, 'undo')).toBe('the piece is in A minor');
    expect((await pieceById(studio, 'tin-roof'))?.ownKey).toBeNull();
    expect(await turns(studio, 'undo')).toBe('Light or dark: Lamplight');
    expect((await currentSettings(studio)).look).toBe('system');
    expect(await turns(studio, 'undo')).toBe('“tin-roof.musicxml” brought in');
    expect(await pieceById(studio, 'tin-roof')).toBeNull();
    for (const label of ['“tin-roof.musicxml” brought in', 'Light or dark: Lamplight', 'the piece is in A minor'])
      expect(await turns(studio, 'redo')).toBe(label);
    expect(await pieceById(studio, 'tin-roof')).toMatchObject({
      ownKey: 'A-minor',
      musicXml: expect.stringContaining('Tin Roof'),
    });
  });

  it('2: pupils, desk, and everything that was decided, with one edit that is still to be done again', async () => {
    const studio = await openOld(2);
    const piece = await pieceById(studio, 'tin-roof');
    expect(piece).toMatchObject({
      part: 'P1',
      midi: { file: 'TVRoZA==', grid: 4 },
      beside: { pupils: [1] },
      remarks: [{ bar: '2' }],
    });
    expect([...(piece?.decided.fingers ?? [])].map(({ note, finger }) => `${note} ${finger}`).toSorted()).toEqual([
      'n1 2',
      'n2 3',
    ]);
    expect([
      piece?.decided.aside[0]?.reason,
      piece?.decided.marks[0]?.kind,
      [...(piece?.respelled ?? [])].toSorted(),
    ]).toEqual(['she likes it', 'ring', ['B-major|n1|ada', 'D-major|n2']]);
    expect(await currentDesk(studio)).toMatchObject({
      pupil: 'ada',
      zoom: 120,
      labels: ['letters'],
      tracks: 'shown',
      entering: 'wide',
    });
    expect(await turns(studio, 'redo')).toBe('Ada changed');
    expect((await allPupils(studio)).map(({ name }) => name)).toEqual(['Ada B.']);
    for (const label of ['Ada changed', 'Ada added', 'finger 2 on C4']) expect(await turns(studio, 'undo')).toBe(label);
    expect((await pieceById(studio, 'tin-roof'))?.decided.fingers.map(({ note }) => note)).toEqual(['n2']);
  });

  it('3: what was entered and not yet settled is in its piece, its steps stand in the one history, and what leads nowhere is set aside', async () => {
    const studio = await openOld(3);
    const [pending] = oldDatabase(3).tables['pending'] ?? [];
    expect((await pieceById(studio, 'tin-roof'))?.musicXml).toBe(pending?.['musicXml']);
    const { steps, base } = await enteredSteps(studio, 'tin-roof');
    expect([steps.map(({ state }) => state), base]).toEqual([['done', 'done', 'done'], null]);
    expect(
      (await historyList(studio)).slice(0, 4).map(({ label, kind }) => [kind, label.replace(/ with.*/, '')]),
    ).toEqual([
      ['entered', 'E4'],
      ['entered', 'G4'],
      ['entered', 'F4'],
      ['fields', 'Ada changed'],
    ]);
    expect(await turns(studio, 'undo')).toBe('entered');
    expect((await setAside(studio)).map(({ id }) => id)).toEqual(['pending/gone', 'steps/other']);
  });

  it('4: plans and answers of finding games; a record that is none stays, and is listed', async () => {
    const studio = await openOld(4);
    expect((await planOf(studio, 'ada')).map(({ key }) => key)).toEqual(['D-major']);
    expect((await allFinds(studio)).map(({ asked, verdict }) => `${asked} ${verdict}`)).toEqual([
      'Play every F. right',
      'Play every C. wrong',
    ]);
    expect((await currentSettings(studio)).ownOrder).toEqual(['C', 'Bb']);
    expect(await setAside(studio)).toMatchObject([
      { table: 'pieces', id: 'odd', why: expect.stringContaining('required') },
    ]);
    expect(await turns(studio, 'undo')).toBe('planned');
    expect(await planOf(studio, 'ada')).toEqual([]);
  });

  it('9, of version 0.1.0: cards of a week, a lesson, a run with what was played, a measured hand, and every edit', async () => {
    const studio = await openOld(9);
    expect((await planOf(studio, 'ada')).map(({ id, week }) => [id, week])).toEqual([
      ['c1', '2026-11-26'],
      ['c2', null],
    ]);
    expect(await studio.runs.get('r1')).toMatchObject(oldDatabase(9).tables['runs']?.[0] ?? {});
    expect((await allPupils(studio))[0]?.spans.map(({ mm }) => mm)).toContain(172);
    expect(await setAside(studio)).toEqual([]);
    const labels: (string | null)[] = [];
    for (let label = await turns(studio, 'undo'); label !== null; label = await turns(studio, 'undo'))
      labels.push(label);
    expect(labels).toEqual([
      'Light or dark: Lamplight',
      'a note',
      'planned',
      'Ada measured',
      'Ada added',
      'the piece is in A minor',
      '“tin-roof.musicxml” brought in',
    ]);
    expect(await allPieces(studio)).toEqual([]);
  });
});

describe('a studio file of an older version', () => {
  it.each([1, 2, 3, 4, 5])('as version %i wrote it is taken in with all it held', async (version) => {
    const studio = emptyStudio();
    opened = studio;
    const read = unwrap(readStudioFile(WORDS.store, oldStudioFile(version)));
    expect([read.remarks, read.lost, read.contents.aside]).toEqual([[], [], []]);
    await does(studio, { kind: 'studio.take-in', contents: read.contents, how: 'replace', file: 'studio' });
    const old = JSON.parse(oldStudioFile(version)) as Readonly<
      Record<string, readonly Readonly<Record<string, unknown>>[]>
    >;
    for (const piece of old['pieces'] ?? [])
      expect((await pieceById(studio, String(piece['id'])))?.musicXml).toBe(piece['musicXml']);
    expect((await allPupils(studio)).length).toBe((old['pupils'] ?? []).length);
    expect((await allFinds(studio)).length).toBe((old['finds'] ?? old['answers'] ?? []).length);
    expect((await planOf(studio, 'ada')).length).toBe((old['plan'] ?? []).length);
    expect(await currentSettings(studio)).toMatchObject(old['settings'] as unknown as Record<string, unknown>);
    expect((await contents(studio)).carried).toEqual(version === 1 ? { rooms: [{ name: 'Ilse' }] } : {});
  });
});
