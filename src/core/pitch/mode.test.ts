import { describe, expect, it } from '@jest/globals';
import { Mode as TonalMode } from 'tonal';
import { hasMinorThird, MODES } from './key';

describe('hasMinorThird', () => {
  it.each(MODES)('%s has the third that tonal says', (mode) => {
    const intervals = TonalMode.get(mode).intervals;
    expect(hasMinorThird(mode)).toBe(intervals[2] === '3m');
  });
});
