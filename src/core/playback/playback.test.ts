import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { musicXml } from '../../../tests/support/build-piece';
import { open } from '../../../tests/support/open';
import { performanceOf } from './performance';
import { barAt, countIn, heardBetween, soundingAt, spanOfBars, type ListenOptions } from './playback';

const piece = open(musicXml({ right: 'C4q D4q E4q F4q | G4h A4h | B4w', left: 'C3w | C3w | C3w' }));
const performance = performanceOf(piece.score, piece.part.id);
const QUARTER_S = 60 / 92;
const ALL: ListenOptions = { hands: { right: 'on', left: 'on' }, clicks: 'none' };

describe('heardBetween', () => {
  it('has everything once, however the time is cut up', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: performance.lengthS, noNaN: true }), { maxLength: 20 }), (cuts) => {
        const edges = [0, ...cuts.toSorted((a, b) => a - b), performance.lengthS];
        const pieces = edges
          .slice(1)
          .flatMap((to, i) => heardBetween(performance, edges[i] as number, to, { ...ALL, clicks: 'all' }));
        expect(pieces).toEqual(heardBetween(performance, 0, performance.lengthS, { ...ALL, clicks: 'all' }));
      }),
      { numRuns: 100, seed: 1 },
    );
  });

  it('leaves a silent hand out and plays a soft one softer', () => {
    const loudness = (options: ListenOptions): readonly number[] =>
      heardBetween(performance, 0, 0.1, options).flatMap((heard) => (heard.kind === 'note' ? [heard.loudness] : []));
    const [left, right] = loudness(ALL) as [number, number];
    expect(loudness({ ...ALL, hands: { right: 'on', left: 'off' } })).toEqual([right]);
    expect(loudness({ ...ALL, hands: { right: 'on', left: 'soft' } })[0]).toBeLessThan(left / 2);
  });

  it('clicks every beat, the first of a bar apart', () => {
    const clicks = heardBetween(performance, 0, performance.lengthS, { ...ALL, clicks: 'all' }).filter(
      (heard) => heard.kind === 'click',
    );
    expect(clicks).toHaveLength(12);
    expect(clicks.filter((click) => click.isFirst)).toHaveLength(3);
  });
});

describe('spanOfBars', () => {
  it('goes from the beginning of one bar to the end of another', () => {
    expect(spanOfBars(performance, 1, 1)).toEqual({
      startS: expect.closeTo(4 * QUARTER_S),
      endS: expect.closeTo(8 * QUARTER_S),
    });
    expect(spanOfBars(performance, 1, Infinity).endS).toBeCloseTo(performance.lengthS);
  });
});

describe('countIn', () => {
  it('is one bar at the tempo of the place, ending where the music begins', () => {
    const clicks = countIn(performance, 4 * QUARTER_S);
    expect(clicks).toHaveLength(4);
    expect(clicks[0]?.atS).toBeCloseTo(0);
    expect(clicks.map((click) => click.kind === 'click' && click.isFirst)).toEqual([true, false, false, false]);
  });

  it('counts the missing beats of a pick-up too', () => {
    const pickUp = open(
      musicXml({ right: 'C4q D4q E4q F4q' })
        .replace(/<note>(?:(?!<\/note>).)*<\/note>/, '')
        .replace('<measure number="1">', '<measure number="0" implicit="yes">'),
    );
    const own = performanceOf(pickUp.score, pickUp.part.id);
    expect(countIn(own, 0).length).toBeGreaterThanOrEqual(4);
  });
});

describe('soundingAt and barAt', () => {
  it('tell what is heard and where', () => {
    const at = 4.5 * QUARTER_S;
    expect(soundingAt(performance, at)).toHaveLength(2);
    expect(barAt(performance, at)?.number).toBe('2');
    expect(soundingAt(performance, performance.lengthS + 1)).toEqual([]);
  });
});
