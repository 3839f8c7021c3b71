import { describe, expect, it } from '@jest/globals';
import { keyText } from '../pitch';
import { musicXml } from '../../../tests/support/build-piece';
import { DEMO_FILES } from '../../../tests/support/demo-pieces';
import { open } from '../../../tests/support/open';
import { findKey } from './find-key';

const found = (text: string): string => keyText(open(text).key.key);

describe('findKey', () => {
  it('calls a piece without signs that ends on C C major (common practice)', () => {
    expect(found(musicXml({ right: 'E4h D4h | C4w', left: 'G3w | C3w' }))).toBe('C-major');
  });

  it('hears the minor key by its last bass note and raised seventh, whatever the file calls it', () => {
    const minor = { right: 'A4q B4q C5h | G#4w | A4w', left: 'A2w | E3w | A2w' };
    expect(found(musicXml(minor))).toBe('A-minor');
    expect(found(musicXml({ ...minor, mode: 'major' }))).toBe('A-minor');
  });

  it('takes the file’s word against one sign alone', () => {
    expect(found(musicXml({ right: 'E4w | A4w', left: 'C3w | A2w', mode: 'major' }))).toBe('C-major');
  });

  it('keeps a church mode that the file names', () => {
    expect(found(musicXml({ right: 'D4q E4q F4h | D4w', mode: 'dorian' }))).toBe('D-dorian');
  });

  it('finds the key of every demo piece, with the other reading beside it', () => {
    const keys = Object.fromEntries(DEMO_FILES.map(({ id, text }) => [id, found(text)]));
    expect(keys).toMatchObject({
      'fog-over-the-sluice': 'A-minor',
      'slow-ferris': 'G-major',
      'mill-wheel': 'F-major',
      'lantern-walk': 'C-major',
    });
  });

  it('says how sure it is, and tells the teacher where it hardly is', () => {
    const sure = open(musicXml({ right: 'C4q E4q G4q E4q | D4q B3q C4h', left: 'C3w | G3h C3h', mode: 'major' }));
    expect([sure.key.certainty, sure.remarks.filter(({ code }) => code === 'key-guessed')]).toEqual(['sure', []]);
    const open1 = open(musicXml({ right: 'E4q C4q A4q E4q | A4h C5h' }));
    expect(open1.key.certainty).not.toBe('sure');
    expect(open1.key.runnerUp).not.toBeNull();
  });

  it('is overruled by the teacher', () => {
    const { score, part } = open(musicXml({ right: 'C4w' }));
    expect(findKey(score, part, 'A-minor')).toMatchObject({ source: 'given', key: { mode: 'minor' } });
  });
});
