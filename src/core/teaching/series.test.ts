import { describe, expect, it } from '@jest/globals';
import { aFact, securePiece } from '../../../tests/support/run-facts';
import { briefOf } from './brief';
import type { RunFact } from './run-fact';
import { startOf } from '../calendar';
import { acrossPupils, faultsByBar, faultsByKind, keysSecured, piecesOverTime, weeksOfPractice } from './series';

const at = (day: string, time = '12:00'): number => {
  const [hours, minutes] = time.split(':').map(Number) as [number, number];
  return startOf(day) + (60 * hours + minutes) * 60_000;
};

describe('practice over weeks', () => {
  it('counts minutes, runs and clean runs, and shows weeks with nothing', () => {
    const runs = [
      aFact({ atMs: at('2026-12-31'), tookMs: 90_000 }),
      // The Sunday after: another week only where weeks begin on Sunday.
      aFact({ atMs: at('2027-01-03'), tookMs: 30_000, outcome: 'unclean' }),
      aFact({ atMs: at('2027-01-20'), tookMs: 60_000 }),
    ];
    expect(weeksOfPractice(runs, 'monday')).toEqual([
      { week: '2026-12-31', minutes: 2, runs: 2, clean: 1 },
      { week: '2027-01-07', minutes: 0, runs: 0, clean: 0 },
      { week: '2027-01-14', minutes: 0, runs: 0, clean: 0 },
      { week: '2027-01-21', minutes: 1, runs: 1, clean: 1 },
    ]);
    expect(weeksOfPractice(runs, 'sunday').map(({ runs: count }) => count)).toEqual([1, 1, 0, 1]);
    expect(weeksOfPractice([], 'monday')).toEqual([]);
  });

  it('has the fastest clean tempo of each piece in each key, the piece of today first', () => {
    const day = '2026-11-26';
    const runs = [
      aFact({ atMs: at(day, '10:00'), piece: 'old', tempo: 90 }),
      aFact({ atMs: at(day, '11:00'), tempo: 60 }),
      aFact({ atMs: at(day, '11:01'), tempo: 70 }),
      aFact({ atMs: at(day, '11:02'), tempo: 100, outcome: 'unclean' }),
      aFact({ atMs: at(day, '11:03'), tempo: 80, key: 'D-major', outcome: 'unclean' }),
      aFact({ atMs: at(day, '11:04'), music: 'warm-up', key: 'E-major' }),
    ];
    expect(
      piecesOverTime(runs, 'monday').map(({ piece, key, weeks }) => [piece, key, weeks[0]?.tempo, weeks[0]?.runs]),
    ).toEqual([
      ['tune', 'D-major', null, 1],
      ['tune', 'C-major', 70, 3],
      ['old', 'C-major', 90, 1],
    ]);
  });
});

describe('faults', () => {
  const wrong = (bar: string, kind: RunFact['faults'][number]['kind'], hand: 'left' | 'right' | null = 'left') => ({
    bar,
    kind,
    hand,
  });
  const runs = [
    aFact({ faults: [wrong('6', 'old-position'), wrong('10', 'missing')] }),
    aFact({
      piece: 'other',
      faults: [wrong('6', 'old-position'), wrong('6', 'late', 'right'), wrong('2', 'too-long')],
    }),
  ];

  it('are counted by kind, without what is only told', () => {
    expect(faultsByKind(runs)).toEqual([
      { kind: 'old-position', count: 2 },
      { kind: 'late', count: 1 },
      { kind: 'missing', count: 1 },
    ]);
  });

  it('are counted by bar, over all pieces, with what happens there most', () => {
    expect(faultsByBar(runs)).toEqual([
      { bar: '6', count: 3, runs: 2, pieces: 2, kind: 'old-position', hand: 'left' },
      { bar: '10', count: 1, runs: 1, pieces: 1, kind: 'missing', hand: 'left' },
    ]);
  });
});

describe('keys over months', () => {
  it('grow by what was played and by what the teacher says, which counts first', () => {
    const runs = securePiece('G-major').map((run, i) => ({ ...run, atMs: at('2026-11-20') + i }));
    const judged = [
      { key: 'C-major', state: 'secure', day: null, why: '' },
      { key: 'D-major', state: 'secure', day: '2027-01-10', why: '' },
      { key: 'F-major', state: 'learning', day: '2026-11-01', why: '' },
    ] as const;
    expect(keysSecured(runs, judged, '2027-01')).toEqual([
      { month: '2026-11', keys: ['C-major', 'G-major'] },
      { month: '2026-12', keys: ['C-major', 'G-major'] },
      { month: '2027-01', keys: ['C-major', 'G-major', 'D-major'] },
    ]);
    expect(keysSecured(runs, [{ key: 'G-major', state: 'learning', day: null, why: '' }], '2026-11')).toEqual([
      { month: '2026-11', keys: [] },
    ]);
  });
});

describe('across pupils', () => {
  it('puts pieces and keys first that are secure after the fewest play-throughs', () => {
    const slow = [...Array.from({ length: 4 }, () => aFact({ outcome: 'unclean' })), ...securePiece('C-major')];
    const tallies = (runs: readonly RunFact[]) => briefOf(runs).tallies;
    const found = acrossPupils(
      new Map([
        ['ada', tallies([...securePiece('C-major'), ...securePiece('D-major', 'other')])],
        ['ben', tallies(slow)],
        ['cleo', tallies([aFact({ key: 'E-major', outcome: 'unclean' })])],
      ]),
    );
    expect(
      found.map(({ piece, key, pupils, secured, runsToSecure, cleanPerCent }) => [
        piece,
        key,
        pupils,
        secured,
        runsToSecure,
        cleanPerCent,
      ]),
    ).toEqual([
      ['other', 'D-major', 1, 1, 3, 100],
      ['tune', 'C-major', 2, 2, 3, 60],
      ['tune', 'E-major', 1, 0, null, 0],
    ]);
  });
});
