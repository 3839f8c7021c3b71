import { describe, expect, it } from '@jest/globals';
import { passage } from '../../../tests/support/passages';
import type { Hand } from '../score';
import { keysDownOf, type Grip } from './grip';
import { growth, isLine, meetingOf, middle, type Meeting } from './meeting';
import type { PassageEvent } from './passage';
import { realView } from './key-view';

/** How the first two moments of a line meet. */
function meeting(text: string, hand: Hand = 'right'): Meeting {
  const own = passage(hand, text);
  const view = realView(
    own,
    own.notes.map(({ note }) => note.midi),
  );
  const [first, second] = own.events as readonly [PassageEvent, PassageEvent];
  const keys = (event: PassageEvent) => keysDownOf(own, event, view.places, 20_600);
  return meetingOf(view, second, keys(first), keys(second));
}

const grip = (...fingers: readonly number[]): Grip => ({ fingers, low: 0, high: 0, mask: 0 });

describe('meetingOf', () => {
  it('is a line where one key follows another, and only there', () => {
    expect(isLine(meeting('C4 D4'))).toBe(true);
    expect(isLine(meeting('C4 [C4 E4]'))).toBe(false);
    expect(isLine(meeting('[C4 E4] D4'))).toBe(false);
  });

  it('lets chords weigh no more than lines: the pairs of the wider moment share one weight', () => {
    expect(meeting('C4 D4').factor).toBe(1);
    expect(meeting('[C4 E4 G4] D4').factor).toBeCloseTo(1 / 3);
    expect(meeting('[C4 E4] [D4 F4]').factor).toBe(1 / 2);
  });

  it('binds a chord and a single key by the two keys that are nearest, in both hands', () => {
    expect(meeting('[C4 E4 G4] A4').near).toEqual([2, 0]);
    // From the thumb's side the left hand's first key is the highest.
    expect(meeting('[C3 E3 G3] A3', 'left').near).toEqual([0, 0]);
    expect(meeting('D4 [F4 A4]').near).toEqual([0, 0]);
  });

  it('binds a line, and chord with chord, by all their keys', () => {
    expect(meeting('C4 D4').near).toBeNull();
    expect(meeting('[C4 E4] [D4 F4]').near).toBeNull();
  });

  it('keeps a key that stays down apart from those that are let go and struck', () => {
    const { held, from, to } = meeting('[C4~2 E4] F4');
    expect(held).toEqual([[0, 0]]);
    expect([from, to]).toEqual([[1], [1]]);
  });
});

describe('growth', () => {
  it('opens the hand on the side of the finger that plays, and crowds it on the other', () => {
    expect(growth(2, 1, 3)).toEqual([3, 1]);
    expect(growth(-2, 1, 3)).toEqual([1, 3]);
  });

  it('counts all as opening where the fingers lie where they were', () => {
    expect(growth(0, 1, 3)).toEqual([4, 0]);
  });
});

describe('middle', () => {
  it('is between the fingers on the keys in question; others do not count', () => {
    expect(middle(grip(1, 3, 5), [0, 1])).toBe(2);
    expect(middle(grip(1, 3, 5), [2])).toBe(5);
    expect(middle(grip(1, 3, 5), [])).toBe(0);
  });
});
