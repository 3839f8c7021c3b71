import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { newScore } from '../edit';
import { LETTERS, parseKey, type Key, type Mode } from '../pitch';
import type { Finger, Hand } from '../score';
import { beginSession } from './session';
import { keysUnder } from './pitch-at';
import {
  HIGHEST_LETTER,
  homeSeats,
  letterUnder,
  LOWEST_LETTER,
  seatNamed,
  seatWith,
  THUMBS_TOGETHER,
  within,
} from './seats';

const fresh = (tonic: string, mode: Mode = 'major') =>
  beginSession(
    newScore({ title: '', key: parseKey(tonic, mode) as Key, meter: { beats: 4, beatType: 4 }, pickupBeats: 0 }),
    'P1',
  );
const hands = fc.constantFrom<Hand>('right', 'left');
const fingers = fc.constantFrom<Finger>(1, 2, 3, 4, 5);
const letters = fc.integer({ min: LOWEST_LETTER + 4, max: HIGHEST_LETTER - 4 });
const C4 = 28;

describe('where hands begin', () => {
  it.each([
    ['C', [60, 62, 64, 65, 67], [55, 53, 52, 50, 48]],
    ['G', [67, 69, 71, 72, 74], [50, 48, 47, 45, 43]],
    ['D', [62, 64, 66, 67, 69], [57, 55, 54, 52, 50]],
    ['F', [65, 67, 69, 70, 72], [48, 46, 45, 43, 41]],
    ['Bb', [70, 72, 74, 75, 77], [53, 51, 50, 48, 46]],
  ])(
    '%s: the right thumb and the left fifth finger on the tonic, with the signature under the fingers (common practice)',
    (tonic, right, left) => {
      const session = fresh(tonic);
      expect(keysUnder(session, 'right')).toEqual(right);
      expect(keysUnder(session, 'left')).toEqual(left);
    },
  );

  it('in minor they sit on the tonic of minor', () => {
    expect(keysUnder(fresh('A', 'minor'), 'right')).toEqual([69, 71, 72, 74, 76]);
    expect(keysUnder(fresh('E', 'minor'), 'right')).toEqual([64, 66, 67, 69, 71]);
  });

  it('hands never begin one inside the other', () => {
    for (const letter of LETTERS) {
      const { right, left } = homeSeats(fresh(letter).edited.score.parts[0]!);
      expect(left + 4).toBeLessThan(right);
    }
  });

  it('both thumbs can share middle C', () => {
    expect(letterUnder('right', THUMBS_TOGETHER.right, 1, null)).toBe(C4);
    expect(letterUnder('left', THUMBS_TOGETHER.left, 1, null)).toBe(C4);
  });
});

describe('fingers and letters', () => {
  it('a seat that was found for a finger puts that finger there', () => {
    fc.assert(
      fc.property(hands, fingers, letters, (hand, finger, letter) =>
        expect(letterUnder(hand, seatWith(hand, finger, letter), finger, null)).toBe(letter),
      ),
    );
  });

  it('five fingers lie on neighbouring letters, upwards in the right hand and downwards in the left', () => {
    fc.assert(
      fc.property(letters, (seat) => {
        const under = (hand: Hand): readonly number[] =>
          ([1, 2, 3, 4, 5] as const).map((finger) => letterUnder(hand, seat, finger, null));
        expect(under('right')).toEqual([0, 1, 2, 3, 4].map((place) => seat + place));
        expect(under('left')).toEqual([4, 3, 2, 1, 0].map((place) => seat + place));
      }),
    );
  });

  it('an open hand keeps the fingers on the thumb’s side where they are', () => {
    fc.assert(
      fc.property(hands, fingers, letters, fc.integer({ min: 1, max: 3 }), (hand, beside, seat, opens) => {
        for (const finger of [1, 2, 3, 4, 5] as const) {
          const moved =
            letterUnder(hand, seat, finger, { beside, letters: opens }) - letterUnder(hand, seat, finger, null);
          const isBeyond = hand === 'right' ? finger > beside : finger < beside;
          expect(moved).toBe(isBeyond ? opens : 0);
        }
      }),
    );
  });

  it('a position that is named by its letter is the nearest of that name', () => {
    fc.assert(
      // At the ends of the keyboard a hand stays on it, whatever was named.
      fc.property(
        fc.integer({ min: LOWEST_LETTER + 4, max: HIGHEST_LETTER - 8 }),
        fc.constantFrom(...LETTERS),
        (from, letter) => {
          const seat = seatNamed(from, letter);
          expect(LETTERS[seat % 7]).toBe(letter);
          expect(Math.abs(seat - from)).toBeLessThanOrEqual(4);
        },
      ),
    );
    expect(seatNamed(C4, 'G')).toBe(C4 + 4);
    expect(seatNamed(C4, 'A')).toBe(C4 - 2);
    expect(seatNamed(C4, 'C')).toBe(C4);
  });

  it('no hand leaves the keyboard', () => {
    fc.assert(
      fc.property(fc.integer({ min: -50, max: 120 }), (seat) =>
        expect(within(seat) >= LOWEST_LETTER && within(seat) + 4 <= HIGHEST_LETTER).toBe(true),
      ),
    );
  });
});
