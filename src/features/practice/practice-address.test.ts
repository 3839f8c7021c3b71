import { describe, expect, it } from '@jest/globals';
import { fasterThan } from './practice-address';

describe('the tempo after a clean run', () => {
  it.each([
    [60, 65],
    [95, 100],
    [98, 100],
    [100, 100],
    [120, 120],
  ])('from %i per cent goes to %i: never beyond what is written, and never slower', (tempo, next) =>
    expect(fasterThan(tempo)).toBe(next),
  );
});
