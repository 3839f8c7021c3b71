import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { passage } from '../../../tests/support/passages';
import { planned, planOf, player, studied } from '../../../tests/support/planning';
import { latticeOf } from './lattice';
import { tallySteps } from './path-tally';
import { demandsFor, demandsOf, DIALS, widestOpening, type Player } from './player';
import { WEIGHTS, type Rule } from './rules.table';
import { NO_EXTRA } from './plan-path';
import { solve } from './solve';
import { RULE } from './tally';
import { realView } from './key-view';

const NAMES = ['C4', 'C#4', 'D4', 'Eb4', 'E4', 'F4', 'F#4', 'G4', 'Ab4', 'A4', 'Bb4', 'B4', 'C5', 'D5', 'Eb5'];
const tune = fc.array(fc.constantFrom(...NAMES), { minLength: 4, maxLength: 12 }).map((names) => names.join(' '));

/** What some rules add to the best plan, at their usual weights. */
function share(text: string, options: Partial<Player>, rules: readonly Rule[]): number {
  const own = passage('right', text);
  const lattice = latticeOf(
    own,
    realView(
      own,
      own.notes.map(({ note }) => note.midi),
    ),
    demandsOf(player(options)),
  );
  const { amounts } = tallySteps(lattice, solve(lattice, NO_EXTRA).steps);
  return rules.reduce((sum, rule) => sum + WEIGHTS[rule] * (amounts[RULE[rule]] as number), 0);
}

describe('the dials', () => {
  it.each([
    ['thumbOffBlack', ['thumbBlack', 'thumbBlackNeighbour', 'fiveBlackNeighbour']],
    ['moveOverStretch', ['stretch', 'large', 'largeThumb', 'open']],
  ] as const)('%s: the more it counts, the less of it is left in the plan', (dial, rules) => {
    fc.assert(
      fc.property(tune, (text) => {
        const [less, usual, more] = DIALS.map((value) => share(text, { [dial]: value }, rules)) as [
          number,
          number,
          number,
        ];
        expect(usual).toBeLessThanOrEqual(less + 1e-6);
        expect(more).toBeLessThanOrEqual(usual + 1e-6);
      }),
      { numRuns: 150, seed: 9 },
    );
  });

  it('keepPrinted: the more it counts, the fewer fingers change', () => {
    const printed = 'C4=1 D4=2 E4=3 F4=1 G4=2 A4=3 B4=4 C5=5 B4=4 A4=3 G4=2 F4=1 E4=3 D4=2 C4=1';
    for (const semitones of [1, 3, 5, 8, 10]) {
      const changed = DIALS.map(
        (keepPrinted) =>
          studied('right', printed, semitones, { keepPrinted }).changes.flatMap(({ notes }) => notes).length,
      );
      expect(changed.toSorted((a, b) => b - a)).toEqual(changed);
    }
  });
});

describe('the schools', () => {
  it('repeat: the same finger on a repeated key, or another one each time (handbook, where teachers disagree)', () => {
    expect(new Set(planned('right', 'G4 G4 G4 G4', { repeat: 'keep' }).split(' ')).size).toBe(1);
    const changing = planned('right', 'G4 G4 G4 G4', { repeat: 'change' }).split(' ');
    expect(changing.every((finger, i) => i === 0 || finger !== changing[i - 1])).toBe(true);
  });

  it('outer: a thumb on black costs twice where it is avoided', () => {
    const cost = (outer: Player['outer']): number => demandsOf(player({ outer })).weights[RULE.thumbBlack] as number;
    expect(cost('avoid')).toBe(2 * cost('allow'));
  });

  it('a level has the opening of the model: none, then two letters, then an octave', () => {
    expect([1, 2, 3, 4].map((level) => widestOpening(level as Player['level'], false))).toEqual([0, 0, 2, 3]);
    expect(widestOpening(1, true)).toBe(1);
  });
});

describe('a wider hand', () => {
  it('never costs more', () => {
    fc.assert(
      fc.property(tune, (text) => {
        const costs = [150, 165, 180, 195, 210].map((spanMm) => planOf(passage('right', text), { spanMm }).bound);
        expect(costs.every((cost, i) => i === 0 || cost <= (costs[i - 1] as number) + 1e-9)).toBe(true);
      }),
      { numRuns: 20, seed: 2 },
    );
  });
});

describe('demandsFor', () => {
  it('says the same as working the demands out', () => {
    const who = player({ level: 2, spanMm: 165, outer: 'avoid' });
    expect(demandsFor(who)).toEqual(demandsOf(who));
  });

  it('is the same object for the same player, and another for another, also once many were asked about', () => {
    const [before, again] = [demandsFor(player({ level: 3 })), demandsFor({ ...player({ level: 3 }) })];
    expect(again).toBe(before);
    expect(demandsFor(player({ level: 4 }))).not.toBe(before);
    for (let spanMm = 120; spanMm < 220; spanMm += 1) expect(demandsFor(player({ spanMm })).player.spanMm).toBe(spanMm);
  });
});
