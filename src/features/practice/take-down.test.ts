import { describe, expect, it } from '@jest/globals';
import { takeDownFrom } from './take-down';

describe('taking down what is played', () => {
  it('counts from the beginning, in order of time, and lets go at the end what is still held', () => {
    const taken = takeDownFrom(1000);
    taken.hear({ midi: 64, press: 'down', atMs: 1500, velocity: 80 });
    taken.hear({ midi: 60, press: 'down', atMs: 1490 });
    taken.hear({ midi: 60, press: 'up', atMs: 1800 });
    expect(taken.finish(3000)).toEqual([
      { midi: 60, downMs: 490, upMs: 800, velocity: 64 },
      { midi: 64, downMs: 500, upMs: 2000, velocity: 80 },
    ]);
  });

  it('takes a key that is struck again for two, also where nobody told that it was let go', () => {
    const taken = takeDownFrom(0);
    taken.hear({ midi: 60, press: 'down', atMs: 100 });
    taken.hear({ midi: 60, press: 'down', atMs: 400 });
    taken.hear({ midi: 60, press: 'up', atMs: 700 });
    taken.hear({ midi: 62, press: 'up', atMs: 800 });
    expect(taken.finish(900).map(({ downMs, upMs }) => [downMs, upMs])).toEqual([
      [100, 400],
      [400, 700],
    ]);
  });
});
