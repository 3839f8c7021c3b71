import { describe, expect, it } from '@jest/globals';
import { Interval as TonalInterval } from 'tonal';
import { musicXml } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { keyOf } from '../../../tests/support/planning';
import { partnerKeys } from './partner-keys';
import { keyPrint, parsePitch, type Pitch } from '../pitch';
import { fitRange, isReadable, partnersKey, PARTNER_NAMES, PARTNERS } from './partner';

describe('partnersKey', () => {
  it.each([
    ['concert', 'C', 'C major'],
    ['b-flat', 'C', 'D major'],
    ['e-flat', 'C', 'A major'],
    ['f', 'C', 'G major'],
    ['a', 'C', 'E♭ major'],
    ['b-flat', 'Eb', 'F major'],
  ] as const)('an instrument in %s reads %s major as %s (common practice, from memory)', (partner, key, reads) => {
    expect(keyPrint(partnersKey(keyOf(key), partner))).toBe(reads);
  });

  it('is written so far above what sounds, by the interval that tonal knows it by', () => {
    const above = { concert: '1P', 'b-flat': '2M', 'e-flat': '6M', f: '5P', a: '3m' } as const;
    for (const partner of PARTNER_NAMES) {
      const { num, semitones } = TonalInterval.get(above[partner]);
      expect([partner, PARTNERS[partner]]).toEqual([partner, { steps: num - 1, semitones }]);
    }
  });

  it('says where print has not enough signs', () => {
    expect(isReadable(partnersKey(keyOf('B'), 'e-flat'))).toBe(false);
    expect(isReadable(partnersKey(keyOf('Bb'), 'e-flat'))).toBe(true);
  });
});

describe('fitRange', () => {
  it('tells by how many half steps a tune goes beyond what is comfortable', () => {
    expect(fitRange({ low: 60, high: 72 }, { low: 62, high: 70 })).toEqual({ below: 2, above: 2 });
    expect(fitRange({ low: 62, high: 67 }, { low: 60, high: 72 })).toEqual({ below: 0, above: 0 });
  });
});

describe('partnerKeys', () => {
  const piece = open(musicXml({ right: 'C4q E4q G4q C5q', left: 'C3w', mode: 'major' }));

  it('goes the way that fits, the nearest where several do', () => {
    const keys = partnerKeys(piece, { voice: 'right', comfortable: { low: 57, high: 72 }, partner: 'concert' });
    const pitch = (text: string) => expect.objectContaining(parsePitch(text) as Pitch);
    const of = (name: string) => keys.find(({ key }) => keyPrint(key) === name);
    expect(of('C major')).toMatchObject({
      low: pitch('C4'),
      high: pitch('C5'),
      fit: { below: 0, above: 0 },
      direction: 'nearest',
    });
    expect(of('A major')).toMatchObject({ low: pitch('A3'), high: pitch('A4'), fit: { below: 0, above: 0 } });
    expect(of('F major')).toMatchObject({ low: pitch('F3'), fit: { below: 4, above: 0 } });
    expect(keys).toHaveLength(15);
  });

  it('takes the hand that is asked for', () => {
    const [first] = partnerKeys(piece, { voice: 'left', comfortable: { low: 40, high: 60 }, partner: 'concert' });
    expect(first?.low).toEqual(first?.high);
  });
});
