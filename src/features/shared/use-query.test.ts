import { describe, expect, it } from '@jest/globals';
import { keyText } from '@/core/pitch';
import { SHAPE as ATLAS } from '@/features/atlas/atlas-address';
import { SHAPE as FIT } from '@/features/fit/fit-address';
import { SHAPE as SURVEY } from '@/features/survey/survey-address';
import { readQuery } from './use-query';

const survey = (said: string) => readQuery(SURVEY, new URLSearchParams(said));
const fit = (said: string) => readQuery(FIT, new URLSearchParams(said));
const atlas = (said: string) => readQuery(ATLAS, new URLSearchParams(said));

describe('the address of a survey', () => {
  it('holds piece, pupil, order, modes, keys and what is shown', () => {
    expect(survey('piece=a&pupil=tam&order=own&show=bars&also=parallel,dorian&keys=Bb-major,F%23-minor')).toEqual({ piece: 'a', pupil: 'tam', order: 'own', show: 'bars', also: ['parallel', 'dorian'], keys: ['Bb-major', 'F#-minor'] });
  });

  it('says nothing where it is bare, and what it cannot mean counts as not said', () => {
    expect(survey('')).toEqual({ piece: null, pupil: null, order: null, show: 'list', also: [], keys: [] });
    expect(survey('order=best&show=everything&also=blue&keys=H-major,C-major')).toEqual({ piece: null, pupil: null, order: null, show: 'list', also: [], keys: [] });
  });

  it('a key that is named twice is chosen once', () => expect(survey('keys=C-major,D-major,C-major').keys).toEqual(['C-major', 'D-major']));
});

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
    expect(fit('tonics=C,H&enough=two&ask=stays-put,chess')).toEqual({ pupil: null, tonics: [], enough: 'one', ask: [{ kind: 'stays-put' }] });
  });
});

describe('the address of the Atlas', () => {
  it('holds the part, the key and what it is compared with', () => {
    const { part, key, from, order } = atlas('part=cards&key=Eb-minor&from=G-major&order=shape');
    expect([part, keyText(key), keyText(from), order]).toEqual(['cards', 'Eb-minor', 'G-major', 'shape']);
  });

  it('holds a drill: its keys in order, rhythm and hands', () => {
    expect(atlas('part=drills&drill=skips&rhythm=lilt&hands=left&keys=D-major,A-minor,D-major')).toMatchObject({ drill: 'skips', rhythm: 'lilt', hands: 'left', keys: ['D-major', 'A-minor'] });
  });

  it('begins with positions of D against C, five fingers in quarters for both hands, and the first game', () => {
    const bare = atlas('');
    expect(bare).toMatchObject({ part: 'positions', order: 'ease', drill: 'five-fingers', rhythm: 'quarters', hands: 'both', keys: [], game: 'all-of', pupil: null });
    expect([keyText(bare.key), keyText(bare.from)]).toEqual(['D-major', 'C-major']);
  });

  it.each(['key=D-dorian', 'key=H-major', 'key=', 'key=G%23-major'])('%s falls back to D', (said) => expect(keyText(atlas(said).key)).toBe('D-major'));

  it('takes no more keys than there are', () => expect(atlas(`keys=${Array.from({ length: 31 }, () => 'C-major').join()}`).keys).toEqual([]));
});
