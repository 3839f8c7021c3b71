import { describe, expect, it } from '@jest/globals';
import { CLICK_S, woodClick } from './wood';

const RATE = 48_000;

/** How often the samples rise through zero between two moments, in Hz. */
function pitchBetween(samples: Float32Array, fromS: number, toS: number): number {
  const part = samples.slice(fromS * RATE, toS * RATE);
  const rises = part.reduce(
    (count, sample, i) => (i > 0 && sample >= 0 && (part[i - 1] ?? 0) < 0 ? count + 1 : count),
    0,
  );
  return rises / (toS - fromS);
}

describe('a click', () => {
  const click = woodClick(784, RATE);

  it('is as long as a click, begins and ends in silence, and is never louder than can be played', () => {
    expect(click.length / RATE).toBeCloseTo(CLICK_S, 3);
    expect(click[0]).toBe(0);
    expect(Math.abs(click.at(-1) ?? 1)).toBeLessThan(0.002);
    const loudest = click.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
    expect(loudest).toBeGreaterThan(0.7);
    expect(loudest).toBeLessThanOrEqual(1);
  });

  it('falls to its pitch', () => {
    expect(pitchBetween(click, 0, 0.004)).toBeGreaterThan(1000);
    expect(Math.abs(pitchBetween(click, 0.01, 0.07) - 784)).toBeLessThan(20);
  });
});
