import type { Grip, KeysDown } from './grip';
import { innerFinger } from './inner-finger';
import { keyPair, spanOfPair, tallyColours, tallySpan } from './key-pair';
import { OCTAVE_LETTERS } from './passage';
import { CHORD_NEIGHBOUR } from './rules.table';
import type { Setting } from './setting';
import { add, RULE, type Tally } from './tally';
import { isOnBlack } from './key-view';

/** What it costs to hold a grip: spans within it, weak fingers, short fingers on black keys. */
export function tallyGrip(tally: Tally, setting: Setting, keys: KeysDown, grip: Grip): void {
  const { view, demands } = setting;
  const { down, isHeld } = keys;
  const { fingers } = grip;
  const factor = 2 / down.length;
  tally.limits += keys.dropped.length;
  for (let i = 0; i < down.length; i += 1) {
    const [note, finger] = [down[i] as number, fingers[i] as number];
    if (!isHeld[i]) tallyFinger(tally, setting, note, finger);
    for (let k = i + 1; k < down.length; k += 1) {
      if (isHeld[i] && isHeld[k]) continue;
      const pair = keyPair(view, note, finger, down[k] as number, fingers[k] as number);
      const span = spanOfPair(demands, pair);
      if (pair.distance > span.greatestPractical || pair.distance < span.leastPractical) tally.limits += 1;
      tallySpan(tally, demands, pair, factor);
      tallyColours(tally, pair, factor, CHORD_NEIGHBOUR);
    }
  }
  if (down.length >= 3 && !isHeld.includes(true)) tallyChord(tally, setting, keys, grip);
}

function tallyFinger(tally: Tally, { view }: Setting, note: number, finger: number): void {
  const isBlack = isOnBlack(view, note);
  if (finger === 4) add(tally, RULE.weakFour, 1);
  if (finger === 5) add(tally, RULE.weakFive, 1);
  if (finger === 1 && isBlack) add(tally, RULE.thumbBlack, 1);
  const run = view.inRun[note] as number;
  if (run > 0) tallyRun(tally, finger, isBlack, run);
}

/** In a chromatic run finger 3 takes the black keys and the thumb the white ones, with 2 where two white keys meet
 * (Hanon 1873, no. 40). */
function tallyRun(tally: Tally, finger: number, isBlack: boolean, run: number): void {
  if (isBlack && finger !== 3) add(tally, RULE.chromaticBlack, 1);
  if (!isBlack && finger > run) add(tally, RULE.chromaticWhite, 1);
}

function tallyChord(
  tally: Tally,
  { passage: { notes }, view, demands }: Setting,
  { down }: KeysDown,
  { fingers }: Grip,
): void {
  if (fingers[0] !== 1) add(tally, RULE.chordOuter, 1);
  if (fingers.at(-1) !== 5) add(tally, RULE.chordOuter, 1);
  const [first, inner, outer] = [down[0], down.at(-2), down.at(-1)] as [number, number, number];
  if (fingers.at(-1) !== 5 || (notes[outer]?.letter ?? 0) - (notes[first]?.letter ?? 0) < OCTAVE_LETTERS) return;
  if (fingers.at(-2) !== innerFinger(demands, view, notes, inner, outer)) add(tally, RULE.innerFinger, 1);
}
