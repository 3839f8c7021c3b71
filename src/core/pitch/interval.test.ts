import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Interval as TonalInterval } from 'tonal';
import { unwrap } from '../base';
import {
  addIntervals,
  intervalBetween,
  intervalName,
  intervalOf,
  intervalSemitones,
  intervalSteps,
  negateInterval,
  transposeBy,
} from './interval';
import { parsePitch } from './pitch-text';
import type { Pitch } from './pitch';

const anyPitch = fc.record({
  step: fc.integer({ min: 0, max: 6 }),
  alter: fc.integer({ min: -1, max: 1 }),
  octave: fc.integer({ min: 2, max: 5 }),
}) as fc.Arbitrary<Pitch>;
const anyInterval = fc
  .record({ fifths: fc.integer({ min: -7, max: 7 }), octaves: fc.integer({ min: -5, max: 5 }) })
  .filter((interval) => Math.abs(intervalSemitones(interval)) <= 48);

describe('transposeBy', () => {
  it('up and down again is where it was', () => {
    fc.assert(
      fc.property(anyPitch, anyInterval, (pitch, interval) => {
        const there = transposeBy(pitch, interval);
        fc.pre(there.ok);
        expect(unwrap(transposeBy(unwrap(there), negateInterval(interval)))).toEqual(pitch);
      }),
    );
  });

  it('moves by two intervals as by their sum', () => {
    fc.assert(
      fc.property(anyPitch, anyInterval, anyInterval, (pitch, first, second) => {
        const half = transposeBy(pitch, first);
        fc.pre(half.ok);
        const twice = transposeBy(unwrap(half), second);
        const once = transposeBy(pitch, addIntervals(first, second));
        fc.pre(twice.ok && once.ok);
        expect(twice).toEqual(once);
      }),
    );
  });

  it('goes where intervalBetween says it went', () => {
    fc.assert(
      fc.property(anyPitch, anyPitch, (from, to) => {
        const interval = intervalBetween(from, to);
        fc.pre(Math.abs(intervalSemitones(interval)) <= 48);
        expect(unwrap(transposeBy(from, interval))).toEqual(to);
      }),
    );
  });

  it('says what is too far instead of giving a wrong pitch', () => {
    const c4 = parsePitch('C4') as Pitch;
    expect(transposeBy(c4, { fifths: 0, octaves: 5 })).toMatchObject({
      ok: false,
      error: { code: 'pitch.out-of-range' },
    });
    expect(transposeBy(c4, { fifths: 30, octaves: -17 })).toMatchObject({ ok: false });
  });
});

describe('intervalName', () => {
  it('is tonal’s name, turned round', () => {
    fc.assert(
      fc.property(fc.integer({ min: -14, max: 14 }), fc.integer({ min: -2, max: 2 }), (steps, bend) => {
        const interval = intervalOf(steps, Math.round((steps * 12) / 7) + bend);
        const ours = intervalName(interval);
        const [, sign = '', quality = '', size = ''] = /^(-?)([AdmMP]+)(\d+)$/.exec(ours) ?? [];
        fc.pre(quality.length <= 3);
        const tonal = TonalInterval.get(`${sign}${size}${quality}`);
        expect(tonal.empty).toBe(false);
        expect((tonal.semitones ?? Number.NaN) + 0).toBe(intervalSemitones(interval) + 0);
      }),
    );
  });

  it.each([
    ['C4', 'D4', 'M2'],
    ['C4', 'G3', '-P4'],
    ['C4', 'C4', 'P1'],
    ['C4', 'C5', 'P8'],
    ['F4', 'B4', 'A4'],
    ['C4', 'Bb3', '-M2'],
    ['C#4', 'Db4', 'd2'],
    ['C4', 'D5', 'M9'],
  ])('from %s to %s is %s', (from, to, name) => {
    expect(intervalName(intervalBetween(parsePitch(from) as Pitch, parsePitch(to) as Pitch))).toBe(name);
  });
});

describe('intervalOf', () => {
  it('keeps the letters and semitones it was made of', () => {
    fc.assert(
      fc.property(fc.integer({ min: -20, max: 20 }), fc.integer({ min: -30, max: 30 }), (steps, semitones) => {
        const interval = intervalOf(steps, semitones);
        expect([intervalSteps(interval), intervalSemitones(interval)]).toEqual([steps, semitones]);
      }),
    );
  });
});
