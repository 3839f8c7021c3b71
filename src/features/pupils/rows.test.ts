import { describe, expect, it } from '@jest/globals';
import { aFact, cleanPattern, securePiece } from '../../../tests/support/run-facts';
import { newPupil } from '../../../tests/support/studio';
import { briefOf } from '@/core/teaching';
import { USUAL_ENTRY, type PlanEntry } from '@/data/records/plan-record';
import { countsOf, groupsOf, rowsOf, wantedRows, type PupilFilter } from './rows';

const NOW = new Date(2026, 10, 28, 15).getTime();
const DAY = 86_400_000;
const card = (id: string, pupil: string, state: 'open' | 'done'): PlanEntry =>
  ({ ...USUAL_ENTRY, steps: null, carried: [], id, pupil, state }) as PlanEntry;

const pupils = [
  newPupil('cleo', { groups: ['Tuesday'], keysKnown: [] }),
  newPupil('Ada', { groups: ['Monday', 'Band'], keysKnown: [] }),
  newPupil('ben', { groups: ['Tuesday'], keysKnown: [] }),
];
const recent = [...securePiece('C-major'), ...cleanPattern('D-major')].map((run, i) => ({
  ...run,
  atMs: NOW - DAY + i,
}));
const rows = rowsOf({
  pupils,
  briefs: new Map([
    ['Ada', briefOf(recent)],
    ['ben', briefOf([aFact({ atMs: NOW - 20 * DAY })])],
  ]),
  plan: [card('1', 'Ada', 'done'), card('2', 'ben', 'open'), card('3', 'ben', 'open')],
  ownKeys: new Map([['tune', 'C-major']]),
  settings: { firstDay: 'monday' },
  nowMs: NOW,
});
const ALL: PupilFilter = { words: '', group: null, only: 'all' };
const names = (filter: Partial<PupilFilter>, order: Parameters<typeof wantedRows>[2] = 'name') =>
  wantedRows(rows, { ...ALL, ...filter }, order).map(({ pupil }) => pupil.name);

describe('the list of all pupils', () => {
  it('is ordered by name, by who waited longest, by what is open, by who is ready', () => {
    expect(names({})).toEqual(['Ada', 'ben', 'cleo']);
    expect(names({}, 'heard')).toEqual(['cleo', 'ben', 'Ada']);
    expect(names({}, 'week')).toEqual(['ben', 'Ada', 'cleo']);
    expect(names({}, 'ready')).toEqual(['Ada', 'ben', 'cleo']);
  });

  it('is searched by names and groups, and narrowed to a group or to those who need a look', () => {
    expect(names({ words: 'AD' })).toEqual(['Ada']);
    expect(names({ words: 'tues' })).toEqual(['ben', 'cleo']);
    expect(names({ group: 'Band' })).toEqual(['Ada']);
    expect(names({ only: 'quiet' })).toEqual(['ben', 'cleo']);
    expect(names({ only: 'ready' })).toEqual(['Ada']);
  });

  it('counts them', () => {
    expect([countsOf(rows), groupsOf(pupils, ['Monday', 'Tuesday'])]).toEqual([
      { quiet: 2, ready: 1 },
      ['Monday', 'Tuesday', 'Band'],
    ]);
  });
});
