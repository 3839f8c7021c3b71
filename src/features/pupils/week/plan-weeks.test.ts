import { describe, expect, it } from '@jest/globals';
import { cardsOver, type Spread } from './plan-weeks';

const PARTS = {
  numbers: ['0', '1', '2', '3', '4', '5', '6', '7', '8'],
  own: 'C-major',
  bars: 9,
  lines: [
    [0, 1, 2, 3, 4],
    [5, 6, 7, 8],
  ],
  phrases: [],
  hard: [],
};
const CALENDAR = {
  first: 'monday',
  holidays: [{ from: '2026-12-21', to: '2027-01-03', name: 'Winter' }],
  times: [],
} as const;
const spread = (more: Partial<Spread>): Spread => ({
  ...{ pupil: 'ada', piece: 'tune', keys: ['C-major'], stage: null, cut: 'lines', note: 'slowly', from: '2026-12-17' },
  ...more,
});
const made = (more: Partial<Spread>) =>
  cardsOver(spread(more), PARTS, CALENDAR, () => 'id').map(({ key, week, bars, note }) => [
    key,
    week,
    bars ? `${bars.first}-${bars.last}` : 'all',
    note,
  ]);

describe('a piece over the weeks', () => {
  it('is a line a week, by printed numbers, over the holidays, and whole in the end', () => {
    expect(made({})).toEqual([
      ['C-major', '2026-12-17', '0-4', 'slowly'],
      ['C-major', '2027-01-07', '5-8', ''],
      ['C-major', '2027-01-14', 'all', ''],
    ]);
  });

  it('goes on in a key a week', () => {
    expect(made({ cut: 'whole', keys: ['C-major', 'G-major', 'D-major'] }).map(([key, week]) => [key, week])).toEqual([
      ['C-major', '2026-12-17'],
      ['G-major', '2027-01-07'],
      ['D-major', '2027-01-14'],
    ]);
  });

  it('waits where no week is named', () => {
    expect(made({ from: null }).map(([, week]) => week)).toEqual([null, null, null]);
  });
});
