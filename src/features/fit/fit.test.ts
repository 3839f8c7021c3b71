import { describe, expect, it } from '@jest/globals';
import type { FitFilter, PieceFit } from '@/core/survey';
import type { PupilRecord } from '@/data';
import { filterName, filterNamed } from './fit-address';
import { filterChoices } from './filter-list';
import { WORDS } from '../../../tests/support/usual-words';

const FILTERS: readonly FitFilter[] = [
  { kind: 'stays-put' },
  { kind: 'no-black' },
  { kind: 'opens' },
  { kind: 'playable' },
  { kind: 'finger-on-black', finger: 4 },
  { kind: 'in-position', name: 'B♭' },
];

describe('filters in the address', () => {
  it.each(FILTERS)('%j comes back as it was', (filter) => expect(filterNamed(filterName(filter))).toEqual(filter));
  it.each(['', 'chess', 'finger-on-black:6', 'finger-on-black', 'in-position:H', 'in-position:<b>'])(
    '“%s” names none',
    (name) => expect(filterNamed(name)).toBeNull(),
  );
});

describe('the filters that are offered', () => {
  const fits: readonly PieceFit[] = [
    {
      piece: 'a',
      title: '',
      own: 'C-major',
      keys: ['C', 'D', 'B♭', 'B'].map((name) => ({
        key: `${name}-major`,
        limits: 0,
        hands: [{ hand: 'right', moves: 0, positions: [name], onBlack: [], opens: 0 }],
      })),
    },
  ];
  const pupil = { id: 'tam', name: 'Tam', keysKnown: ['C-major', 'D-major'] } as PupilRecord;
  const position = (chosen: readonly FitFilter[], whose: PupilRecord | null) =>
    filterChoices(WORDS, chosen, fits, whose).find(({ filter }) => filter.kind === 'in-position');

  it('have the positions of the shelf in order of letters, and say which are new for the pupil', () => {
    expect(position([], pupil)?.details.map(({ words }) => words)).toEqual([
      'C position',
      'D position',
      'B position, new for Tam',
      'B♭ position, new for Tam',
    ]);
    expect(position([], null)?.details.map(({ words }) => words)).toEqual([
      'C position',
      'D position',
      'B position',
      'B♭ position',
    ]);
  });

  it('begin with the easiest position that is new for the pupil, unless another was chosen', () => {
    expect(position([], pupil)?.filter).toEqual({ kind: 'in-position', name: 'B♭' });
    expect(position([{ kind: 'in-position', name: 'D' }], pupil)?.filter).toEqual({ kind: 'in-position', name: 'D' });
  });
});
