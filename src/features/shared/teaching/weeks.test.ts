import { describe, expect, it } from '@jest/globals';
import { weekOf } from './weeks';

/** A Wednesday. */
const NOW = new Date(2026, 10, 25, 15, 0);
const at = (month: number, day: number, hour = 12) => new Date(2026, month - 1, day, hour).getTime();

describe('weekOf', () => {
  it.each([
    [11, 25, 'this', 'this'],
    [11, 23, 'this', 'this'],
    [11, 22, 'last', 'this'],
    [11, 16, 'last', 'last'],
    [11, 15, 'earlier', 'last'],
    [11, 14, 'earlier', 'earlier'],
  ] as const)('the %i/%i is %s week where it begins on Monday, %s where on Sunday', (month, day, monday, sunday) => {
    expect(weekOf(at(month, day), NOW, { week: 'monday' })).toBe(monday);
    expect(weekOf(at(month, day), NOW, { week: 'sunday' })).toBe(sunday);
  });

  it('begins at midnight, also in a week in which the clock is put back', () => {
    const afterChange = new Date(2026, 9, 28, 12);
    expect(weekOf(new Date(2026, 9, 26, 0, 0).getTime(), afterChange, { week: 'monday' })).toBe('this');
    expect(weekOf(new Date(2026, 9, 25, 23, 59).getTime(), afterChange, { week: 'monday' })).toBe('last');
    expect(weekOf(new Date(2026, 9, 19, 0, 0).getTime(), afterChange, { week: 'monday' })).toBe('last');
  });
});
