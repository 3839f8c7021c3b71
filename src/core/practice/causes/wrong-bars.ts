import type { AskedNote } from '../../asked';
import { placeOfKey, type Laid } from './laid';

/** A bar went wrong where so many notes of it, or of a hand in it, did not come right, and so large a share of them. */
const LEAST_WRONG = 2;
const WRONG_SHARE = 0.4;

interface Count {
  asked: number;
  came: number;
}

/** Whether each bar went wrong. */
export function wrongBars(laid: Laid): readonly boolean[] {
  const { music, places } = laid;
  const { right, forNothing } = heardIn(laid);
  const counts = music.bars.map(() => ({ right: { asked: 0, came: 0 }, left: { asked: 0, came: 0 } }));
  music.moments.forEach(({ notes }, moment) => {
    const bar = counts[places[moment] as number];
    for (const note of notes) {
      const { hand, isGrace } = music.notes[note] as AskedNote;
      if (isGrace || !bar) continue;
      bar[hand].asked += 1;
      if (right.has(note)) bar[hand].came += 1;
    }
  });
  return counts.map((bar, i) => {
    const all = { asked: bar.right.asked + bar.left.asked, came: bar.right.came + bar.left.came };
    return isWrong(all, forNothing[i] as number) || isWrong(bar.right, 0) || isWrong(bar.left, 0);
  });
}

function isWrong({ asked, came }: Count, forNothing: number): boolean {
  const wrong = asked - came + forNothing;
  return wrong >= LEAST_WRONG && wrong >= WRONG_SHARE * asked;
}

/** The notes that came right, and how many keys were struck for nothing in each bar. */
function heardIn(laid: Laid): { readonly right: ReadonlySet<number>; readonly forNothing: readonly number[] } {
  const right = new Set<number>();
  const forNothing = laid.music.bars.map(() => 0);
  let bar = 0;
  laid.fates.forEach(({ note }, key) => {
    bar = placeOfKey(laid, key) ?? bar;
    if (note === null) forNothing[bar] = (forNothing[bar] as number) + 1;
    else if (laid.isRight(key)) right.add(note);
  });
  return { right, forNothing };
}
