import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createMender } from './mend';

const RATE = 44_100;

/** A tone that is never without sound for long. */
function tone(length: number): Float32Array {
  return Float32Array.from({ length }, (_, i) => 0.2 * Math.sin((i * 2 * Math.PI * 262) / RATE + 0.5));
}

/** Holes of so many ms are put into a sound at these places, in samples. */
function withHoles(sound: Float32Array, holes: readonly (readonly [number, number])[]): Float32Array {
  const parts: number[] = [];
  let from = 0;
  for (const [at, ms] of holes) {
    parts.push(...sound.subarray(from, at), ...new Float32Array(Math.round((ms * RATE) / 1000)));
    from = at;
  }
  return Float32Array.from([...parts, ...sound.subarray(from)]);
}

/** What comes out where the sound comes in pieces of such a length. */
function mended(
  sound: Float32Array,
  piece: number,
): { readonly sound: Float32Array; readonly gaps: readonly number[] } {
  const mender = createMender(RATE);
  const parts: number[] = [];
  for (let at = 0; at < sound.length; at += piece) parts.push(...mender.take(sound.subarray(at, at + piece)));
  return { sound: Float32Array.from(parts), gaps: mender.gaps() };
}

describe('sound that came with holes', () => {
  it('is whole again wherever the holes are, and however the pieces are cut', () => {
    const whole = tone(9000);
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 200, max: 8800 }), { maxLength: 4 }),
        fc.integer({ min: 3, max: 39 }),
        fc.integer({ min: 50, max: 3000 }),
        (places, ms, piece) => {
          const apart = places.sort((a, b) => a - b).filter((at, i) => i === 0 || at - (places[i - 1] ?? 0) > 200);
          const result = mended(
            withHoles(
              whole,
              apart.map((at) => [at, ms] as const),
            ),
            piece,
          );
          expect(result.sound).toEqual(whole);
          expect(result.gaps).toEqual([]);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('tells where so much was missing that some of it may be lost', () => {
    const { sound, gaps } = mended(withHoles(tone(9000), [[4410, 60]]), 2048);
    expect(sound).toHaveLength(9000);
    expect(gaps.map(Math.round)).toEqual([100]);
  });

  it('keeps a silence that is longer than any hole, and says where the sound broke off', () => {
    const { sound, gaps } = mended(withHoles(tone(9000), [[4410, 400]]), 2048);
    expect(sound).toHaveLength(9000 + 0.4 * RATE);
    expect(gaps).toHaveLength(1);
  });
});

describe('sound without holes', () => {
  it('stays as it is: silence before, between and after notes that die away', () => {
    const note = tone(6000).map((sample, i) => sample * Math.max(0, 1 - i / 5000));
    const played = Float32Array.from([...new Float32Array(5000), ...note, ...new Float32Array(5000), ...note]);
    expect(mended(played, 700)).toEqual({ sound: played, gaps: [] });
  });

  it('stays as it is where single samples are nothing', () => {
    const square = Float32Array.from({ length: 5000 }, (_, i) => [0.1, 0, -0.1, 0][Math.floor(i / 8) % 4] ?? 0);
    expect(mended(square, 512)).toEqual({ sound: square, gaps: [] });
  });
});
