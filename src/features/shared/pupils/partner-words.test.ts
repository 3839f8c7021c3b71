import { describe, expect, it } from '@jest/globals';
import { PARTNER_NAMES } from '@/core/survey';
import { fitWords, instruments, readsWords } from './partner-words';
import { keyOf } from '../../../../tests/support/planning';
import { WORDS } from '../../../../tests/support/usual-words';

describe('how a key suits a partner', () => {
  it.each([
    [0, 0, 'fits'],
    [1, 0, 'half a step too low'],
    [0, 3, '3 half steps too high'],
    [2, 1, '2 half steps too low, half a step too high'],
  ])('%i below and %i above: %s', (below, above, words) =>
    expect(fitWords(WORDS, { fit: { below, above } })).toBe(words),
  );

  it('reads the key as it is, and says where print has not enough signs', () => {
    expect(readsWords(WORDS, { reads: keyOf('Bb'), isReadable: true })).toBe('B♭ major');
    expect(readsWords(WORDS, { reads: { tonic: { step: 4, alter: 1 }, mode: 'major' }, isReadable: false })).toBe(
      'G♯ major: too many signs',
    );
  });

  it('every instrument has a name', () => {
    for (const partner of PARTNER_NAMES) expect(instruments(WORDS)[partner]).toMatch(/instrument/);
  });
});
