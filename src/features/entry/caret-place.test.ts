import { describe, expect, it } from '@jest/globals';
import type { CaretView, EnteredView } from '@/core/views';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { caretPlace, soonPlace } from './caret-place';

const staves = [
  { top: 1000, bottom: 1720 },
  { top: 2800, bottom: 3520 },
];
const head = (id: string, x: number, y: number) => ({ id: ID_PREFIXES.after + id, x, y, width: 212 });
/** Two bars: C4 and E4 as quarters in the first, the left hand silent. */
const LINE: EngravedSystem = {
  svg: '',
  viewBox: [0, 0, 20_000, 4000],
  lines: [],
  heads: [head('a', 2000, 1900), head('b', 2700, 1720)],
  bars: [
    { x1: 500, x2: 5000, staves },
    { x1: 5000, x2: 7000, staves },
  ],
};
const CARET: CaretView = {
  hand: 'right',
  staff: 1,
  bar: 0,
  number: '1',
  beat: 1,
  at: null,
  behind: null,
  voice: '1',
  isFurtherVoice: false,
};
const G4: EnteredView = {
  bar: 0,
  staff: 1,
  notes: [{ id: 'c', place: 2, finger: 5 }],
  head: 'filled',
  under: null,
  behind: 'b',
  apart: ['a', 'b'],
};

describe('caretPlace', () => {
  it('stands in front of the note it is at, and behind the one before it at the end of a bar', () => {
    expect(caretPlace(LINE, { ...CARET, at: 'a' }, { from: 0, signs: 0, soon: null })?.x).toBeLessThan(2000);
    expect(caretPlace(LINE, { ...CARET, behind: 'b' }, { from: 0, signs: 0, soon: null })?.x).toBeGreaterThan(
      2700 + 212,
    );
  });

  it('stands where the other hand begins, where its own is silent, and through its own staff', () => {
    const place = caretPlace(LINE, { ...CARET, hand: 'left', staff: 2 }, { from: 0, signs: 0, soon: null });
    expect(place?.x).toBeLessThan(2000);
    expect(place?.x).toBeGreaterThan(1800);
    expect(place?.top).toBeGreaterThan(1720);
  });

  it('stands behind the last bar before that is there, and nowhere on a line without bars', () => {
    expect(caretPlace(LINE, { ...CARET, bar: 2 }, { from: 0, signs: 0, soon: null })?.x).toBeGreaterThan(7000);
    expect(caretPlace({ ...LINE, bars: [] }, CARET, { from: 0, signs: 0, soon: null })).toBeNull();
  });
});

describe('soonPlace', () => {
  it('sets the note as far behind the last as those before it are apart, on its line', () => {
    const place = soonPlace(LINE, G4, 0, 0);
    expect(place).toMatchObject({ x: 3400, heads: [{ id: 'c', y: 1540 }] });
    expect(caretPlace(LINE, { ...CARET, behind: 'c' }, { from: 0, signs: 0, soon: place })?.x).toBeGreaterThan(3400);
  });

  it('sets it under a note of the other hand at the same beat', () => {
    expect(soonPlace(LINE, { ...G4, staff: 2, behind: null, apart: null, under: 'a' }, 0, 0)?.x).toBe(2000);
  });

  it('is nothing once the note stands there engraved; a note that was changed counts only at its new place', () => {
    const engraved = { ...LINE, heads: [...LINE.heads, head('c', 3400, 1540)] };
    expect(soonPlace(engraved, G4, 0, 0)).toBeNull();
    expect(soonPlace({ ...LINE, heads: [...LINE.heads, head('c', 3400, 1720)] }, G4, 0, 0)).toMatchObject({
      x: 3400,
      heads: [{ y: 1540 }],
    });
  });
});
