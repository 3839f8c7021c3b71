import type { Flag } from '../flags';
import type { Finger, Hand } from '../score';
import type { BlackFingers } from './black-fingers';

/** What a finger on a black key adds beyond the black key itself. All five together, and the ledger lines with them, stay below one, so that
 * the number of black keys always counts first. Source: handbook, five-finger patterns ("ease goes first by the number of black
 * keys, then by the finger under them"), common practice; the figures are our own choice within that order.
 * Checked by: survey.test.ts (D and A before F, F before E, E before B flat). */
const FINGER_EFFORT: Readonly<Record<Finger, number>> = { 3: 0, 2: 0.05, 4: 0.15, 1: 0.3, 5: 0.3 };

/** A must outweighs any hand of black keys; a should weighs like two black keys. Our own choice. */
const MUST_EFFORT = 20;
const SHOULD_EFFORT = 2;

/** What is read weighs little against what is played: it parts keys that lie equally well under the hand. A sign of the signature; and ledger
 * lines beyond those of the piece where it stands, half of the most at so many lines. Seven signs and all ledger lines together stay
 * below what sets F apart from D. Our own choice. */
const SIGN_EFFORT = 0.012;
const MOST_LEDGER_EFFORT = 0.05;
const HALF_LEDGER_LINES = 12;

/** One thing that makes a key harder, and by how much. */
export type EffortPart =
  | { readonly kind: 'black'; readonly hand: Hand; readonly finger: Finger; readonly amount: number }
  | { readonly kind: 'must' | 'should'; readonly count: number; readonly amount: number }
  | { readonly kind: 'signs' | 'ledger-lines'; readonly count: number; readonly amount: number };

/** What there is to read: signs of the signature (sharps or flats, no matter which), ledger lines beyond those of the piece where it stands. */
export interface ReadingEffort {
  readonly signs: number;
  readonly moreLedgerLines: number;
}

/** What makes up the effort of a key. */
export function effortParts(
  fingers: BlackFingers,
  flags: readonly Flag[],
  reading: ReadingEffort,
): readonly EffortPart[] {
  const hands: readonly Hand[] = ['right', 'left'];
  const black = hands.flatMap((hand) =>
    fingers[hand].map((finger): EffortPart => ({ kind: 'black', hand, finger, amount: 1 + FINGER_EFFORT[finger] })),
  );
  // What cannot be played is no easier for having been so before; what could be better is only told where it is new.
  const must = flags.filter(({ severity }) => severity === 'must').length;
  const should = flags.filter(({ severity, wasThere }) => severity === 'should' && !wasThere).length;
  const lines = Math.max(0, reading.moreLedgerLines);
  const others: readonly EffortPart[] = [
    { kind: 'must', count: must, amount: MUST_EFFORT * must },
    { kind: 'should', count: should, amount: SHOULD_EFFORT * should },
    { kind: 'signs', count: reading.signs, amount: SIGN_EFFORT * reading.signs },
    { kind: 'ledger-lines', count: lines, amount: (MOST_LEDGER_EFFORT * lines) / (lines + HALF_LEDGER_LINES) },
  ];
  return [...black, ...others.filter(({ amount }) => amount > 0)].map((part) => ({
    ...part,
    amount: thousandths(part.amount),
  }));
}

/** How much there is to do in a key: 0 for nothing, without a bound. */
export function effortOf(parts: readonly EffortPart[]): number {
  return thousandths(parts.reduce((sum, { amount }) => sum + amount, 0));
}

function thousandths(amount: number): number {
  return Math.round(amount * 1000) / 1000;
}
