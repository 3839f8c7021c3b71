import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { forgetAll } from '../base';
import { LEVELS, type Player } from '../fingering';
import { passage } from '../../../tests/support/passages';
import { player } from '../../../tests/support/planning';
import { rounds } from '../../../tests/support/rounds';
import { planPostures, postureSearch } from './plan-postures';
import type { PostureAsk } from './posture-ask';
import { stepCost } from './step';

const letters = fc.constantFrom('C', 'D', 'E', 'F', 'G', 'A', 'B');
const moment = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.tuple(letters, fc.constantFrom('', ':2', ':0.5', "'")).map(([name, end]) => `${name}4${end}`),
  },
  { weight: 1, arbitrary: fc.constantFrom('[C4 G4]', '[C4~2 G4]', '[C4~3 E4]', '[D4 F4]', '[C4 E4 G4]') },
  { weight: 1, arbitrary: fc.constantFrom('F#4', 'Eb4', 'r', '|') },
);
const line = fc.array(moment, { minLength: 3, maxLength: 12 }).map((words) => ['C4', ...words, 'E4'].join(' '));

function ask(hand: 'right' | 'left', text: string, by: Player, up: number): PostureAsk {
  const own = passage(hand, text);
  return {
    passage: own,
    midis: own.notes.map(({ note: { midi } }) => midi + up),
    player: by,
    printed: own.notes.map(() => null),
    decided: null,
    own: null,
    isHome: true,
  };
}

/** Everything that a plan rests on: what each posture and each step costs. */
function costsOf(one: PostureAsk): readonly (readonly number[])[] {
  const { search } = postureSearch(one);
  return search.stages.map(({ form }, t) => {
    const step = search.steps[t];
    const cost = step ? stepCost(step) : null;
    const stepped =
      step && cost ? step.before.gripOf.reduce((all, _, p) => all.concat(cost(p, 0)), [] as number[]) : [];
    return [...(search.entering[t] ?? []), ...(search.own[t] ?? []), ...stepped, form.gripOf.length];
  });
}

describe('what is kept in mind of postures', () => {
  const players = fc.record({
    level: fc.constantFrom(...LEVELS),
    tonicHand: fc.constantFrom('tonic' as const, 'nearest' as const),
    fifthSixth: fc.constantFrom('open' as const, 'move' as const),
    repeat: fc.constantFrom('keep' as const, 'change' as const),
    moveOverStretch: fc.constantFrom('usual' as const, 'more' as const),
  });

  it('changes no cost and no plan, whatever was planned before', () => {
    const hands = fc.constantFrom('right' as const, 'left' as const);
    const asks = fc.array(fc.tuple(hands, line, players, fc.integer({ min: -5, max: 6 })), {
      minLength: 2,
      maxLength: 4,
    });
    fc.assert(
      fc.property(asks, (wanted) => {
        const made = wanted.map(([hand, text, by, up]) => ask(hand, text, player(by), up));
        const alone = made.map((one) => {
          forgetAll();
          return { costs: costsOf(one), ...planPostures(one) };
        });
        forgetAll();
        for (const one of made.toReversed()) planPostures(one);
        wanted.forEach(([hand, text, by, up], i) => {
          const again = ask(hand, text, player(by), up);
          expect(costsOf(again)).toEqual(alone[i]?.costs);
          expect(planPostures(again).fingering).toEqual(alone[i]?.fingering);
        });
      }),
      { numRuns: rounds(10, 300), seed: 34 },
    );
  });

  it('a key that is struck below a held one is not a pair that is struck', () => {
    const held = ask('right', 'C4 [D4 G4~2] C4 E4 G4', player({ level: 2 }), 0);
    const struck = ask('right', 'C4 [D4 G4] [C4 G4] E4 G4', player({ level: 2 }), 0);
    forgetAll();
    const alone = costsOf(struck);
    forgetAll();
    costsOf(held);
    expect(costsOf({ ...struck, passage: { ...struck.passage } })).toEqual(alone);
  });

  it('an edited note gives the plan that the edited line has by itself', () => {
    fc.assert(
      fc.property(line, line, letters, (before, after, name) => {
        const [one, other] = [`${before} ${after}`, `${before} ${name}4 ${after}`];
        planPostures(ask('right', one, player(), 2));
        const edited = planPostures(ask('right', other, player(), 2));
        forgetAll();
        expect(edited).toEqual(planPostures(ask('right', other, player(), 2)));
      }),
      { numRuns: rounds(12, 300), seed: 35 },
    );
  });
});
