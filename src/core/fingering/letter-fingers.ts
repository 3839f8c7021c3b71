import type { Finger } from '../score';
import type { Fingering } from './fingering';
import type { Lattice } from './lattice';
import type { PassageNote } from './passage';
import type { Path, PlannedGrip } from './plan-path';

/** A letter that has more than one finger while the hand stays in one open position: its notes there, and the fingers, each once. A closed hand cannot do
 * that. */
export interface LetterClash {
  readonly notes: readonly number[];
  readonly fingers: readonly Finger[];
}

/** The letters that have more than one finger in a position, in order of the positions. Notes that are altered otherwise count by themselves: they may be read
 * as the neighbouring letter. */
export function letterClashes(lattice: Lattice, steps: readonly PlannedGrip[]): readonly LetterClash[] {
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
    const { down, isHeld } = keysDown[t] as Lattice['keysDown'][number];
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

/** What it costs that a letter has two fingers in one position: as much as a moment that differs from its like. Our own choice. */
const CLASH = 2.5;

/** Where more letters clash, the music does not lie in positions. Our own choice. */
const MOST_CLASHES = 3;

/** A plan in which each letter of a position has one finger, wherever that is worth it: for one clash after the other each of its fingers is tried for all its
 * notes. `planWith` gives the best plan with some fingers given. */
export function withOneFingerALetter(lattice: Lattice, plan: Path, planWith: (given: Fingering) => Path): Path {
  let best = { plan, clashes: letterClashes(lattice, plan.steps) };
  const priceOf = ({ plan: { cost }, clashes }: typeof best): number => cost + CLASH * clashes.length;
  for (let tries = best.clashes.length; tries > 0 && tries <= MOST_CLASHES && best.clashes.length > 0; tries -= 1) {
    const [{ notes, fingers }] = best.clashes as [LetterClash];
    const others = fingers.map((finger) => {
      const other = planWith(lattice.passage.notes.map((_, note) => (notes.includes(note) ? finger : null)));
      return { plan: other, clashes: letterClashes(lattice, other.steps) };
    });
    const cheapest = others.reduce((a, b) => (priceOf(b) < priceOf(a) ? b : a));
    if (priceOf(cheapest) >= priceOf(best)) break;
    best = cheapest;
  }
  return best.plan;
}
