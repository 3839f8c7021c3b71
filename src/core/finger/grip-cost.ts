import { CHORD_NEIGHBOUR } from './rules.table';
import type { Grip, Stand } from './grip';
import type { Passage } from './passage';
import type { Demands } from './player';
import { spanOf } from './hand-measure';
import { add, addSpan, RULE, type Tally } from './tally';
import type { View } from './view';

/** Letters from which a chord counts as an octave hand, and the widest gap that finger 4 takes beside 5.
 * Source: handbook, octave patterns. */
const OCTAVE_LETTERS = 7;
const THIRD_LETTERS = 2;

/** What it costs to hold a grip: spans within it, weak fingers, short fingers on black keys. */
export function tallyGrip(tally: Tally, passage: Passage, view: View, demands: Demands, stand: Stand, grip: Grip): void {
  const { down, isHeld } = stand;
  const { fingers } = grip;
  const factor = 2 / down.length;
  tally.limits += stand.dropped.length;
  for (let i = 0; i < down.length; i += 1) {
    const finger = fingers[i] as number;
    const isBlack = view.black[down[i] as number] === 1;
    if (!isHeld[i]) {
      if (finger === 4) add(tally, RULE.weakFour, 1);
      if (finger === 5) add(tally, RULE.weakFive, 1);
      if (finger === 1 && isBlack) add(tally, RULE.thumbBlack, 1);
      const run = view.inRun[down[i] as number] as number;
      if (run > 0) tallyRun(tally, finger, isBlack, run);
    }
    for (let k = i + 1; k < down.length; k += 1) {
      if (isHeld[i] && isHeld[k]) continue;
      tallyPair(tally, view, demands, down[i] as number, finger, down[k] as number, fingers[k] as number, factor);
    }
  }
  if (stand.down.length >= 3 && !isHeld.includes(true)) tallyChord(tally, passage, view, demands, stand, grip);
}

/** In a chromatic run finger 3 takes the black keys and the thumb the white ones, with 2 where two white keys meet
 * (Hanon 1873, no. 40). */
function tallyRun(tally: Tally, finger: number, isBlack: boolean, run: number): void {
  if (isBlack && finger !== 3) add(tally, RULE.chromaticBlack, 1);
  if (!isBlack && finger > run) add(tally, RULE.chromaticWhite, 1);
}

function tallyPair(tally: Tally, view: View, demands: Demands, low: number, lower: number, high: number, higher: number, factor: number): void {
  const distance = (view.places[high] as number) - (view.places[low] as number);
  const [lowBlack, highBlack] = [view.black[low] === 1, view.black[high] === 1];
  const span = spanOf(demands.measure, lower, higher);
  if (distance > span.greatestPractical || distance < span.leastPractical) tally.limits += 1;
  addSpan(tally, demands.measure, lower, higher, distance, lower === 1 && !lowBlack && highBlack, factor);
  tallyColours(tally, lower, lowBlack, higher, highBlack, factor, CHORD_NEIGHBOUR);
}

/** Fingers next to each other, in a chord or in a line, of which one is on a black and one on a white key. */
export function tallyColours(tally: Tally, a: number, aBlack: boolean, b: number, bBlack: boolean, factor: number, neighbour: number): void {
  if (aBlack === bBlack || a === b) return;
  const [onBlack, onWhite] = aBlack ? [a, b] : [b, a];
  if (onBlack === 4 && onWhite === 3) add(tally, RULE.fourBlack, factor);
  if (onBlack === 2 && onWhite === 3) add(tally, RULE.twoBlack, factor);
  if (onBlack === 1) add(tally, RULE.thumbBlackNeighbour, factor * neighbour);
  if (onBlack === 5) add(tally, RULE.fiveBlackNeighbour, factor * neighbour);
}

function tallyChord(tally: Tally, passage: Passage, view: View, demands: Demands, { down }: Stand, { fingers }: Grip): void {
  if (fingers[0] !== 1) add(tally, RULE.chordOuter, 1);
  if (fingers.at(-1) !== 5) add(tally, RULE.chordOuter, 1);
  const letterAt = (i: number): number => passage.notes[down.at(i) as number]?.letter ?? 0;
  if (fingers.at(-1) !== 5 || letterAt(-1) - letterAt(0) < OCTAVE_LETTERS) return;
  const isBlackInside = demands.player.inner === 'black' && view.black[down.at(-2) as number] === 1;
  const wanted = letterAt(-1) - letterAt(-2) <= THIRD_LETTERS && !isBlackInside ? 4 : 3;
  if (fingers.at(-2) !== wanted) add(tally, RULE.innerFinger, 1);
}
