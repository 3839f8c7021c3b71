import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pageOfBar, standPages } from './pages';

const systems = fc.array(
  fc.record({ heightPx: fc.integer({ min: 100, max: 700 }), bars: fc.integer({ min: 1, max: 8 }) }),
  { minLength: 1, maxLength: 30 },
);
const room = fc.integer({ min: 200, max: 1200 });

describe('pages of the music stand', () => {
  it('hold every bar once, in order, and begin where the page before ends', () => {
    fc.assert(
      fc.property(systems, room, (all, roomPx) => {
        const pages = standPages(all, roomPx);
        expect(pages[0]).toMatchObject({ fromBar: 0, topPx: 0 });
        pages.slice(1).forEach((page, i) => {
          expect(page.fromBar).toBe(pages[i]?.toBar);
          expect(page.topPx).toBe((pages[i]?.topPx ?? 0) + (pages[i]?.heightPx ?? 0));
        });
        expect(pages.at(-1)?.toBar).toBe(all.reduce((sum, { bars }) => sum + bars, 0));
      }),
    );
  });

  it('are no higher than the room but where one system is', () => {
    fc.assert(
      fc.property(systems, room, (all, roomPx) => {
        const single = new Set(all.map(({ heightPx }) => heightPx));
        for (const { heightPx } of standPages(all, roomPx))
          expect(heightPx <= roomPx || single.has(heightPx)).toBe(true);
      }),
    );
  });

  it('two systems of 400 px and one of 500 in 900 px: bars 1–8, then 9–12', () => {
    const pages = standPages(
      [
        { heightPx: 400, bars: 4 },
        { heightPx: 400, bars: 4 },
        { heightPx: 500, bars: 4 },
      ],
      900,
    );
    expect(pages).toEqual([
      { fromBar: 0, toBar: 8, topPx: 0, heightPx: 800 },
      { fromBar: 8, toBar: 12, topPx: 800, heightPx: 500 },
    ]);
    expect([0, 7, 8, 40].map((bar) => pageOfBar(pages, bar))).toEqual([0, 0, 1, 1]);
  });
});
