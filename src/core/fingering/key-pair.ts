/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import { spanOf } from './hand-measure';
import type { Demands } from './player';
import { SEMITONE_MM } from './spans.table';
import { add, RULE, type Tally } from './tally';
import type { View } from './key-view';

/** Two keys under two fingers, at one moment or one after the other. Notes are indexes into the passage's. It is flat, since very many are made. */
export interface KeyPair {
  readonly firstNote: number;
  readonly first: number;
  readonly firstIsBlack: boolean;
  readonly secondNote: number;
  readonly second: number;
  readonly secondIsBlack: boolean;
  /** From the first key to the second, larger towards finger 5. Unit: hundredths of a mm. */
  readonly travel: number;
  /** The same along the order of the fingers: below 0 where the fingers cross. */
  readonly distance: number;
}

export function keyPair(view: View, firstNote: number, first: number, secondNote: number, second: number): KeyPair {
  const travel = (view.places[secondNote] as number) - (view.places[firstNote] as number);
  return {
    firstNote,
    first,
    firstIsBlack: view.black[firstNote] === 1,
    secondNote,
    second,
    secondIsBlack: view.black[secondNote] === 1,
    travel,
    distance: first < second ? travel : -travel,
  };
}

export function spanOfPair({ measure }: Demands, { first, second }: KeyPair): ReturnType<typeof spanOf> {
  return first < second ? spanOf(measure, first, second) : spanOf(measure, second, first);
}

const SEMITONE = SEMITONE_MM * 100;

/** How far two fingers are stretched or crowded. */
export function tallySpan(tally: Tally, demands: Demands, pair: KeyPair, factor: number): void {
  const { distance } = pair;
  const span = spanOfPair(demands, pair);
  const hasThumb = pair.first === 1 || pair.second === 1;
  const stretched = Math.max(0, distance - span.greatestComfortable, span.leastComfortable - distance);
  if (stretched > 0) add(tally, RULE.stretch, (stretched / SEMITONE) * factor);
  const wide = distance - span.greatestRelaxed;
  if (wide > 0) add(tally, hasThumb ? RULE.largeThumb : RULE.large, (wide / SEMITONE) * factor);
  const close = span.leastRelaxed - distance;
  if (close > 0)
    add(
      tally,
      !hasThumb ? RULE.small : isThumbUnder(pair) ? RULE.smallUnder : RULE.smallThumb,
      (close / SEMITONE) * factor,
    );
}

/** The thumb on a white key in front of a finger on a black one: there is room for both. */
function isThumbUnder({ first, firstIsBlack, second, secondIsBlack }: KeyPair): boolean {
  return (first === 1 && !firstIsBlack && secondIsBlack) || (second === 1 && !secondIsBlack && firstIsBlack);
}

/** Fingers next to each other of which one is on a black and one on a white key. `neighbour` is how much the short fingers' white
 * neighbours count. */
export function tallyColours(
  tally: Tally,
  { first, firstIsBlack, second, secondIsBlack }: KeyPair,
  factor: number,
  neighbour: number,
): void {
  if (firstIsBlack === secondIsBlack || first === second) return;
  const onBlack = firstIsBlack ? first : second;
  const onWhite = firstIsBlack ? second : first;
  if (onBlack === 4 && onWhite === 3) add(tally, RULE.fourBlack, factor);
  if (onBlack === 2 && onWhite === 3) add(tally, RULE.twoBlack, factor);
  if (onBlack === 1) add(tally, RULE.thumbBlackNeighbour, factor * neighbour);
  if (onBlack === 5) add(tally, RULE.fiveBlackNeighbour, factor * neighbour);
}

/** Keys next to each other, of which one is black. Unit: hundredths of a mm. Source: key geometry, A–B♭ is 15.1 mm. */
const HALF_STEP_WITHIN = 1600;

/** What two fingers that follow each other cost whether or not the hand moves. */
export function tallyLine(tally: Tally, demands: Demands, pair: KeyPair, binding: Binding): void {
  const { first, firstIsBlack, second, secondIsBlack, distance } = pair;
  const { factor, bond, neighbour } = binding;
  tallySpan(tally, demands, pair, factor * bond);
  if (first === 3 && second === 4) add(tally, RULE.threeFour, factor * bond);
  tallyColours(tally, pair, factor, neighbour * colourBond(bond));
  // A long finger on the white key next to a black one has to find room between the black keys.
  if (Math.min(first, second) > 1 && firstIsBlack !== secondIsBlack && distance < HALF_STEP_WITHIN)
    add(tally, RULE.betweenBlack, factor * bond);
}

/** How much a pair of fingers in a line counts: one of so many pairs, bound so much, beside neighbours of that weight. */
export interface Binding {
  readonly factor: number;
  readonly bond: number;
  readonly neighbour: number;
}

/** In a transition however free, what a finger next to a black key has to do with the one before still counts a little. */
const LEAST_COLOUR = 0.2;

export function colourBond(bond: number): number {
  return Math.max(bond, LEAST_COLOUR);
}
