import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { fitAfter, fitAtFirst, type PaperSpace } from './fit';

const SPACE: PaperSpace = {
  widthPx: 880,
  heightPx: 500,
  versions: 2,
  labelLines: 1,
  largest: 130,
  subject: 'two-boats/shown',
};

/** Systems of a piece that are so high at 100 %, engraved at a size. */
const engravedAt = (zoom: number, atFull: number) => ({ zoom, tallestPx: (atFull * zoom) / 100 });

describe('the size of the music', () => {
  it('shows one whole pair, however high its systems turn out', () => {
    fc.assert(
      fc.property(
        fc.record({ heightPx: fc.integer({ min: 260, max: 1200 }), widthPx: fc.integer({ min: 320, max: 2000 }) }),
        fc.integer({ min: 150, max: 500 }),
        (size, atFull) => {
          const space = { ...SPACE, ...size };
          const first = fitAtFirst(space);
          const { zoom } = fitAfter(first, space, engravedAt(first.zoom, atFull));
          expect((atFull * zoom) / 100).toBeLessThanOrEqual(size.heightPx);
        },
      ),
    );
  });

  it('settles: a page engraved at the size that was found asks for no other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 150, max: 900 }), (atFull) => {
        const first = fitAtFirst(SPACE);
        const second = fitAfter(first, SPACE, engravedAt(first.zoom, atFull));
        const third = fitAfter(second, SPACE, engravedAt(second.zoom, atFull));
        expect(third.zoom).toBe(second.zoom);
      }),
    );
  });

  it('gets no larger from key to key once it was measured, but smaller where a key needs more space', () => {
    const measured = fitAfter(fitAtFirst(SPACE), SPACE, engravedAt(100, 480));
    expect(fitAfter(measured, SPACE, engravedAt(measured.zoom, 300))).toBe(measured);
    expect(fitAfter(measured, SPACE, engravedAt(measured.zoom, 600)).zoom).toBe(82);
  });

  it('keeps a line of music on a phone, and a page from shouting on a large screen', () => {
    expect(fitAtFirst({ ...SPACE, widthPx: 360, heightPx: 560, versions: 1 }).zoom).toBe(86);
    expect(fitAtFirst({ ...SPACE, widthPx: 2400, heightPx: 1400 }).zoom).toBe(130);
  });
});
