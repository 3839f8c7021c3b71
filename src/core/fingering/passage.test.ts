import { describe, expect, it } from '@jest/globals';
import { handLine, passage, passageOfLine } from '../../../tests/support/passages';
import { parseKey, type Key } from '../pitch';

const bonds = (text: string): readonly number[] =>
  passage('right', text)
    .events.slice(1)
    .map(({ bond }) => bond);

describe('how much a join binds', () => {
  it('is most in a line, less after a long or detached note, less still at a phrase end or in a rest', () => {
    expect(bonds('C4 D4')).toEqual([1]);
    expect(bonds("C4:2 D4 E4' F4")).toEqual([0.6, 1, 0.6]);
    expect(bonds('C4 | D4')).toEqual([0.4]);
    expect(bonds('C4 r:0.5 D4 r E4 r:2 F4')).toEqual([0.4, 0.2, 0.1]);
  });

  it('is less between a single note and a chord, as in a waltz bass, and between whole chords', () => {
    expect(bonds('C3 [E3 G3] [E3 G3]')).toEqual([0.6, 1]);
    expect(bonds('[C4 E4 G4] [C4 F4 A4]')).toEqual([0.6]);
  });
});

describe('held notes', () => {
  it('stay with the moments under which they sound', () => {
    const { events } = passage('right', '[C4~3 E4] F4 G4 A4');
    expect(events.map(({ struck, held, released }) => [struck.length, held.length, released.length])).toEqual([
      [2, 0, 0],
      [1, 1, 1],
      [1, 1, 1],
      [1, 0, 2],
    ]);
  });

  it('on a key that is struck again are released', () => {
    const { events } = passage('right', '[C4~3 E4] C4 D4');
    expect(events[1]?.held).toEqual([]);
  });

  it('share a key that two voices strike together', () => {
    expect(passage('right', '[C4 C4~2] D4').events[0]?.struck).toHaveLength(1);
  });
});

describe('grace notes', () => {
  it('are moments of their own before their note', () => {
    const [grace, note] = handLine('right', 'D4 C4');
    const ornamented = [
      { ...grace, isGrace: true, onset: 0, duration: 0 },
      { ...note, onset: 0 },
    ] as Parameters<typeof passageOfLine>[1];
    expect(passageOfLine('right', ornamented, parseKey('C', 'major') as Key).events).toHaveLength(2);
  });
});

describe('likeness', () => {
  it('is the same for a scale up and down, and in every octave', () => {
    const { events } = passage('right', 'C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 D5 C5 B4');
    expect(events[1]?.likeness).toBe(events[8]?.likeness);
    expect(events[6]?.likeness).not.toBe(events[12]?.likeness);
    expect(events[7]?.likeness).toBe(events[11]?.likeness);
  });

  it('is the same for the same tune in another key', () => {
    const inC = passage('right', 'C4 D4 E4 F#4 G4', 'C').events.map(({ octaveEnd, bond }) => [octaveEnd, bond]);
    const inD = passage('right', 'D4 E4 F#4 G#4 A4', 'D').events.map(({ octaveEnd, bond }) => [octaveEnd, bond]);
    expect(inD).toEqual(inC);
  });

  it('marks the end of a broken octave chord, and tells it from a longer arpeggio', () => {
    const ends = (text: string): readonly (string | null)[] =>
      passage('left', text).events.map(({ octaveEnd }) => octaveEnd);
    expect(ends('C3 E3 G3 C4')).toEqual([null, 'pattern', null, null]);
    expect(ends('C3 E3 G3 C4 E4')).toEqual([null, 'arpeggio', 'arpeggio', null, null]);
    expect(ends('C3 E3 G3 A3')).toEqual([null, null, null, null]);
  });
});
