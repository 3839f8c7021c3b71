import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { passage } from '../../../tests/support/passages';
import { planOf, player } from '../../../tests/support/planning';
import type { Level, Passage, Player } from '../fingering';
import type { Hand } from '../score';
import { whyNotPlayable, type NotPlayable } from './playable';

function why(hand: Hand, text: string, options: Partial<Player>): NotPlayable | null {
  const own = passage(hand, text);
  return whyNotPlayable(own, midisOf(own), player(options));
}

function midisOf(own: Passage): readonly number[] {
  return own.notes.map(({ note }) => note.midi);
}

describe('whyNotPlayable', () => {
  it('is null where the hand can play it', () => {
    expect(why('right', 'C4 D4 E4 F4 G4', { level: 1 })).toBeNull();
  });

  it('names the level at which a move is allowed, and where the first one comes', () => {
    expect(why('right', 'C4 D4 E4 r:2 C5 D5 E5', { level: 1 })).toEqual({
      event: 3,
      limit: 'move',
      level: 2,
      spanMm: null,
    });
  });

  it('asks for level 3 where a closed hand is too narrow for a chord', () => {
    expect(why('left', 'C3 [C3 A3]', { level: 2 })).toMatchObject({ event: 1, limit: 'open', level: 3 });
  });

  it('tells the reach that a chord needs, to the next 5 mm, where level does not help', () => {
    expect(why('right', '[C4 C5]', { spanMm: 150 })).toMatchObject({ limit: 'reach', level: null });
    const spanMm = why('right', '[C4 C5]', { spanMm: 150 })?.spanMm as number;
    expect(spanMm % 5).toBe(0);
    expect(why('right', '[C4 C5]', { spanMm })).toBeNull();
    expect(why('right', '[C4 C5]', { spanMm: spanMm - 5 })).not.toBeNull();
  });

  it('has no remedy for what no hand can hold', () => {
    expect(why('right', '[C4 C6]', {})).toMatchObject({ limit: 'reach', level: null, spanMm: null });
  });

  it('proposes only what works, and nothing less would', () => {
    const token = fc.constantFrom('C4', 'E4', 'G4', 'A4', 'C5', 'F5', 'r', '[C4 G4]', '[C4 A4]', '[E4 C5]');
    fc.assert(
      fc.property(fc.array(token, { minLength: 2, maxLength: 7 }), fc.constantFrom<Level>(1, 2), (tokens, level) => {
        fc.pre(tokens.some((text) => text !== 'r'));
        const own = passage('right', tokens.join(' '));
        const found = whyNotPlayable(own, midisOf(own), player({ level }));
        expect(found === null).toBe(planOf(own, { level }).limits === 0);
        if (!found?.level) return;
        expect(whyNotPlayable(own, midisOf(own), player({ level: found.level }))).toBeNull();
        for (let lower = level + 1; lower < found.level; lower += 1)
          expect(whyNotPlayable(own, midisOf(own), player({ level: lower as Level }))).not.toBeNull();
      }),
      { numRuns: 80, seed: 4 },
    );
  });
});
