import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { barTicks } from '../time';
import { restLengths } from './rest-lengths';

const TICKS = 48;
const inQuarters = (from: number, duration: number, meter: readonly [number, number]) =>
  restLengths(from * TICKS, duration * TICKS, { beats: meter[0], beatType: meter[1] }, TICKS)?.map(
    (ticks) => ticks / TICKS,
  );

describe('rests', () => {
  it.each([
    [0, 4, [4, 4], [2, 2]],
    [1, 3, [4, 4], [1, 2]],
    [2, 2, [4, 4], [2]],
    [0.5, 3.5, [4, 4], [0.5, 1, 2]],
    [0, 3, [3, 4], [1, 1, 1]],
    [0, 3, [6, 8], [1.5, 1.5]],
    [0.5, 1, [6, 8], [1]],
    [1.5, 1.5, [6, 8], [1.5]],
  ] as const)('from %d for %d quarters in %j stand beat by beat', (from, duration, meter, expected) => {
    expect(inQuarters(from, duration, meter)).toEqual(expected);
  });

  it('fill what they are for, and never lie over the middle of a bar of two or four beats', () => {
    const meter = { beats: 4, beatType: 4 };
    const bar = barTicks(meter, TICKS);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 15 }), fc.integer({ min: 1, max: 16 }), (at, length) => {
        const [from, duration] = [(at * TICKS) / 4, Math.min((length * TICKS) / 4, bar - (at * TICKS) / 4)];
        const rests = restLengths(from, duration, meter, TICKS) ?? [];
        expect(rests.reduce((sum, ticks) => sum + ticks, 0)).toBe(duration);
        let now = from;
        for (const ticks of rests) {
          expect(now < bar / 2 && now + ticks > bar / 2).toBe(false);
          now += ticks;
        }
      }),
    );
  });

  it('are none for a third of a beat: that stands in its bracket', () => {
    expect(restLengths(0, 16, { beats: 4, beatType: 4 }, TICKS)).toBeNull();
  });
});
