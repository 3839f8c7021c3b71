import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseKey, type Key } from '../pitch';
import type { Hand } from '../score';
import { handLine, passageOfLine } from '../../../tests/support/passages';
import { cheapestByTrying, choices } from '../../../tests/support/exhaustive';
import { latticeOf } from './lattice';
import { demandsOf, LEVELS, USUAL_PLAYER } from './player';
import { NO_EXTRA, type Extra } from './plan-path';
import { solve } from './solve';
import { neutralView, realView } from './key-view';
import { tallySteps } from './path-tally';
import { totalCost } from './tally';
import { rounds } from '../../../tests/support/rounds';

/** How many passages are tried in all ways. */
const PASSAGES = rounds(500, 2000);
const NAMES = ['C4', 'C#4', 'D4', 'E4', 'F4', 'F#4', 'G4', 'A4', 'Bb4', 'B4', 'C5', 'D5', 'E5'];
const single = fc.constantFrom(...NAMES);
const pair = fc
  .uniqueArray(fc.nat(NAMES.length - 1), { minLength: 2, maxLength: 2 })
  .map((at) => `[${at.map((i) => NAMES[i]).join(' ')}]`);
const triad = fc.constantFrom('[C4 E4 G4]', '[D4 F#4 A4]', '[E4 G4 C5]', '[Bb3 D4 F4]', '[C4 F4 A4 C5]');
const held = fc
  .tuple(single, single)
  .filter(([a, b]) => a !== b)
  .map(([a, b]) => `[${a}~3 ${b}]`);
const token = fc.oneof(
  { weight: 6, arbitrary: single },
  { weight: 2, arbitrary: pair },
  { weight: 1, arbitrary: triad },
  { weight: 2, arbitrary: held },
);
const length = fc.constantFrom('', '', '', ':2', ':0.5', "'", ' |', ' r', ' r:2');
const line = fc
  .array(
    fc.tuple(token, length).map(([a, b]) => a + b),
    { minLength: 2, maxLength: 5 },
  )
  .map((tokens) => tokens.join(' '));
const player = fc.record({
  level: fc.constantFrom(...LEVELS),
  spanMm: fc.constantFrom(150, 180, 206),
  outer: fc.constantFrom('allow' as const, 'avoid' as const),
});

describe('solve', () => {
  it('finds no worse a plan than trying all of them, on passages with and without edit costs (exhaustive search)', () => {
    let tried = 0;
    fc.assert(
      fc.property(
        line,
        player,
        fc.constantFrom<Hand>('right', 'left'),
        fc.boolean(),
        fc.array(fc.nat(31), { minLength: 5, maxLength: 5 }),
        (text, who, hand, isNeutral, masks) => {
          const passage = passageOfLine(hand, handLine(hand, text), parseKey('C', 'major') as Key);
          const view = isNeutral
            ? neutralView(passage)
            : realView(
                passage,
                passage.notes.map(({ note }) => note.midi),
              );
          const demands = demandsOf({ ...USUAL_PLAYER, ...who });
          const lattice = latticeOf(passage, view, demands);
          fc.pre(choices(lattice) <= 30_000);
          const extra = tried % 2 === 0 ? NO_EXTRA : editTowards(lattice.grips, masks);
          const path = solve(lattice, extra);
          tried += 1;
          expect(path.cost).toBeCloseTo(cheapestByTrying(lattice, extra), 6);
        },
      ),
      { numRuns: PASSAGES, seed: 41 },
    );
    expect(tried).toBeGreaterThanOrEqual(PASSAGES);
  });

  it('tells its cost by rule: the parts add up', () => {
    fc.assert(
      fc.property(line, player, (text, who) => {
        const passage = passageOfLine('right', handLine('right', text), parseKey('C', 'major') as Key);
        const demands = demandsOf({ ...USUAL_PLAYER, ...who });
        const lattice = latticeOf(
          passage,
          realView(
            passage,
            passage.notes.map(({ note }) => note.midi),
          ),
          demands,
        );
        const path = solve(lattice, NO_EXTRA);
        const tally = tallySteps(lattice, path.steps);
        expect(totalCost(tally)).toBeCloseTo(path.cost, 6);
      }),
      { numRuns: 300, seed: 7 },
    );
  });
});

/** Every grip that differs from the wanted fingers costs a little, and a run of such grips something to begin. */
function editTowards(grips: readonly (readonly { readonly mask: number }[])[], masks: readonly number[]): Extra {
  const isChanged = (mask: number, t: number): number => Number(mask !== masks[t % masks.length]);
  return {
    own: grips.map((own, t) => Float64Array.from(own, ({ mask }) => 0.2 * isChanged(mask, t))),
    changed: grips.map((own, t) => Uint8Array.from(own, ({ mask }) => isChanged(mask, t))),
    opens: 1.5,
  };
}
