import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { plainPiano } from '../../../tests/support/plain-piano';
import { HEARD_RATE } from './rate';
import { createResampler } from './resample';
import { createTuner, tuningOf, type TunedNote } from './tune-in';

const sine = (hz: number, rate: number, count: number): Float32Array =>
  Float32Array.from({ length: count }, (_, i) => Math.sin((2 * Math.PI * hz * i) / rate));

/** How loud the middle of a sound is. */
function loudness(sound: Float32Array): number {
  const middle = sound.subarray(Math.floor(sound.length / 4), Math.floor((3 * sound.length) / 4));
  return Math.sqrt(middle.reduce((sum, value) => sum + value * value, 0) / middle.length);
}

describe('sound at another rate', () => {
  it.each([44_100, 48_000, 96_000, 16_000])('from %i samples a second keeps its pitch', (rate) => {
    const heard = createResampler(rate, HEARD_RATE)(sine(440, rate, rate));
    const wanted = sine(440, HEARD_RATE, heard.length);
    const off = heard.slice(200, -200).map((value, i) => value - (wanted[i + 200] as number));
    expect(loudness(off)).toBeLessThan(0.005);
  });

  it('has nothing of what lies above half of the new rate', () => {
    expect(loudness(createResampler(44_100, HEARD_RATE)(sine(15_000, 44_100, 44_100)))).toBeLessThan(0.005);
  });

  it('is the same in whatever pieces it comes', () => {
    const whole = sine(523, 48_000, 6_000);
    const once = createResampler(48_000, HEARD_RATE)(whole);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 20, maxLength: 60 }), (lengths) => {
        const resample = createResampler(48_000, HEARD_RATE);
        const pieces: number[] = [];
        let at = 0;
        for (const length of lengths) {
          pieces.push(...resample(whole.slice(at, at + length)));
          at = Math.min(whole.length, at + length);
        }
        expect(pieces.length).toBeLessThanOrEqual(once.length);
        const off = Math.max(...pieces.map((value, i) => Math.abs(value - (once[i] as number))));
        expect(off).toBeLessThan(0.000_005);
      }),
      { numRuns: 20 },
    );
  });
});

describe('tuning in', () => {
  const KEYS = [60, 64, 67];
  const heardOn = (cents: number, asked = KEYS): readonly (TunedNote | 'other')[] => {
    const strokes = KEYS.map((midi, i) => ({ midi, atMs: 1200 + i * 1300, lengthMs: 1000 }));
    const sound = plainPiano(strokes, HEARD_RATE, cents);
    const tuner = createTuner();
    const all: (TunedNote | 'other')[] = [];
    for (let at = 0; at < sound.length; at += 1024) {
      const heard = tuner.take(sound.slice(at, at + 1024), asked[all.length] ?? 60);
      if (heard.is === 'note') all.push(heard.note);
      if (heard.is === 'other') all.push('other');
    }
    return all;
  };

  it.each([0, -35, 18, 49])('finds how far out of tune a piano is: %i cents', (cents) => {
    const notes = heardOn(cents).filter((note) => note !== 'other');
    expect(notes).toHaveLength(3);
    const tuning = tuningOf(notes);
    expect(Math.abs((tuning?.cents ?? 99) - cents)).toBeLessThanOrEqual(2);
    expect(tuning?.clearDb).toBeGreaterThan(30);
  });

  it('knows that another note came than the one that was named', () => {
    expect(heardOn(0, [62, 62, 62])).toEqual(['other', 'other', 'other']);
  });

  it('knows nothing of a piano that was not heard', () => {
    expect(tuningOf([])).toBeNull();
  });
});
