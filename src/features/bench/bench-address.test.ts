import { describe, expect, it } from '@jest/globals';
import { readQuery } from '@/features/shared/address/use-query';
import { SHAPE } from './bench-address';

const bench = (said: string) => readQuery(SHAPE, new URLSearchParams(said));

describe('the address of the Bench', () => {
  it('holds piece, key, ways of moving, pupil, stage and place', () => {
    expect(bench('piece=a&key=Bb-major&way=down&minor=melodic&right=-1&left=2&pupil=tam&stage=beats&at=3:2.5')).toEqual(
      {
        piece: 'a',
        key: 'Bb-major',
        way: 'down',
        minor: 'melodic',
        right: -1,
        left: 2,
        pupil: 'tam',
        stage: 'beats',
        at: '3:2.5',
      },
    );
  });

  it('what it cannot mean counts as not said', () => {
    expect(bench('key=H-major&way=sideways&minor=blue&right=9&left=a&at=here')).toEqual({
      piece: null,
      key: null,
      way: 'nearest',
      minor: 'harmonic',
      right: 0,
      left: 0,
      pupil: null,
      stage: null,
      at: null,
    });
  });
});
