import { describe, expect, it } from '@jest/globals';
import { passage } from '../../../tests/support/passages';
import { player } from '../../../tests/support/planning';
import type { Easier } from '../base';
import type { Player } from '../fingering';
import type { Hand } from '../score';
import { easierVersion } from './easier';

function easier(hand: Hand, text: string, options: Partial<Player>): Easier | null {
  const own = passage(hand, text);
  return easierVersion(
    own,
    own.notes.map(({ note }) => note.midi),
    player(options),
  );
}

describe('easierVersion', () => {
  it('is none where the hand can play all', () => {
    expect(easier('right', 'C4 D4 E4 F4 G4', { level: 1 })).toBeNull();
  });

  it('is one place, where the hand has to jump by an octave and may not', () => {
    expect(easier('left', 'C3 E3 G3 r:2 C4 E4 G4', { level: 1 })).toEqual({ kind: 'one-place' });
    expect(easier('right', 'G4 E4 C4 r:2 [C5 G5] r:2 E3', { level: 1 })).toEqual({ kind: 'one-place' });
  });

  it('is none in one place for more letters than five', () => {
    expect(easier('right', 'C4 D4 E4 F4 G4 A4', { level: 1 })).toBeNull();
  });

  it('leaves the left hand the lower note of an octave that is too wide, the right hand the upper one', () => {
    expect(easier('left', 'C3:2 [C3 C4]:2', { spanMm: 150 })).toMatchObject({ which: 'upper', of: 'octaves' });
    expect(easier('right', '[C4 C5]:2 C5:2', { spanMm: 150 })).toMatchObject({ which: 'lower', of: 'octaves' });
  });

  it('leaves out of chords what the level cannot hold: the bass and the tune stay', () => {
    const school = { level: 2, closeChords: 'level-3' } as const;
    const left = '[C3 E3 G3]:2 [B2 F3 G3]:2 [C3 F3 A3]:2';
    expect(easier('left', left, school)).toMatchObject({ kind: 'without', which: 'upper', of: 'chords' });
    expect(easier('right', '[C4 E4 G4]:2 [C4 F4 A4]:2', school)).toMatchObject({ which: 'lower', of: 'chords' });
  });

  it('is none where one note less does not help', () => {
    expect(easier('right', '[C3 E4 C6]', {})).toBeNull();
  });
});
