import { describe, expect, it } from '@jest/globals';
import { readQuery } from '@/features/shared/address/use-query';
import { SHAPE } from './fit-address';

const fit = (said: string) => readQuery(SHAPE, new URLSearchParams(said));

describe('what is asked of the shelf, by its address', () => {
  it('holds tonics, whether one is enough, and the filters', () => {
    expect(fit('tonics=C,Bb&enough=every&ask=stays-put,finger-on-black:4,in-position:E%E2%99%AD')).toEqual({
      pupil: null,
      tonics: ['C', 'Bb'],
      enough: 'every',
      ask: [{ kind: 'stays-put' }, { kind: 'finger-on-black', finger: 4 }, { kind: 'in-position', name: 'E♭' }],
    });
  });

  it('leaves out what it cannot mean', () => {
    expect(fit('tonics=C,H&enough=two&ask=stays-put,chess')).toEqual({
      pupil: null,
      tonics: [],
      enough: 'one',
      ask: [{ kind: 'stays-put' }],
    });
  });
});
