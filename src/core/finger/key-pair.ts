import { spanOf } from './hand-measure';
import type { Demands } from './player';
import { SEMITONE_MM } from './spans.table';
import { add, RULE, type Tally } from './tally';
import type { View } from './view';

/** Two keys under two fingers, at one moment or one after the other. `note` is an index into the passage's notes. */
export interface KeyPair {
  readonly first: KeyUnderFinger;
  readonly second: KeyUnderFinger;
  /** From the first key to the second, larger towards finger 5. Unit: hundredths of a mm. */
  readonly way: number;
  /** The same along the order of the fingers: below 0 where the fingers cross. */
  readonly distance: number;
}

export interface KeyUnderFinger {
  readonly note: number;
  readonly finger: number;
  readonly isBlack: boolean;
}

export function keyPair(view: View, note: number, finger: number, otherNote: number, otherFinger: number): KeyPair {
  const way = (view.places[otherNote] as number) - (view.places[note] as number);
  return {
    first: { note, finger, isBlack: view.black[note] === 1 },
    second: { note: otherNote, finger: otherFinger, isBlack: view.black[otherNote] === 1 },
    way,
    distance: finger < otherFinger ? way : -way,
  };
}

export function spanOfPair({ measure }: Demands, { first, second }: KeyPair): ReturnType<typeof spanOf> {
  return spanOf(measure, Math.min(first.finger, second.finger), Math.max(first.finger, second.finger));
}

const SEMITONE = SEMITONE_MM * 100;

/** How far two fingers are stretched or crowded. */
export function tallySpan(tally: Tally, demands: Demands, pair: KeyPair, factor: number): void {
  const { distance } = pair;
  const span = spanOfPair(demands, pair);
  const hasThumb = pair.first.finger === 1 || pair.second.finger === 1;
  const stretched = Math.max(0, distance - span.greatestComfortable, span.leastComfortable - distance);
  if (stretched > 0) add(tally, RULE.stretch, (stretched / SEMITONE) * factor);
  const wide = distance - span.greatestRelaxed;
  if (wide > 0) add(tally, hasThumb ? RULE.largeThumb : RULE.large, (wide / SEMITONE) * factor);
  const close = span.leastRelaxed - distance;
  if (close > 0) add(tally, !hasThumb ? RULE.small : isThumbUnder(pair) ? RULE.smallUnder : RULE.smallThumb, (close / SEMITONE) * factor);
}

/** The thumb on a white key in front of a finger on a black one: there is room for both. */
function isThumbUnder({ first, second }: KeyPair): boolean {
  const [thumb, other] = first.finger === 1 ? [first, second] : [second, first];
  return thumb.finger === 1 && !thumb.isBlack && other.isBlack;
}

/** Fingers next to each other of which one is on a black and one on a white key. `neighbour` is how much the short fingers' white
 * neighbours count. */
export function tallyColours(tally: Tally, { first, second }: KeyPair, factor: number, neighbour: number): void {
  if (first.isBlack === second.isBlack || first.finger === second.finger) return;
  const [onBlack, onWhite] = first.isBlack ? [first.finger, second.finger] : [second.finger, first.finger];
  if (onBlack === 4 && onWhite === 3) add(tally, RULE.fourBlack, factor);
  if (onBlack === 2 && onWhite === 3) add(tally, RULE.twoBlack, factor);
  if (onBlack === 1) add(tally, RULE.thumbBlackNeighbour, factor * neighbour);
  if (onBlack === 5) add(tally, RULE.fiveBlackNeighbour, factor * neighbour);
}

/** Keys next to each other, of which one is black. Unit: hundredths of a mm. Source: key geometry, A–B♭ is 15.1 mm. */
const HALF_STEP_WITHIN = 1600;

/** What two fingers that follow each other cost whether or not the hand moves. */
export function tallyLine(tally: Tally, demands: Demands, pair: KeyPair, binding: Binding): void {
  const { first, second, distance } = pair;
  const { factor, bond, neighbour } = binding;
  tallySpan(tally, demands, pair, factor * bond);
  if (first.finger === 3 && second.finger === 4) add(tally, RULE.threeFour, factor * bond);
  tallyColours(tally, pair, factor, neighbour * colourBond(bond));
  // A long finger on the white key next to a black one has to find room between the black keys.
  if (Math.min(first.finger, second.finger) > 1 && first.isBlack !== second.isBlack && distance < HALF_STEP_WITHIN) add(tally, RULE.betweenBlack, factor * bond);
}

/** How much a pair of fingers in a line counts: one of so many pairs, bound so much, beside neighbours of that weight. */
export interface Binding {
  readonly factor: number;
  readonly bond: number;
  readonly neighbour: number;
}

/** In a join however free, what a finger next to a black key has to do with the one before still counts a little. */
const LEAST_COLOUR = 0.2;

export function colourBond(bond: number): number {
  return Math.max(bond, LEAST_COLOUR);
}
