import { describe, expect, it } from '@jest/globals';
import type { FingerBar } from '@/core/views';
import { fingerLines, strokeShape } from './finger-shape';

const bar = (number: string, quarters: number): FingerBar => ({ number, quarters, hands: { right: [], left: [] } });

describe('a length at a finger number', () => {
  // As heads, stems and flags of print tell it: common practice.
  it.each([
    [4, { isRinged: true, isDotted: false, hasStem: false, flags: 0 }],
    [3, { isRinged: true, isDotted: true, hasStem: true, flags: 0 }],
    [1, { isRinged: false, isDotted: false, hasStem: true, flags: 0 }],
    [0.75, { isRinged: false, isDotted: true, hasStem: true, flags: 1 }],
    [0.25, { isRinged: false, isDotted: false, hasStem: true, flags: 2 }],
  ])('of %d quarters', (quarters, shape) => {
    expect(strokeShape(quarters)).toEqual(shape);
  });
});

describe('bars on lines', () => {
  it('fill each line, and one that is wider than a line stands alone', () => {
    const bars = [bar('1', 4), bar('2', 4), bar('3', 12), bar('4', 4)];
    const lines = fingerLines(bars, 10, ({ quarters }) => quarters);
    expect(lines.map((line) => line.map(({ number }) => number))).toEqual([['1', '2'], ['3'], ['4']]);
  });
});
