import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { spoiledFile, spoilsFor } from '../../../tests/support/hostile-files';
import { aRun, contents, does, emptyStudio, newPiece, newPupil } from '../../../tests/support/studio';
import { WORDS } from '../../../tests/support/usual-words';
import { rounds } from '../../../tests/support/rounds';
import { unwrap } from '@/core/base';
import type { StudioDatabase } from '../database';
import { runCommand } from '../door/door';
import { viewOf } from '../door/view';
import { deviceOf, knownStamps } from '../door/stamping';
import { allPupils, pieceById, planOf, setAside } from '../reading';
import { sameHeld } from '../records/field';
import { withoutPupil } from '../records/whose';
import { TABLES } from '../records/tables';
import { comingIn, harmIn, refusedIn } from './coming';
import type { StudioContents, TakingIn } from './contents';
import { handOverContents } from './hand-over';
import { joinContents } from './join-in';
import { readStudioFile, studioFileText } from './studio-file';
import { wantedByTakingIn } from './take-in';

const OTHERS = { piece: 'other', run: 'run-ben', card: 'p-ben', pupil: 'ben' };
const DAY = '2026-11-27T12:00:00.000Z';

let studio: StudioDatabase;
let home: StudioDatabase;
beforeEach(async () => {
  [studio, home] = [emptyStudio(), emptyStudio()];
  await does(studio, { kind: 'piece.add', pieces: [newPiece('tune'), newPiece('other')] });
  await does(studio, { kind: 'piece.tag', id: 'tune', tag: 'secret tag', as: 'put' });
  for (const id of ['ada', 'ben']) {
    await does(studio, { kind: 'pupil.add', pupil: newPupil(id) });
    await does(studio, { kind: 'pupil.change', id, change: { note: `secret of ${id}` } });
    await does(studio, { kind: 'plan.cards', cards: [{ id: `p-${id}`, pupil: id, piece: 'tune' }], atMs: 1 });
    await does(studio, { kind: 'note.run', run: { ...aRun(`run-${id}`, 'tune', 3), pupil: id } });
    const whose = { pupil: id, key: 'D-major' };
    await does(studio, { kind: 'piece.fingers', id: 'tune', whose, wanted: [{ note: 'n1', finger: 2 }] });
  }
});
afterEach(async () => {
  await Promise.all([studio.delete(), home.delete()]);
});

const handed = async (from: StudioDatabase, practice: 'with' | 'without' = 'with'): Promise<string> =>
  studioFileText(handOverContents(await contents(from), { pupil: 'ada', week: null, practice }), DAY, 'hand-over');
const read = (text: string): StudioContents => unwrap(readStudioFile(WORDS.store, text)).contents;

/** What a hand-over would do to a studio, as its screen shows it. */
async function lookedOver(to: StudioDatabase, file: StudioContents) {
  const view = viewOf(to);
  const joining = await joinContents(view, (ids) => knownStamps(to, ids), file, 'hand-over');
  return {
    coming: await comingIn(view, file, joining.wanted),
    refused: await refusedIn(view, file, joining.refused),
  };
}
async function joins(to: StudioDatabase, text: string): Promise<Awaited<ReturnType<typeof lookedOver>>> {
  const file = read(text);
  const looked = await lookedOver(to, file);
  await does(to, { kind: 'studio.join', contents: file, file: 'hand-over', listed: harmIn(looked.coming) });
  return looked;
}

/** Every record of a studio, by its name. */
async function records(database: StudioDatabase): Promise<ReadonlyMap<string, unknown>> {
  const all = await Promise.all(TABLES.map((table) => database.table(table).toArray()));
  return new Map(
    all.flatMap((list, i) => list.map((one: { readonly id: string }) => [`${TABLES[i]}/${one.id}`, one] as const)),
  );
}

/** What was changed or taken out between two states, as it has to be listed. */
function harmBetween(before: ReadonlyMap<string, unknown>, after: ReadonlyMap<string, unknown>): readonly string[] {
  return [...before].flatMap(([name, record]) => {
    if (!after.has(name)) return [`remove ${name}`];
    return sameHeld(record, after.get(name)) ? [] : [`change ${name}`];
  });
}

describe('a hand-over', () => {
  it('takes out no piece and no pupil, and replaces no music, whatever ids and stamps it names; it is said', async () => {
    const before = await records(studio);
    const file = JSON.parse(await handed(studio)) as Record<string, unknown[]>;
    // It claims to know everything that this device wrote, and to be later.
    const later = { seen: { [await deviceOf(studio)]: 99, evil: 9 }, dot: ['evil', 9], others: [] };
    file['stamps']?.push(
      { id: 'pieces/other', fields: { '[]': { ...later, value: false } } },
      { id: 'pupils/ben', fields: { '[]': { ...later, value: false } } },
      { id: 'pieces/tune', fields: { '["musicXml"]': later } },
    );
    Object.assign(file['pieces']?.[0] as object, { musicXml: '<evil/>' });
    const { coming, refused } = await joins(studio, JSON.stringify(file));
    expect(coming).toEqual([]);
    expect(refused.map(({ deed, what }) => [deed, what.kind === 'piece' ? what.piece.fileName : what])).toEqual([
      ['change', 'tune.musicxml'],
      ['remove', 'other.musicxml'],
      ['remove', { kind: 'pupil', name: 'ben' }],
    ]);
    expect(harmBetween(before, await records(studio))).toEqual([]);
  });

  it('changes what is its pupil’s, listed by name before', async () => {
    await joins(home, await handed(studio, 'without'));
    await does(home, { kind: 'plan.change', ids: ['p-ada'], change: { state: 'done' } });
    await does(home, { kind: 'note.run', run: { ...aRun('at-home', 'tune', 8), pupil: 'ada' } });
    const { coming, refused } = await joins(studio, await handed(home));
    expect(coming.map(({ deed, table, id, fields }) => [deed, `${table}/${id}`, fields.length > 0])).toEqual([
      ['change', 'plan/p-ada', true],
      ['add', 'runs/at-home', false],
    ]);
    expect(refused).toEqual([]);
    expect(await planOf(studio, 'ada')).toMatchObject([{ state: 'done' }]);
  });

  it('brings corrected music home, where the piece came by a hand-over of the same pupil', async () => {
    await joins(home, await handed(studio, 'without'));
    await does(studio, {
      ...{ kind: 'piece.enter', id: 'tune', from: null, base: null, stretch: 0, state: '1/5', count: 1 },
      ...{ musicXml: '<corrected/>', changed: [{ number: 0, state: 'done', change: '{}', words: '' }] },
    });
    const { coming } = await joins(home, await handed(studio, 'without'));
    expect(coming.map(({ deed, table, id }) => `${deed} ${table}/${id}`)).toEqual(['change pieces/tune']);
    expect((await pieceById(home, 'tune'))?.musicXml).toBe('<corrected/>');
  });

  it('of several pupils, or of none, does nothing', async () => {
    for (const pupils of [[], [newPupil('ada'), newPupil('eve')]]) {
      const before = await records(studio);
      const file = { ...JSON.parse(await handed(studio)), pupils } as Record<string, unknown>;
      file['plan'] = [{ id: 'new', form: 5, pupil: 'ada' }];
      const { coming, refused } = await joins(studio, JSON.stringify(file));
      expect([coming, refused.length > 0, harmBetween(before, await records(studio))]).toEqual([[], true, []]);
    }
  });

  it('that would do more by now than was looked at does nothing', async () => {
    await joins(home, await handed(studio, 'without'));
    await does(home, { kind: 'plan.remove', ids: ['p-ada'] });
    const file = read(await handed(home));
    const command = { kind: 'studio.join', contents: file, file: 'hand-over', listed: [] } as const;
    const done = await runCommand(studio, command, { tab: 'one', label: '', atMs: 1 });
    expect(done).toMatchObject({ ok: false, error: { code: 'store.not-as-looked-at' } });
    expect(await planOf(studio, 'ada')).toHaveLength(1);
  });

  it('carries nothing that is private: no tag, no note of a card that was taken out, nothing of a later version', async () => {
    await does(studio, { kind: 'plan.change', ids: ['p-ada'], change: { note: 'secret words' } });
    await does(studio, { kind: 'plan.remove', ids: ['p-ada'] });
    await studio.pupils.put({ ...(await studio.pupils.get('ada')), diagnosis: 'secret of later' } as never);
    const text = await handed(studio);
    expect(text).not.toContain('secret');
    expect(JSON.parse(text).stamps.map(({ id }: { readonly id: string }) => id)).toContain('plan/p-ada');
    await joins(home, text);
    expect((await allPupils(home)).map(({ id }) => id)).toEqual(['ada']);
  });
});

describe('files by clumsy or hostile hands', () => {
  let spoils: ReturnType<typeof spoilsFor> = [];
  beforeEach(async () => {
    spoils = spoilsFor({ ...OTHERS, device: await deviceOf(studio) });
  });
  const SEEDS = Array.from({ length: rounds(75, 1000) }, (_, i) => i + 1);

  it('that were handed over change nothing that was not listed by name, and nothing that is not the pupil’s', async () => {
    const text = await handed(studio);
    for (const seed of SEEDS) {
      const found = readStudioFile(WORDS.store, spoiledFile(text, spoils, seed));
      if (!found.ok) continue;
      const before = await records(studio);
      const looked = await lookedOver(studio, found.value.contents);
      const listed = harmIn(looked.coming);
      const command = { kind: 'studio.join', contents: found.value.contents, file: 'hand-over', listed } as const;
      const done = await runCommand(studio, command, { tab: 'one', label: 'handed', atMs: 1 });
      const after = await records(studio);
      const strange = harmBetween(before, after).filter((one) => {
        if (!listed.includes(one) || /ben|kept|remove p(ieces|upils)/.test(one)) return true;
        // In pieces nothing but what is the pupil’s own.
        const name = one.replace('change ', '');
        const [was, is] = [before.get(name), after.get(name)].map((piece) => withoutPupil(piece, [], 'ada'));
        return name.startsWith('pieces/') && !sameHeld(was, is);
      });
      expect({ seed, isDone: done.ok, strange }).toEqual({ seed, isDone: true, strange: [] });
      // What is left of the studio for the next one is what this one left.
      expect((await pieceById(studio, 'tune'))?.musicXml).toBe('<score-partwise/>');
    }
  });

  it('that hold a studio change nothing that was not listed, and lose nothing that was said to be set aside', async () => {
    const text = studioFileText(await contents(studio), DAY);
    for (const seed of SEEDS) {
      const found = readStudioFile(WORDS.store, spoiledFile(text, spoils, seed));
      if (!found.ok) continue;
      const { contents: file } = found.value;
      const how = (['keep', 'renew', 'replace'] as const)[seed % 3] as TakingIn;
      const view = viewOf(studio);
      const coming = await comingIn(view, file, (await wantedByTakingIn(view, file, how, 'studio')).wanted);
      const before = await records(studio);
      await does(studio, { kind: 'studio.take-in', contents: file, how, file: 'studio', listed: harmIn(coming) });
      const after = await records(studio);
      const strange = harmBetween(before, after).filter((one) => !harmIn(coming).includes(one));
      const kept = [...after.values(), ...(await setAside(studio)).map(({ value }) => value)];
      const lost = file.aside.filter(
        ({ value }) => !kept.some((one) => sameHeld(one, value) || sameHeld((one as { value?: unknown }).value, value)),
      );
      expect({ seed, strange, lost }).toEqual({ seed, strange: [], lost: [] });
    }
  });
});

it('two things set aside under one name are both there, and twice the same thing once', async () => {
  const aside = [1, 2, 2].map((value) => ({
    id: 'odd',
    form: 5,
    from: 'x',
    table: 'plan',
    why: 'y',
    value: { value },
  }));
  const text = studioFileText({ ...(await contents(studio)), aside: aside as never }, DAY);
  const taking = { kind: 'studio.take-in', contents: read(text), how: 'keep', file: 'studio' } as const;
  await does(studio, taking);
  await does(studio, taking);
  expect((await studio.aside.toArray()).map(({ id, value }) => [id, value])).toEqual([
    ['odd', { value: 1 }],
    ['odd (2)', { value: 2 }],
  ]);
});

it('records that bear one name go under “Set aside” as it was said, each of them', async () => {
  const now = await contents(studio);
  const twice = {
    ...now,
    pupils: [...now.pupils, newPupil('ada', { name: 'Second' }), newPupil('ben', { name: 'Third' })],
  };
  const text = studioFileText({ ...twice, pieces: [...now.pieces, newPiece('tune', { fileName: 'second.xml' })] }, DAY);
  const file = read(text);
  expect(file.aside).toHaveLength(3);
  await does(studio, { kind: 'studio.take-in', contents: file, how: 'keep', file: 'studio' });
  expect((await setAside(studio)).filter(({ table }) => table === 'aside')).toHaveLength(3);
});
