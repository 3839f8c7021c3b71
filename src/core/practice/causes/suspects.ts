import type { Stretch } from './cause';
import { placeOfKey, type Laid } from './laid';
import { wrongBars } from './wrong-bars';

/** A stretch in which much went wrong, and the keys that were struck there, from the first to the last (as indexes). */
export interface Suspect extends Stretch {
  readonly keys: { readonly from: number; readonly to: number };
  /** Whether bars at its ends were added or left away. */
  readonly isFitted: boolean;
}

/** So many stretches are looked at; who has more of them has no one cause. */
const MOST_SUSPECTS = 4;

/** The stretches of bars in which much went wrong, one bar in between let pass; what they make together, and all of it; and each with bars more or fewer at
 * its ends, since what goes wrong makes the bars beside it look wrong too, and a bar with little in it looks right. */
export function suspectsIn(laid: Laid): readonly Suspect[] {
  const groups = groupsOf(wrongBars(laid)).slice(0, MOST_SUSPECTS);
  const all = { from: 0, to: laid.music.bars.length - 1 };
  const [first, last] = [groups[0], groups.at(-1)];
  const joined =
    first && last
      ? [
          { from: first.from, to: last.to },
          { from: first.from, to: all.to },
        ]
      : [];
  const whole = [...groups, ...joined, all].map((stretch) => ({ ...stretch, isFitted: false }));
  const fitted = groups.flatMap((group) => variantsOf(group, all)).map((stretch) => ({ ...stretch, isFitted: true }));
  const wanted = [...whole, ...fitted];
  const different = wanted.filter(
    ({ from, to }, i) => wanted.findIndex((one) => one.from === from && one.to === to) === i,
  );
  return different.map((stretch) => ({ ...stretch, keys: keysIn(stretch, laid) }));
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

/** Bars that are left away in front and behind; and those that are added to a single one. */
const FEWER = [
  [1, 0],
  [0, 1],
  [2, 0],
  [0, 2],
] as const;
const MORE = [
  [-1, -1],
  [-1, 0],
  [0, -1],
  [-2, 0],
  [0, -2],
] as const;

function variantsOf({ from, to }: Stretch, all: Stretch): readonly Stretch[] {
  return (from === to ? MORE : FEWER)
    .map(([front, behind]) => ({ from: from + front, to: to - behind }))
    .filter((stretch) => stretch.to > stretch.from && stretch.from >= all.from && stretch.to <= all.to);
}

/** The keys that were struck in a stretch: those for its notes, and those around them that were not right. Where it seems that the player went elsewhere meanwhile,
 * all from the bars before it to the bars after it: what was taken for other bars may belong here. */
function keysIn({ from, to }: Stretch, laid: Laid): Suspect['keys'] {
  const { fates, keyCount, isRight } = laid;
  const isInside = (key: number): boolean => {
    const place = placeOfKey(laid, key);
    return place !== null && place >= from && place <= to;
  };
  let first = fates.findIndex((_, key) => isInside(key));
  let last = fates.findLastIndex((_, key) => isInside(key));
  const between = keysBetween({ from, to }, laid);
  const hasLeft = fates.some(({ begins }, key) => begins && key >= between.from && key <= between.to);
  if (first < 0 || hasLeft) return between;
  while (first > 0 && !isRight(first - 1)) first -= 1;
  while (last + 1 < keyCount && !isRight(last + 1)) last += 1;
  return { from: first, to: last };
}

/** The keys after those with which the bars in front of a stretch had been played for the first time, up to those of the bars behind it. */
function keysBetween({ from, to }: Stretch, laid: Laid): Suspect['keys'] {
  let furthest = -1;
  let before = -1;
  laid.fates.forEach(({ moment }, key) => {
    const place = placeOfKey(laid, key);
    if (moment === null || place === null || place >= from || moment < furthest || !laid.isRight(key)) return;
    if (moment > furthest || key === before + 1) before = key;
    furthest = moment;
  });
  const after = laid.fates.findIndex((_, key) => {
    const place = placeOfKey(laid, key);
    return key > before && place !== null && place > to && laid.isRight(key);
  });
  const end = after < 0 ? laid.keyCount - 1 : after - 1;
  return { from: Math.min(before + 1, laid.keyCount - 1), to: Math.max(end, Math.min(before + 1, laid.keyCount - 1)) };
}
