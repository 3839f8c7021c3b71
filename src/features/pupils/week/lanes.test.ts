import { describe, expect, it } from '@jest/globals';
import { newPupil } from '../../../../tests/support/studio';
import { USUAL_ENTRY, type PlanEntry } from '@/data/records/plan-record';
import { copyFor, leftBefore, pupilLanes, putDown, WAITING, weekLanes } from './lanes';

const card = (id: string, more: Partial<PlanEntry> = {}): PlanEntry =>
  ({ ...USUAL_ENTRY, steps: null, carried: [], id, pupil: 'ada', week: '2026-11-26', ...more }) as PlanEntry;

const PLAN = [
  card('a'),
  card('b'),
  card('c'),
  card('later', { week: '2026-12-03', carried: ['2026-11-26'] }),
  card('waits', { week: null }),
];
const lanes = pupilLanes(PLAN, 'ada', '2026-11-26');

describe('the board of one pupil', () => {
  it('has what waits and four weeks; what was carried over is still seen where it was set', () => {
    expect(lanes.map(({ id }) => id)).toEqual([WAITING, '2026-11-26', '2026-12-03', '2026-12-10', '2026-12-17']);
    expect(lanes[1]?.carried.map(({ id }) => id)).toEqual(['later']);
    expect(lanes[0]?.carried).toEqual([]);
  });

  it.each([
    ['down in its column: behind the one it is put on', 'a', 'b', '2026-11-26', 'c'],
    ['down to the end', 'a', 'c', '2026-11-26', null],
    ['up in its column: before it', 'c', 'a', '2026-11-26', 'a'],
    ['into another week: before the card there', 'a', 'later', '2026-12-03', 'later'],
    ['into an empty week', 'a', '2026-12-17', '2026-12-17', null],
    ['back among what waits', 'a', WAITING, null, null],
  ])('puts a card %s', (_, id, over, week, before) => {
    expect(putDown(lanes, id, over)).toEqual({ kind: 'move', id, week, before });
  });

  it('does nothing where a card is put down where it was, or where nothing is', () => {
    for (const over of ['a', '2026-11-26', 'nowhere']) expect(putDown(lanes, 'a', over)).toEqual({ kind: 'nothing' });
  });

  it('knows what is left of earlier weeks', () => {
    const plan = [...PLAN, card('old', { week: '2026-11-19' }), card('done', { week: '2026-11-19', state: 'done' })];
    expect(leftBefore(plan, '2026-11-26').map(({ id }) => id)).toEqual(['old']);
  });
});

describe('the board of a week', () => {
  const all = weekLanes([card('a'), card('x', { pupil: 'ben' })], [newPupil('ada'), newPupil('ben')], '2026-11-26');

  it('copies a card to another pupil, with everything that is on it', () => {
    expect(putDown(all, 'a', 'x')).toMatchObject({ kind: 'copy', pupil: 'ben', card: { id: 'a' } });
    const full = card('a', { piece: 'tune', key: 'D-major', note: 'slowly', bars: { from: 0, to: 3 }, state: 'done' });
    expect(copyFor(full, 'ben', 'new')).toEqual({
      ...{ id: 'new', pupil: 'ben', piece: 'tune', key: 'D-major', stage: null, steps: null },
      ...{ bars: { from: 0, to: 3 }, note: 'slowly', week: '2026-11-26' },
    });
  });
});
