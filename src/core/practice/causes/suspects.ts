import type { AskedMusic, AskedNote, StruckKey } from '../../asked';
import type { Alignment } from '../alignment';
import type { Stretch } from './cause';
import { barPlace } from './page-as-played';

/** A stretch in which much went wrong, and the keys that were struck there, from the first to the last (as indexes). */
export interface Suspect extends Stretch {
  readonly keys: { readonly from: number; readonly to: number };
}

/** A bar is suspect where so many of its notes did not come right, and so large a share of them. */
const LEAST_WRONG = 2;
const WRONG_SHARE = 0.4;

/** So many stretches are looked at; who has more of them has no one cause. */
const MOST_SUSPECTS = 4;

/** The stretches of bars in which much went wrong, one bar in between let pass; and what they make together, and all of it. */
export function suspectsIn(music: AskedMusic, keys: readonly StruckKey[], alignment: Alignment): readonly Suspect[] {
  const places = music.moments.map(({ at }) => barPlace(music, at));
  const groups = groupsOf(wrongBars(music, keys, alignment, places)).slice(0, MOST_SUSPECTS);
  const [first, last] = [groups[0], groups.at(-1)];
  if (!first || !last) return [];
  const all = { from: 0, to: music.bars.length - 1 };
  const wanted = [...groups, { from: first.from, to: last.to }, { from: first.from, to: all.to }, all];
  const different = wanted.filter(
    ({ from, to }, i) => wanted.findIndex((one) => one.from === from && one.to === to) === i,
  );
  return different.map((stretch) => ({ ...stretch, keys: keysIn(stretch, music, keys, alignment, places) }));
}

/** Whether each bar went wrong. */
function wrongBars(
  music: AskedMusic,
  keys: readonly StruckKey[],
  { fates }: Alignment,
  places: readonly number[],
): readonly boolean[] {
  const right = new Set<number>();
  const forNothing = music.bars.map(() => 0);
  let at = 0;
  fates.forEach(({ note, moment }, key) => {
    if (moment !== null) at = places[moment] as number;
    if (note === null) forNothing[at] = (forNothing[at] as number) + 1;
    else if ((music.notes[note] as AskedNote).midi === keys[key]?.midi) right.add(note);
  });
  const asked = music.bars.map(() => 0);
  const came = music.bars.map(() => 0);
  music.moments.forEach(({ notes }, moment) => {
    const place = places[moment] as number;
    for (const note of notes) {
      if ((music.notes[note] as AskedNote).isGrace) continue;
      asked[place] = (asked[place] as number) + 1;
      if (right.has(note)) came[place] = (came[place] as number) + 1;
    }
  });
  return music.bars.map((_, bar) => {
    const wrong = (asked[bar] as number) - (came[bar] as number) + (forNothing[bar] as number);
    return wrong >= LEAST_WRONG && wrong >= WRONG_SHARE * (asked[bar] as number);
  });
}

function groupsOf(isWrong: readonly boolean[]): readonly Stretch[] {
  const groups: { from: number; to: number }[] = [];
  isWrong.forEach((wrong, bar) => {
    const last = groups.at(-1);
    if (!wrong) return;
    if (last && bar - last.to <= 2) last.to = bar;
    else groups.push({ from: bar, to: bar });
  });
  return groups;
}

/** The keys that were struck in a stretch: those for its notes, and those around them that were not right. */
function keysIn(
  { from, to }: Stretch,
  music: AskedMusic,
  keys: readonly StruckKey[],
  { fates }: Alignment,
  places: readonly number[],
): Suspect['keys'] {
  const isInside = (key: number): boolean => {
    const moment = fates[key]?.moment ?? null;
    return moment !== null && (places[moment] as number) >= from && (places[moment] as number) <= to;
  };
  const isRight = (key: number): boolean => {
    const note = fates[key]?.note ?? null;
    return note !== null && music.notes[note]?.midi === keys[key]?.midi;
  };
  let first = fates.findIndex((_, key) => isInside(key));
  let last = fates.findLastIndex((_, key) => isInside(key));
  if (first < 0) [first, last] = [0, keys.length - 1];
  while (first > 0 && !isRight(first - 1)) first -= 1;
  while (last + 1 < keys.length && !isRight(last + 1)) last += 1;
  return { from: first, to: last };
}
