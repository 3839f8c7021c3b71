import type { Finger } from '../score';
import { over } from './fingering';
import type { KeysDown } from './grip';
import { planHand, type HandPlan, type PlanOptions } from './hand-plan';
import type { View } from './key-view';
import type { Passage, PassageNote } from './passage';
import type { Demands } from './player';

/** A letter that has more than one finger while the hand stays in one open position: its notes there, and the fingers, each once. A closed hand cannot do
 * that. */
export interface LetterClash {
  readonly notes: readonly number[];
  readonly fingers: readonly Finger[];
}

/** The letters that have more than one finger in a position, in order of the positions. Notes that are altered otherwise count by themselves: they may be read
 * as the neighbouring letter. */
export function letterClashes({ lattice, steps }: Pick<HandPlan, 'lattice' | 'steps'>): readonly LetterClash[] {
  const { passage, keysDown } = lattice;
  const found: LetterClash[] = [];
  let letters = new Map<string, { readonly notes: number[]; readonly fingers: Set<Finger> }>();
  const end = (): void => {
    for (const { notes, fingers } of letters.values())
      if (fingers.size > 1) found.push({ notes, fingers: [...fingers] });
  };
  steps.forEach(({ transition, grip }, t) => {
    if (transition !== 'stay') {
      end();
      letters = new Map();
    }
    const { down, isHeld } = keysDown[t] as KeysDown;
    down.forEach((index, i) => {
      if (isHeld[i]) return;
      const { letter, altered } = passage.notes[index] as PassageNote;
      const known = letters.get(`${letter}/${altered}`) ?? { notes: [], fingers: new Set<Finger>() };
      known.notes.push(index);
      known.fingers.add(grip.fingers[i] as Finger);
      letters.set(`${letter}/${altered}`, known);
    });
  });
  end();
  return found;
}

/** What it costs that a letter has two fingers in one position: less than a moment that differs from its like, so that it parts plans that are nearly as good. Our
 * own choice. */
const CLASH = 1;

/** Where more letters clash, the music does not lie in positions. Our own choice. */
const MOST_CLASHES = 2;

/** The plan of a passage in which each letter of a position has one finger, wherever that is worth it: for one clash after the other each of its fingers is
 * tried for all its notes. What is made so on the white keys of the letters, where fingers are brought along from, holds in all keys. */
export function planPositions(passage: Passage, view: View, demands: Demands, options: PlanOptions): HandPlan {
  const { given } = options;
  const valued = (plan: HandPlan): Valued => {
    const clashes = letterClashes(plan);
    return { plan, clashes, value: plan.cost + CLASH * clashes.length };
  };
  let best = valued(planHand(passage, view, demands, options));
  for (let tries = best.clashes.length; tries > 0 && tries <= MOST_CLASHES && best.clashes.length > 0; tries -= 1) {
    const [{ notes, fingers }] = best.clashes as [LetterClash];
    const likely = best.plan.fingering;
    const others = fingers.map((finger) => {
      const all = passage.notes.map((_, note) => (notes.includes(note) ? finger : null));
      return valued(planHand(passage, view, demands, { ...options, given: over(all, given ?? []), likely, rounds: 0 }));
    });
    const cheapest = others.reduce((a, b) => (b.value < a.value ? b : a));
    if (cheapest.value >= best.value) break;
    best = cheapest;
  }
  return best.plan;
}

interface Valued {
  readonly plan: HandPlan;
  readonly clashes: readonly LetterClash[];
  /** The cost with that of the clashes. */
  readonly value: number;
}
