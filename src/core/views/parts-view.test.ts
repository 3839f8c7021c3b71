import { describe, expect, it } from '@jest/globals';
import { DEMO_FILES, demoFile } from '../../../tests/support/demo-pieces';
import { musicXml } from '../../../tests/support/build-piece';
import { moved, open } from '../../../tests/support/open';
import { asWritten } from '../piece';
import { partsView } from './parts-view';

const partsOf = (id: string, key: string) => {
  const piece = open(demoFile(id));
  return partsView({ piece, before: asWritten(piece), after: moved(piece, key, { fingering: 'plan' }) });
};

describe('what weeks can be made of', () => {
  it.each(DEMO_FILES.map(({ id }) => id))('of %s covers every bar once, by lines', (id) => {
    const { bars, lines, numbers, phrases, hard } = partsOf(id, 'D');
    const all = Array.from({ length: bars }, (_, i) => i);
    expect(lines.flat()).toEqual(all);
    expect(numbers).toHaveLength(bars);
    if (phrases.length > 0) expect(phrases.flat()).toEqual(all);
    for (const [bar, weight] of hard) expect([all.includes(bar), weight > 0]).toEqual([true, true]);
  });

  it('names the key in which the piece stands, wherever it was moved to', () => {
    const own = partsOf('mill-wheel', 'C').own;
    expect(partsOf('mill-wheel', 'E').own).toBe(own);
  });

  it('finds the bars in which a hand moves hard, and none where both stay', () => {
    const hardIn = (right: string): readonly number[] => {
      const piece = open(musicXml({ right, left: 'C3w/5 | G3w/1 | C3w/5', mode: 'major' }));
      const after = moved(piece, 'D', { fingering: 'plan' });
      return partsView({ piece, before: asWritten(piece), after }).hard.map(([bar]) => bar);
    };
    expect(hardIn('C4q/1 D4q/2 E4q/3 F4q/4 | G4h/5 C4h/1 | C4w/1')).toEqual([]);
    expect(hardIn('C4q/1 D4q/2 E4q/3 F4q/4 | G4h/5 C4h/1 | C4e/1 E5e/5 C4e/1 E5e/5 C4h/1')).toEqual([2]);
  });
});
