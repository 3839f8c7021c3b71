import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { aRun, does, emptyStudio, newPiece, newPupil, turns, written } from '../../../tests/support/studio';
import { stepOf } from '@/core/homework';
import type { StudioDatabase } from '../database';
import { allFinds, allPupils, lessonsOf, pieceById, planOf, runsOf } from '../reading';
import type { PupilRecord } from '../records/pupil-record';
import { runCommand } from './door';

let studio: StudioDatabase;
beforeEach(async () => {
  studio = emptyStudio();
  await does(studio, { kind: 'piece.add', pieces: [newPiece('tune'), newPiece('other')] });
  await does(studio, { kind: 'pupil.add', pupil: newPupil('ada', { spanMm: 150 }) });
  await does(studio, { kind: 'pupil.add', pupil: newPupil('ben') });
});
afterEach(() => studio.delete());

async function pupil(id: string): Promise<PupilRecord> {
  const found = (await allPupils(studio)).find((one) => one.id === id);
  if (!found) throw new Error(`no pupil ${id}`);
  return found;
}

describe('the hand of a pupil', () => {
  const measure = (day: string, mm: number | null) => does(studio, { kind: 'pupil.measure', id: 'ada', day, mm });

  it('is as wide as it was when it was measured last, in whatever order the measures were written down', async () => {
    await measure('2026-09-10', 152);
    await measure('2027-01-14', 158);
    await measure('2026-03-05', 147);
    expect(await pupil('ada')).toMatchObject({
      spanMm: 158,
      spans: [
        { day: '2026-03-05', mm: 147 },
        { day: '2026-09-10', mm: 152 },
        { day: '2027-01-14', mm: 158 },
      ],
    });
  });

  it('is measured once a day: the later measure counts', async () => {
    await measure('2026-09-10', 152);
    await measure('2026-09-10', 153);
    expect((await pupil('ada')).spans).toEqual([{ day: '2026-09-10', mm: 153 }]);
  });

  it('goes back to the measure before where the newest is taken out, and to any hand where none is left', async () => {
    await does(studio, { kind: 'settings.change', change: { spanMm: 171 } });
    await measure('2026-09-10', 152);
    await measure('2027-01-14', 158);
    await measure('2027-01-14', null);
    expect((await pupil('ada')).spanMm).toBe(152);
    await measure('2026-09-10', null);
    expect(await pupil('ada')).toMatchObject({ spanMm: 171, spans: [] });
    expect(await turns(studio, 'undo')).toBe('pupil.measure');
    expect(await pupil('ada')).toMatchObject({ spanMm: 152, spans: [{ day: '2026-09-10', mm: 152 }] });
  });

  it('cannot be measured as what no hand is', async () => {
    const before = await written(studio);
    const attribution = { tab: 'one', label: 'x', atMs: 1 };
    for (const mm of [5, 1000, Number.NaN])
      expect(
        await runCommand(studio, { kind: 'pupil.measure', id: 'ada', day: '2026-09-10', mm }, attribution),
      ).toMatchObject({ ok: false, error: { code: 'store.invalid' } });
    expect(
      await runCommand(studio, { kind: 'pupil.measure', id: 'ada', day: '2027-02-29', mm: 150 }, attribution),
    ).toMatchObject({ ok: false });
    expect(await written(studio)).toBe(before);
  });
});

describe('what the teacher says of keys', () => {
  const day = '2026-11-26';
  const judge = (keys: readonly string[], state: 'secure' | 'learning' | 'not-yet' | null, why = '') =>
    does(studio, { kind: 'pupil.judge', id: 'ada', keys, state, day, why });

  it('is kept with its day and reason, and only what is secure is among the keys known', async () => {
    await judge(['D-major', 'E-major'], 'secure', 'by ear');
    await judge(['G-major'], 'learning');
    const { judged, keysKnown } = await pupil('ada');
    expect(judged).toEqual([
      { key: 'D-major', state: 'secure', day, why: 'by ear' },
      { key: 'E-major', state: 'secure', day, why: 'by ear' },
      { key: 'G-major', state: 'learning', day, why: '' },
    ]);
    expect(keysKnown).toEqual(['C-major', 'D-major', 'E-major']);
  });

  it('can be said otherwise, and left to the record again', async () => {
    await judge(['D-major'], 'secure');
    await judge(['D-major'], 'not-yet', 'forgotten over the summer');
    expect(await pupil('ada')).toMatchObject({ keysKnown: ['C-major'], judged: [{ state: 'not-yet' }] });
    await judge(['D-major'], null);
    expect((await pupil('ada')).judged).toEqual([]);
    await turns(studio, 'undo');
    expect((await pupil('ada')).judged).toMatchObject([{ key: 'D-major', why: 'forgotten over the summer' }]);
  });
});

describe('a change of a pupil', () => {
  it('touches the groups that it names: what another tab put there stays', async () => {
    const change = (group: string, as: 'put' | 'taken', tab: string) =>
      does(studio, { kind: 'pupil.change', id: 'ada', change: {}, groups: [{ group, as }] }, group, tab);
    await change('Tuesday', 'put', 'one');
    await change('duets', 'put', 'two');
    await change('Tuesday', 'taken', 'one');
    expect((await pupil('ada')).groups).toEqual(['duets']);
    expect(await turns(studio, 'undo', 'one')).toBe('Tuesday');
    expect((await pupil('ada')).groups).toEqual(['Tuesday', 'duets']);
  });

  it('is one edit, whatever it changes', async () => {
    await does(studio, {
      kind: 'pupil.change',
      id: 'ada',
      change: { name: 'Ada', range: { low: 57, high: 72 }, names: 'numbers' },
      groups: [
        { group: 'Tuesday', as: 'put' },
        { group: 'choir', as: 'put' },
      ],
    });
    expect(await pupil('ada')).toMatchObject({ name: 'Ada', names: 'numbers', groups: ['Tuesday', 'choir'] });
    await turns(studio, 'undo');
    expect(await pupil('ada')).toMatchObject({ name: 'ada', names: null, range: null, groups: [] });
  });

  it('that makes no pupil is refused', async () => {
    expect(
      await runCommand(
        studio,
        { kind: 'pupil.change', id: 'ada', change: { name: '' } },
        { tab: 'one', label: 'x', atMs: 1 },
      ),
    ).toMatchObject({ ok: false, error: { code: 'store.invalid' } });
    expect((await pupil('ada')).name).toBe('ada');
  });
});

describe('the cards of a week', () => {
  const [first, second, third] = ['2026-11-19', '2026-11-26', '2026-12-03'];
  const cards = (...ids: readonly string[]) =>
    does(studio, { kind: 'plan.cards', cards: ids.map((id) => ({ id, pupil: 'ada', week: first })), atMs: 5 });
  const inOrder = async (): Promise<readonly string[]> =>
    (await planOf(studio, 'ada')).map(({ id, week }) => `${id} ${week}`);

  it('stand behind what the pupil has, each pupil’s by themselves', async () => {
    await cards('a', 'b');
    await does(studio, {
      kind: 'plan.cards',
      cards: [
        { id: 'c', pupil: 'ada' },
        { id: 'x', pupil: 'ben' },
        { id: 'd', pupil: 'ada' },
      ],
      atMs: 6,
    });
    expect((await planOf(studio, 'ada')).map(({ id, place }) => [id, place])).toEqual([
      ['a', 0],
      ['b', 1],
      ['c', 2],
      ['d', 3],
    ]);
    expect((await planOf(studio, 'ben')).map(({ id, place }) => [id, place])).toEqual([['x', 0]]);
  });

  it('hold what is usual where nothing is said', async () => {
    await cards('a');
    expect((await planOf(studio, 'ada'))[0]).toMatchObject({
      ...{ piece: null, key: null, stage: null, bars: null, steps: null, note: '', state: 'open', carried: [] },
      addedAt: 5,
    });
  });

  it('are put before others, behind them all, and into other weeks', async () => {
    await cards('a', 'b', 'c');
    await does(studio, { kind: 'plan.move', id: 'c', week: first, before: 'a' });
    expect(await inOrder()).toEqual([`c ${first}`, `a ${first}`, `b ${first}`]);
    await does(studio, { kind: 'plan.move', id: 'c', week: first, before: null });
    expect(await inOrder()).toEqual([`a ${first}`, `b ${first}`, `c ${first}`]);
    await does(studio, { kind: 'plan.move', id: 'a', week: second, before: null });
    await does(studio, { kind: 'plan.move', id: 'b', week: second, before: 'a' });
    expect(await inOrder()).toEqual([`b ${second}`, `a ${second}`, `c ${first}`]);
    for (let i = 0; i < 4; i += 1) await turns(studio, 'undo');
    expect(await inOrder()).toEqual([`a ${first}`, `b ${first}`, `c ${first}`]);
  });

  it('that are carried over know from where, and what waited is only set', async () => {
    await cards('a', 'b');
    await does(studio, { kind: 'plan.move', id: 'b', week: null, before: null });
    await does(studio, {
      kind: 'plan.carry',
      cards: [
        { id: 'a', to: second },
        { id: 'b', to: second },
      ],
    });
    await does(studio, { kind: 'plan.carry', cards: [{ id: 'a', to: third }] });
    const carried = (await planOf(studio, 'ada')).map(({ id, week, carried: from }) => ({ id, week, from }));
    expect(carried).toEqual([
      { id: 'a', week: third, from: [first, second] },
      { id: 'b', week: second, from: [] },
    ]);
  });

  it('that are carried to where they are stay as they are', async () => {
    await cards('a');
    expect(await does(studio, { kind: 'plan.carry', cards: [{ id: 'a', to: first }] })).toBeNull();
    expect((await planOf(studio, 'ada'))[0]?.carried).toEqual([]);
  });

  it('are changed together and go together, in one edit each', async () => {
    await cards('a', 'b', 'c');
    await does(studio, { kind: 'plan.change', ids: ['a', 'b'], change: { state: 'done' } });
    await does(studio, { kind: 'plan.remove', ids: ['a', 'b'] });
    expect(await inOrder()).toEqual([`c ${first}`]);
    await turns(studio, 'undo');
    expect((await planOf(studio, 'ada')).map(({ state }) => state)).toEqual(['done', 'done', 'open']);
    await turns(studio, 'undo');
    expect((await planOf(studio, 'ada')).map(({ state }) => state)).toEqual(['open', 'open', 'open']);
  });

  it('are not moved where they are gone', async () => {
    expect(
      await runCommand(
        studio,
        { kind: 'plan.move', id: 'gone', week: first, before: null },
        { tab: 'one', label: 'x', atMs: 1 },
      ),
    ).toMatchObject({ ok: false, error: { code: 'store.gone', place: { table: 'plan', id: 'gone' } } });
  });

  it('of a run of keys pass over what is planned, but not what is planned in another stage or for some bars', async () => {
    await does(studio, {
      kind: 'plan.cards',
      cards: [
        { id: 'whole', pupil: 'ada', piece: 'tune', key: 'D-major' },
        { id: 'part', pupil: 'ada', piece: 'tune', key: 'E-major', bars: { from: 0, to: 1 } },
      ],
      atMs: 1,
    });
    const keys = [
      { id: 'd', key: 'D-major' },
      { id: 'd-bones', key: 'D-major', stage: 'bones' },
      { id: 'e', key: 'E-major' },
    ];
    await does(studio, { kind: 'plan.add', pupil: 'ada', piece: 'tune', keys, atMs: 2 });
    expect((await planOf(studio, 'ada')).map(({ id }) => id)).toEqual(['whole', 'part', 'd-bones', 'e']);
  });
});

describe('words that are kept while they are typed', () => {
  const types = (note: string, atMs: number, more: { readonly tab?: string; readonly day?: string } = {}) =>
    runCommand(
      studio,
      { kind: 'lesson.note', pupil: 'ada', day: more.day ?? '2026-11-26', note },
      { tab: more.tab ?? 'one', label: `note ${more.day ?? ''}`, atMs, isTyped: true },
    );
  const notes = async (): Promise<readonly string[]> => (await lessonsOf(studio, 'ada')).map(({ note }) => note);

  it('are one edit as long as they are gone on with: Undo takes all of them back, Redo brings all', async () => {
    const edits = await studio.history.count();
    for (const [i, text] of ['th', 'thumb', 'thumb under'].entries()) await types(text, 1000 + 200 * i);
    expect([await studio.history.count(), await notes()]).toEqual([edits + 1, ['thumb under']]);
    await turns(studio, 'undo');
    expect(await notes()).toEqual([]);
    await turns(studio, 'redo');
    expect(await notes()).toEqual(['thumb under']);
  });

  it('are an edit of their own after a while, in another tab, of another lesson, and after anything else', async () => {
    const edits = await studio.history.count();
    await types('a', 1000);
    await types('ab', 20_000);
    await types('abc', 20_100, { tab: 'two' });
    await types('x', 20_200, { tab: 'two', day: '2026-11-27' });
    await does(studio, { kind: 'piece.place', id: 'tune', place: 'archive' });
    await types('xy', 20_300, { tab: 'two', day: '2026-11-27' });
    expect(await studio.history.count()).toBe(edits + 6);
  });
});

describe('the note of a lesson', () => {
  const note = (text: string) => does(studio, { kind: 'lesson.note', pupil: 'ada', day: '2026-11-26', note: text });

  it('is one a day: the first begins it, what is written later goes on in it', async () => {
    await note('thumb under');
    await note('thumb under, slowly');
    expect(await lessonsOf(studio, 'ada')).toMatchObject([{ day: '2026-11-26', note: 'thumb under, slowly' }]);
    await turns(studio, 'undo');
    expect((await lessonsOf(studio, 'ada'))[0]?.note).toBe('thumb under');
    await turns(studio, 'undo');
    expect(await lessonsOf(studio, 'ada')).toEqual([]);
  });
});

describe('a pupil who is removed', () => {
  beforeEach(async () => {
    for (const id of ['ada', 'ben']) {
      const whose = { pupil: id, key: 'D-major' };
      await does(studio, { kind: 'plan.cards', cards: [{ id: `card-${id}`, pupil: id, piece: 'tune' }], atMs: 1 });
      await does(studio, { kind: 'lesson.note', pupil: id, day: '2026-11-26', note: `note of ${id}` });
      await does(studio, { kind: 'note.run', run: { ...aRun(`run-${id}`, 'tune', 9), pupil: id } });
      await does(studio, {
        kind: 'note.find',
        find: {
          id: `f-${id}`,
          pupil: id,
          kind: 'all-of',
          asked: 'Play every F.',
          verdict: 'right',
          tookMs: 5,
          atMs: 3,
        },
      });
      await does(studio, {
        kind: 'piece.fingers',
        id: 'tune',
        whose,
        wanted: [{ note: 'n1', finger: id === 'ada' ? 2 : 3 }],
      });
      await does(studio, { kind: 'piece.respell', id: 'tune', entry: `D-major|n1|${id}`, as: 'other' });
      await does(studio, { kind: 'piece.put-aside', id: 'other', whose, flag: 'f1', reason: 'later' });
      await does(studio, {
        kind: 'piece.homework',
        id: 'other',
        lists: [{ whose, steps: [stepOf('slow', {})] }],
      });
      await does(studio, { kind: 'piece.mark', id: 'tune', whose, mark: 'ring', notes: ['n1'], text: '' });
    }
    await does(studio, {
      kind: 'piece.fingers',
      id: 'tune',
      whose: { pupil: null, key: null },
      wanted: [{ note: 'n1', finger: 1 }],
    });
  });

  it('takes along what is theirs, and nothing of others or of any hand', async () => {
    await does(studio, { kind: 'pupil.remove', id: 'ada' });
    expect(await written(studio)).not.toContain('ada');
    expect([await planOf(studio, 'ben'), await lessonsOf(studio, 'ben'), await runsOf(studio, null, 'ben')]).toEqual([
      [expect.objectContaining({ id: 'card-ben' })],
      [expect.objectContaining({ note: 'note of ben' })],
      [expect.objectContaining({ id: 'run-ben' })],
    ]);
    const [tune, other] = [await pieceById(studio, 'tune'), await pieceById(studio, 'other')];
    expect(tune?.decided.fingers.map(({ finger }) => finger).toSorted()).toEqual([1, 3]);
    expect(tune?.respelled).toEqual(['D-major|n1|ben']);
    expect(tune?.decided.marks.map(({ pupil: whose }) => whose)).toEqual(['ben']);
    expect(other?.decided.aside.map(({ pupil: whose }) => whose)).toEqual(['ben']);
    expect(other?.homework.map(({ pupil: whose }) => whose)).toEqual(['ben']);
    expect((await allFinds(studio)).map(({ pupil: whose }) => whose)).toEqual(['ben']);
  });

  it('comes back whole with one undo, and goes again', async () => {
    const before = await written(studio);
    await does(studio, { kind: 'pupil.remove', id: 'ada' });
    const gone = await written(studio);
    expect(await turns(studio, 'undo')).toBe('pupil.remove');
    expect(await written(studio)).toBe(before);
    expect(await turns(studio, 'redo')).toBe('pupil.remove');
    expect(await written(studio)).toBe(gone);
  });

  it('is not removed twice', async () => {
    await does(studio, { kind: 'pupil.remove', id: 'ada' });
    expect(
      await runCommand(studio, { kind: 'pupil.remove', id: 'ada' }, { tab: 'one', label: 'x', atMs: 1 }),
    ).toMatchObject({ ok: false, error: { code: 'store.gone' } });
  });
});
