import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { passage } from '../../../tests/support/passages';
import { planOf, player } from '../../../tests/support/planning';
import { stepLimits, type Limit } from './limits';
import { latticeOf } from './lattice';
import { demandsOf, LEVELS, type Player } from './player';
import { NO_EXTRA } from './plan-path';
import { tallySteps } from './path-tally';
import { solve } from './solve';
import { realView } from './key-view';

function limits(text: string, options: Partial<Player>): readonly Limit[] {
  const { lattice, steps } = planOf(passage('right', text), options);
  return steps.flatMap((_, t) => stepLimits(lattice, steps, t));
}

describe('stepLimits', () => {
  it.each([
    ['reach', '[C4 C5]', { spanMm: 150 }],
    ['held-reach', '[C4~4 G4] C5 E5 [C5 E5]', { spanMm: 150 }],
    ['open', '[C4 A4]', { level: 1 }],
    ['move', 'C4 D4 E4 r:2 C5 D5 E5', { level: 1 }],
  ] as const)('names what is too much: %s in %s', (limit, text, options) => {
    expect(limits(text, options)).toContain(limit);
  });

  it('is silent where level and reach suffice', () => {
    expect(limits('C4 D4 E4 r:2 C5 D5 E5', { level: 2 })).toEqual([]);
    expect(limits('[C4 C5]', { spanMm: 180 })).toEqual([]);
  });

  it('names as many limits as the cost counts', () => {
    const note = fc.constantFrom('C4', 'Eb4', 'G4', 'C5', '[C4 C5]', '[C4~3 E4]', '[D4 F#4 A4 D5]', 'r');
    fc.assert(
      fc.property(
        fc.array(note, { minLength: 2, maxLength: 8 }),
        fc.constantFrom(...LEVELS),
        fc.constantFrom(150, 185),
        (tokens, level, spanMm) => {
          fc.pre(tokens.some((token) => token !== 'r'));
          const own = passage('right', tokens.join(' '));
          const lattice = latticeOf(
            own,
            realView(
              own,
              own.notes.map(({ note: { midi } }) => midi),
            ),
            demandsOf(player({ level, spanMm })),
          );
          const { steps } = solve(lattice, NO_EXTRA);
          const named = steps.flatMap((_, t) => stepLimits(lattice, steps, t));
          const plan = planOf(own, { level, spanMm });
          expect(named.length > 0).toBe(plan.limits > 0);
          expect(plan.limits).toBe(tallySteps(plan.lattice, plan.steps).limits);
        },
      ),
      { numRuns: 200, seed: 3 },
    );
  });
});
