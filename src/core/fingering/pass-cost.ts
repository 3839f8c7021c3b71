/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import type { Grip } from './grip';
import { colourBond, spanOfPair, tallyColours } from './key-pair';
import { isLine, linePair, type Meeting } from './meeting';
import { CROSSING_LEVEL } from './player';
import { FREE_BOND } from './passage';
import type { Setting } from './setting';
import { SEMITONE_MM } from './spans.table';
import { add, RULE, type Tally } from './tally';

const SEMITONE = SEMITONE_MM * 100;

/** Beyond what fingers reach under or over each other, an arpeggio swings the hand along. Unit: hundredths of a mm. Our own choice, so that
 * the fourth from 3 to the thumb in C–E–G–C can be crossed (Hanon 1873, no. 41). */
const SWING_WITHIN = 2500;

/** A thumb on black over which a finger goes is not at rest in its place, and higher than the finger would have it. Our own choice. */
const THUMB_CROSSED = 0.95;

/** What it costs to bring the thumb under or a finger over, in a line, where that can be done. */
export function tallyPass(tally: Tally, { view, demands }: Setting, meeting: Meeting, a: Grip, b: Grip): boolean {
  const { bond } = meeting.event;
  if (!isLine(meeting) || meeting.held.length > 0 || bond <= FREE_BOND || demands.player.level < CROSSING_LEVEL)
    return false;
  const pair = linePair(view, meeting, a, b);
  const { first, firstIsBlack, second, secondIsBlack, distance } = pair;
  const over = Math.max(first, second);
  if (first === second || Math.min(first, second) !== 1 || over === 5) return false;
  const thumbIsBlack = first === 1 ? firstIsBlack : secondIsBlack;
  const overIsBlack = first === 1 ? secondIsBlack : firstIsBlack;
  const span = spanOfPair(demands, pair);
  const swing = Math.max(0, span.leastPractical - distance);
  if (distance >= 0 || swing > SWING_WITHIN) return false;
  if (first === 1 && thumbIsBlack) add(tally, RULE.thumbBlack, THUMB_CROSSED);
  add(tally, RULE.pass, bond);
  add(tally, RULE.passDistance, (-distance / SEMITONE) * bond);
  add(tally, RULE.passSwing, (swing / SEMITONE) * bond);
  if (over === 4) add(tally, RULE.passFour, bond);
  add(
    tally,
    RULE.passSpan,
    ((Math.max(0, span.leastComfortable - distance) + Math.max(0, span.leastRelaxed - distance)) / SEMITONE) * bond,
  );
  if (thumbIsBlack && !overIsBlack) add(tally, RULE.passThumbBlack, bond);
  if (thumbIsBlack === overIsBlack) add(tally, RULE.passLevel, bond);
  tallyColours(tally, pair, 1, colourBond(bond));
  return true;
}
