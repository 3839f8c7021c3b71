import { describe, expect, it } from '@jest/globals';
import { hopFlags } from '../flags';
import { studyHand, baselineOf } from '../forced';
import { demandsOf } from '../fingering';
import { passage } from '../../../tests/support/passages';
import { planned, player } from '../../../tests/support/planning';

describe('few notes from the tonic, or a held tonic (handbook, where teachers disagree)', () => {
  it.each([
    ['left', 'C3 D3 E3 D3 C3:2', '5 4 3 4 5', '3 2 1 2 3'],
    ['left', 'C3 D3 C3 D3 C3:2', '5 4 5 4 5', '2 1 2 1 2'],
    ['left', 'C3:4 C3:4', '5 5', '1 1'],
    ['right', 'C4 D4 E4 D4 C4:2', '1 2 3 2 1', '1 2 3 2 1'],
    ['left', 'C3 D3 E3 F3 G3 E3 C3:2', '5 4 3 2 1 3 5', '5 4 3 2 1 3 5'],
  ] as const)('%s hand %s: %s on the tonic, %s with the nearest fingers', (hand, text, tonic, nearest) => {
    expect(planned(hand, text, { level: 2 })).toBe(tonic);
    expect(planned(hand, text, { level: 2, tonicHand: 'nearest' })).toBe(nearest);
  });
});

describe('root with fifth, then root with sixth (handbook, where teachers disagree)', () => {
  it.each([
    ['[C3 G3] [C3 A3] [C3 G3] [C3 A3]', '52 51 52 51', '51 51 51 51'],
    ['C3 G3 C3 A3 C3 G3 C3 A3', '5 2 5 1 5 2 5 1', '5 1 5 1 5 1 5 1'],
  ])('%s: %s where the hand opens, %s where the thumb moves', (text, open, moving) => {
    expect(planned('left', text)).toBe(open);
    expect(planned('left', text, { fifthSixth: 'move' })).toBe(moving);
  });

  it('the thumb that the school moves is no hop', () => {
    const own = passage('left', '[C3 G3] [C3 A3] [C3 G3] [C3 A3]');
    const notes = own.notes.map(({ note }) => note);
    const study = studyHand(
      baselineOf(own, demandsOf(player({ fifthSixth: 'move' }))),
      notes.map(({ midi }) => midi),
    );
    expect(hopFlags({ study, played: study.plan, notes })).toEqual([]);
  });
});
