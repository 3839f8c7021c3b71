import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { passage } from '../../../tests/support/passages';
import { player } from '../../../tests/support/planning';
import { groupsOf, solveConsistent, type Groups } from './consistent';
import { latticeOf, type Lattice } from './lattice';
import { demandsOf } from './player';
import { CONSISTENCY } from './rules.table';
import { NO_EXTRA } from './plan-path';
import { solve } from './solve';
import { realView } from './key-view';

const NAMES = ['C4', 'D4', 'E4', 'F4', 'F#4', 'G4', 'Bb4', 'C5'];
const motif = fc.array(fc.constantFrom(...NAMES), { minLength: 2, maxLength: 3 });
/** The same few notes twice, with something between: like moments that may pull against each other. */
const line = fc
  .tuple(motif, fc.constantFrom('r:2', 'A4', 'D5', 'Ab4'))
  .map(([own, between]) => [...own, between, ...own].join(' '));

function latticeFor(text: string): { readonly lattice: Lattice; readonly groups: Groups } {
  const own = passage('right', text);
  const lattice = latticeOf(
    own,
    realView(
      own,
      own.notes.map(({ note }) => note.midi),
    ),
    demandsOf(player()),
  );
  return { lattice, groups: groupsOf(own.events.map(({ likeness }) => likeness)) };
}

/** What a choice of fingers costs when each that is not the most common of its group is counted. */
function apart(masks: readonly number[], groups: Groups): number {
  const odd = groups.map((group) => {
    const own = group.map((t) => masks[t] as number);
    return own.length - Math.max(...own.map((mask) => own.filter((other) => other === mask).length));
  });
  return CONSISTENCY * odd.reduce((sum, count) => sum + count, 0);
}

/** The cost of the best plan, exactly: every choice of usual fingers is tried, and each event pays where it differs from them. */
function cheapestAlike(lattice: Lattice, groups: Groups): number {
  const choose = (chosen: readonly number[]): number => {
    const group = groups[chosen.length];
    if (group) return Math.min(...[1, 2, 4, 8, 16].map((mask) => choose([...chosen, mask])));
    const trial = lattice.grips.map((grips, t) => {
      const usual = chosen[groups.findIndex((own) => own.includes(t))];
      return Float64Array.from(grips, ({ mask }) => (usual === undefined || mask === usual ? 0 : CONSISTENCY));
    });
    return solve(lattice, { ...NO_EXTRA, own: trial }).cost;
  };
  return choose([]);
}

describe('groupsOf', () => {
  it('keeps moments that come more than once', () => {
    expect(groupsOf(['a', 'b', 'a', 'c', 'b', 'a'])).toEqual([
      [0, 2, 5],
      [1, 4],
    ]);
  });
});

describe('solveAlike', () => {
  it('brackets the best plan between bound and cost, and finds it nearly always (all choices of usual fingers)', () => {
    let [tried, best] = [0, 0];
    fc.assert(
      fc.property(line, (text) => {
        const { lattice, groups } = latticeFor(text);
        fc.pre(groups.length > 0);
        const path = solveConsistent(lattice, groups, NO_EXTRA);
        const optimum = cheapestAlike(lattice, groups);
        expect(path.bound).toBeLessThanOrEqual(optimum + 1e-6);
        expect(path.cost).toBeGreaterThanOrEqual(optimum - 1e-6);
        tried += 1;
        if (path.cost < optimum + 1e-6) best += 1;
      }),
      { numRuns: 60, seed: 12 },
    );
    expect(best / tried).toBeGreaterThanOrEqual(0.95);
  });

  it('costs what its fingers cost, with what differs between like moments', () => {
    fc.assert(
      fc.property(line, (text) => {
        const { lattice, groups } = latticeFor(text);
        const path = solveConsistent(lattice, groups, NO_EXTRA);
        const masks = path.steps.map(({ grip }) => grip.mask);
        const bars = lattice.grips.map((grips, t) =>
          Float64Array.from(grips, (grip) => (grip.mask === masks[t] ? 0 : 1e6)),
        );
        const alone = solve(lattice, { ...NO_EXTRA, own: bars });
        expect(path.cost).toBeGreaterThanOrEqual(alone.cost + apart(masks, groups) - 1e-6);
        expect(path.cost).toBeLessThanOrEqual(alone.cost + apart(masks, groups) + 1e-3);
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});
