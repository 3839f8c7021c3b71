import { describe, expect, it } from '@jest/globals';
import { readQuery } from '@/features/shared/address/use-query';
import { SHAPE } from './survey-address';

const survey = (said: string) => readQuery(SHAPE, new URLSearchParams(said));

describe('the address of a survey', () => {
  it('holds piece, pupil, order, modes, keys and what is shown', () => {
    expect(
      survey('piece=a&pupil=tam&order=own&show=stages&to=D-major&also=parallel,dorian&keys=Bb-major,F%23-minor'),
    ).toEqual({
      piece: 'a',
      pupil: 'tam',
      order: 'own',
      show: 'stages',
      to: 'D-major',
      also: ['parallel', 'dorian'],
      keys: ['Bb-major', 'F#-minor'],
    });
  });

  it('says nothing where it is bare, and what it cannot mean counts as not said', () => {
    expect(survey('')).toEqual({ piece: null, pupil: null, order: null, show: 'list', to: null, also: [], keys: [] });
    expect(survey('order=best&show=everything&to=H&also=blue&keys=H-major,C-major')).toEqual({
      piece: null,
      pupil: null,
      order: null,
      show: 'list',
      to: null,
      also: [],
      keys: [],
    });
  });

  it('a key that is named twice is chosen once', () =>
    expect(survey('keys=C-major,D-major,C-major').keys).toEqual(['C-major', 'D-major']));
});
