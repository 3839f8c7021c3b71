import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { LEVELS } from '../fingering';
import { passage } from '../../../tests/support/passages';
import { player } from '../../../tests/support/planning';
import { rounds } from '../../../tests/support/rounds';
import { planPostures, postureSearch } from './plan-postures';
import type { PostureAsk } from './posture-ask';
import { searchPostures, type PostureSearch } from './search';
import { stepCost, type Step } from './step';

const note = fc.constantFrom('C', 'D', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'B');
const moment = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.tuple(note, fc.constantFrom('', ':2', ':0.5', "'")).map(([name, end]) => `${name}4${end}`),
  },
  { weight: 1, arbitrary: note.map((name) => `[C4 ${name}5]`) },
  { weight: 1, arbitrary: fc.constantFrom('[C4 E4 G4]', '[D4 F4]', '[C4~3 E4]', 'r:2', '|') },
);
const line = fc.array(moment, { minLength: 2, maxLength: 7 }).map((words) => ['G4', ...words, 'E4'].join(' '));

/** The cheapest way by trying each posture after each, without order, bounds or lists of near ones. */
function cheapestByTrying({ stages, entering, own, steps }: PostureSearch): number {
  let values: readonly number[] = [];
  stages.forEach(({ form }, t) => {
    const cost = steps[t] ? stepCost(steps[t] as Step) : null;
    const before = values;
    values = Array.from(form.gripOf, (grip, q) => {
      const coming = cost ? Math.min(...before.map((value, p) => value + cost(p, q))) : (entering[t]?.[q] as number);
      return coming + (own[t]?.[grip] as number);
    });
  });
  return Math.min(...values);
}

function ask(hand: 'right' | 'left', text: string, level: (typeof LEVELS)[number]): PostureAsk {
  const own = passage(hand, text);
  return {
    passage: own,
    midis: own.notes.map(({ note: { midi } }) => midi),
    player: player({ level }),
    printed: own.notes.map(({ printed }) => printed),
    decided: null,
    own: null,
    isHome: true,
  };
}

describe('the search through postures', () => {
  it('finds the cheapest way, in the own key and in others', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('right' as const, 'left' as const),
        line,
        fc.constantFrom(...LEVELS),
        fc.integer({ min: -5, max: 6 }),
        (hand, text, level, up) => {
          const home = ask(hand, text, level);
          const plan = planPostures(home);
          const there: PostureAsk = {
            ...home,
            midis: (home.midis ?? []).map((midi) => midi + up),
            own: plan.fingering,
            ownPlaces: plan.path.places,
            isHome: false,
          };
          for (const one of [home, there]) {
            const { search, bounds } = postureSearch(one);
            expect(searchPostures(search, bounds).cost).toBeCloseTo(cheapestByTrying(search), 6);
          }
        },
      ),
      { numRuns: rounds(40, 400), seed: 33 },
    );
  });

  it('plays what no hand reaches with the fingers spread over it', () => {
    const { fingering } = planPostures(ask('left', '[C2 E3 G4] C3', 4));
    expect(fingering.slice(0, 3)).not.toContain(null);
    expect(new Set(fingering.slice(0, 3)).size).toBe(3);
  });

  it('takes what the teacher decided, also where it fits no posture', () => {
    const home = ask('right', 'C4 [C4 B4] E4', 3);
    const decided = home.passage.notes.map(({ note: { pitch } }) => (pitch.step === 6 ? (2 as const) : (1 as const)));
    expect(planPostures({ ...home, decided }).fingering).toEqual([1, 1, 2, 1]);
  });
});

describe('fingers in one posture', () => {
  const fingers = (hand: 'right' | 'left', text: string, level: (typeof LEVELS)[number] = 3): string =>
    planPostures(ask(hand, text, level)).fingering.join(' ');

  it('go with the letters: what comes later decides where the hand is put down', () => {
    expect(fingers('right', 'E4 D4 C4 D4 E4 G4 F4:2', 1)).toBe('3 2 1 2 3 5 4');
    expect(fingers('right', 'D4 E4 F4 D4 C4 E4 G4:2', 1)).toBe('2 3 4 2 1 3 5');
  });

  it('a half note in a phrase is no break: five keys stay under five fingers', () => {
    expect(fingers('right', 'C4 D4 E4:2 F4 G4 E4:2 D4 C4 G4:2', 2)).toBe('1 2 3 4 5 3 2 1 5');
  });

  it('open for a sixth letter in place of moving', () => {
    expect(fingers('right', 'C4 E4 G4 C5 G4 E4 C4:2', 3)).toBe('1 2 3 5 3 2 1');
  });

  it('the left hand has its fifth finger on the tonic (C position)', () => {
    expect(fingers('left', 'C3 D3 C3 D3 C3:2', 1)).toBe('5 4 5 4 5');
  });

  it('a note between F and G has a finger of its own where they follow each other', () => {
    expect(fingers('right', 'E4 F4 F#4 G4 F#4 F4 E4:2', 1)).toBe('1 2 3 4 3 2 1');
  });
});
