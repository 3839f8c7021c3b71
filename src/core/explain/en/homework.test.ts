import { describe, expect, it } from '@jest/globals';
import { SAYS } from '../../../../tests/support/usual-words';
import { STEP_KINDS, stepOf } from '../../homework';

const FACTS = { key: 'D major', bars: [], stage: null };

describe('a practice step', () => {
  it.each([
    [{ ...FACTS, step: stepOf('warm-up', { hand: 'left' }) }, 'Warm up in D major, left hand'],
    [{ ...FACTS, step: stepOf('landing', { hand: 'right' }), bars: ['3', '4'] }, 'Landing, right hand, bars 3 and 4'],
    [{ ...FACTS, step: stepOf('hand-alone', { hand: 'right' }) }, 'Right hand alone'],
    [{ ...FACTS, step: stepOf('own', {}), bars: ['5'], stage: 'Roots only' }, 'Both hands, bar 5 (Roots only)'],
    [{ ...FACTS, step: stepOf('pulse', {}) }, 'Keep the pulse'],
  ])('%#: %j', (facts, title) => expect(SAYS.stepTitle(facts)).toBe(title));

  it('says of each kind what is to be done, in words short enough for a child', () => {
    for (const kind of STEP_KINDS) {
      const told = SAYS.stepTold({ ...FACTS, step: stepOf(kind, {}) });
      for (const sentence of told.split(/(?<=[.!]) /))
        expect([kind, sentence.split(' ').length <= 13]).toEqual([kind, true]);
      expect(told).toMatch(/\.$/);
    }
  });

  it('tells how far one is', () => {
    expect(SAYS.inARowWords(0, 3)).toBe('Clean three times in a row, and it is done.');
    expect(SAYS.inARowWords(1, 3)).toBe('Clean one time of three in a row.');
    expect(SAYS.inARowWords(2, 3)).toBe('Clean two times of three in a row.');
    expect(SAYS.inARowWords(0, 1)).toBe('Clean once, and it is done.');
  });
});
