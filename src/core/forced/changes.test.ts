import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { printed, studied } from '../../../tests/support/planning';
import { alternatives, forcedMoves, surroundings, type FingerChange } from './changes';

const SCALE = printed('right', 'C4 D4 E4 F4 G4 A4 B4 C5 B4 A4 G4 F4 E4 D4 C4', '123123454321321');
const tune = fc
  .array(fc.constantFrom('C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'C5', 'E5'), { minLength: 4, maxLength: 14 })
  .map((names) => names.join(' '));

describe('fingerChanges', () => {
  it('are none on white keys that lie as before', () => {
    expect(studied('right', SCALE, 0).changes).toEqual([]);
    expect(studied('left', printed('left', SCALE.replaceAll(/=\d/g, '')), 12).changes).toEqual([]);
  });

  it('cover every finger that differs, each once, and keep the notes in between', () => {
    fc.assert(
      fc.property(
        tune,
        fc.integer({ min: -6, max: 6 }),
        fc.constantFrom('right' as const, 'left' as const),
        (text, up, hand) => {
          const { study, changes } = studied(hand, printed(hand, text), up);
          const told = changes.flatMap(({ notes }) => notes);
          const { fingering } = study.offered ?? study.plan;
          const differing = fingering.flatMap((finger, i) => (finger === study.baseline.printed[i] ? [] : [i]));
          expect(differing.every((note) => told.includes(note))).toBe(true);
          expect(new Set(told).size).toBe(told.length);
          for (const { before, after, notes } of changes) {
            expect(before).toEqual(notes.map((note) => study.baseline.printed[note]));
            expect(after).toEqual(notes.map((note) => fingering[note]));
          }
        },
      ),
      { numRuns: 120, seed: 8 },
    );
  });

  it('are laid to colour only where the old fingers stand on white keys of the same places', () => {
    const { study, changes } = studied('right', SCALE, 5);
    const [change] = changes as [FingerChange];
    expect(change.cause).toBe('colour');
    expect(study.colourless?.fingering.slice(change.from, change.to + 1)).toEqual(change.before);
  });

  it('say how much worse the old fingers would be, as the difference of the costs they show', () => {
    const { changes } = studied('right', SCALE, 5);
    const [change] = changes as [FingerChange];
    const total = (side: 'worse' | 'better'): number =>
      change.comparison[side].reduce((sum, { cost }) => sum + cost, 0);
    expect(total('worse')).toBeGreaterThan(total('better'));
    expect(change.gain).toBeGreaterThan(0);
  });
});

describe('alternatives', () => {
  it('are other fingers than the old and the new one, cheapest first, none cheaper than the plan', () => {
    fc.assert(
      fc.property(tune, fc.integer({ min: -6, max: 6 }), (text, up) => {
        const { study, changes } = studied('right', printed('right', text), up);
        for (const change of changes) {
          const others = alternatives(study, change);
          const fingers = others.map(({ finger }) => finger);
          expect(new Set(fingers).size).toBe(fingers.length);
          expect(fingers).not.toContain(change.after[0]);
          expect(fingers).not.toContain(change.before[0]);
          const prices = others.map(({ price }) => price);
          expect(prices.toSorted((a, b) => a - b)).toEqual(prices);
          expect(prices.every((price) => price >= 0 && price <= 5)).toBe(true);
        }
      }),
      { numRuns: 120, seed: 21 },
    );
  });
});

describe('notes without a printed finger', () => {
  it('have no change to tell: they are planned as if they had been written there', () => {
    fc.assert(
      fc.property(tune, fc.integer({ min: -6, max: 6 }), (text, up) => {
        expect(studied('right', text, up).changes).toEqual([]);
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});

describe('printed fingers in their own key', () => {
  it('stay wherever they can be played, and what would be planned is an offer', () => {
    const { study } = studied('right', 'C4=1 D4=2 E4=4 F4=5 E4=4 D4=2 C4=1', 0);
    expect(study.plan.fingering.join('')).toBe('1245421');
    expect(study.offered?.fingering.join('')).toBe('1234321');
  });

  it('of closed positions stay in every key where thumbs on black are allowed', () => {
    for (const up of [-5, -4, -3, -2, -1, 1, 2, 3, 4, 5, 6])
      expect(studied('left', 'C3=5 G3=1 C3=5 G3=1 E3=3 D3=4 C3=5', up).study.plan.fingering.join('')).toBe('5151345');
  });
});

describe('forcedMoves', () => {
  it('are told where black keys take the hand out of its place, and only there', () => {
    const sixth = 'C4 D4 E4 F4 G4 A4 G4 F4 E4 D4 C4:2';
    expect(studied('right', sixth, 0).added).toEqual([]);
    const { study } = studied('right', SCALE, 5);
    const { added, removed } = forcedMoves(study);
    const starts = study.plan.steps.flatMap(({ transition: join }, t) =>
      join === 'stay' || join === 'begin' ? [] : [t],
    );
    expect(added.every((t) => starts.includes(t))).toBe(true);
    expect(added.some((t) => removed.includes(t))).toBe(false);
  });
});

describe('surroundings', () => {
  it('take in the change, the position around it and no more than is needed', () => {
    const { study } = studied('right', Array.from({ length: 8 }, () => SCALE).join(' '), 5);
    for (const at of [0, 20, 60, study.plan.steps.length - 1]) {
      const [begin, end] = surroundings(study.plan, at, at);
      expect(begin).toBeLessThanOrEqual(at);
      expect(end).toBeGreaterThanOrEqual(at);
      expect(end - begin).toBeLessThanOrEqual(33);
    }
  });
});
