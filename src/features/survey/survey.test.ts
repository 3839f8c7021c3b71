import { describe, expect, it } from '@jest/globals';
import Papa from 'papaparse';
import type { SurveyKey } from '@/contract/core-questions';
import { columns, surveyCsv } from './numbers';
import { ranked } from './ranked';
import { WORDS } from '../../../tests/support/usual-words';

const key = (name: string, effort: number, more: Partial<SurveyKey> = {}): SurveyKey => ({
  tonic: name.split('-')[0] as string,
  mode: name.split('-')[1] as string,
  fifths: 0,
  name,
  words: name.replace('-', ' '),
  isOwn: name === 'C-major',
  effort,
  effortParts: [],
  why: ['right 4 on B♭ in bars 2 and 6', 'reads one flat'],
  blackFingers: { right: [4], left: [] },
  positions: { right: ['F'], left: [] },
  positionChanges: 1,
  moreMoves: 0,
  forced: { fingers: 0, moves: 0, openings: 0 },
  forcedChanges: 0,
  reading: { signs: -1, accidentals: 2, ledgerLines: 3 },
  reachMm: { right: 94, left: null },
  register: { right: { low: 'F4', high: 'C5' }, left: null },
  flags: { must: 0, should: 0, watch: 1 },
  leaveOut: null,
  ...more,
});

describe('ranked', () => {
  const keys = [
    key('C-major', 0),
    key('G-major', 0.1),
    key('F-major', 2),
    key('D-major', 1.9),
    key('Eb-major', 6, { leaveOut: '=thumb on black' }),
    key('D-minor', 0.05),
  ];
  const names = (order: Parameters<typeof ranked>[1], own: readonly string[] = []) =>
    ranked(keys, order, own).map(({ name }) => name);

  it('ranks all modes together, by ease', () =>
    expect(names('ease')).toEqual(['C-major', 'D-minor', 'G-major', 'D-major', 'F-major', 'Eb-major']));

  it('takes the teacher’s own order, the others after it, what is left out last', () => {
    expect(names('own', ['F', 'Eb', 'D'])).toEqual(['F-major', 'D-minor', 'D-major', 'C-major', 'G-major', 'Eb-major']);
    expect(ranked(keys, 'own', []).map(({ rank }) => rank)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it('is empty before the first key is known', () => expect(ranked([], 'ease', [])).toEqual([]));
});

describe('the numbers as CSV', () => {
  const text = surveyCsv(
    WORDS,
    ranked([key('C-major', 0), key('Eb-major', 6, { leaveOut: '=1+1, "so"' })], 'ease', []),
  );

  it('have a line for each key under the headings of the table, and what is said of it', () => {
    const { data } = Papa.parse<Record<string, string>>(text, { header: true });
    expect(Object.keys(data[0] ?? {})).toEqual([...columns(WORDS).map(([heading]) => heading), 'why', 'left out']);
    expect(
      data.map((row) => [
        row['place'],
        row['key'],
        row['effort'],
        row['black keys: right'],
        row['range right'],
        row['widest left (mm)'],
      ]),
    ).toEqual([
      ['1', 'C major', '0', '4', 'F4–C5', ''],
      ['2', 'Eb major', '6', '4', 'F4–C5', ''],
    ]);
    expect(data[0]?.['why']).toBe('right 4 on B♭ in bars 2 and 6; reads one flat');
  });

  it('quotes what a spreadsheet would take for something else', () => {
    expect(text).toContain('"\'=1+1, ""so"""');
    expect(text.split('\r\n')).toHaveLength(3);
  });
});
