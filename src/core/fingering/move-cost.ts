/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import type { Grip } from './grip';
import { colourBond, spanOfPair, tallyColours, tallyLine, type KeyPair } from './key-pair';
import { hopBond, isLine, linePair, pairAt, type Transition, type Meeting } from './meeting';
import { FREE_BOND } from './passage';
import { CROSSING_LEVEL, type Demands } from './player';
import type { Setting } from './setting';
import { add, RULE, type Tally } from './tally';

/** How the hand gets to a new position without a crossing. */
type PlainMove = Exclude<Transition, 'stay' | 'pass'>;

/** A reversed order of fingers closer than this, in a line, is a crossing in disguise. Unit: hundredths of a mm.
 * Source: the project's fingering model. */
const DISGUISED_WITHIN = 6000;

/** A move in a line that binds more than this breaks it. Source: the project's fingering model. */
const BREAKS_ABOVE = 0.6;

/** The thumb twice in a row is the worst of all hops (handbook, positions and moves). By how much is our own choice. */
const THUMB_HOP = 1.5;

/** What it costs to take the hand to a new position without a crossing, and how it gets there. */
export function tallyMove(tally: Tally, setting: Setting, meeting: Meeting, a: Grip, b: Grip): PlainMove {
  const { before, after, from, to, held, event } = meeting;
  for (const [i, k] of held) if (a.fingers[i] !== b.fingers[k]) tally.limits += 1;
  const { bond } = event;
  const kind = isLine(meeting)
    ? tallyLineMove(tally, setting, meeting, a, b)
    : tallyChordMove(tally, setting, meeting, a, b);
  if (kind === 'change') {
    const fingers = Math.abs((a.fingers[from[0] as number] as number) - (b.fingers[to[0] as number] as number));
    add(tally, RULE.change, 1 + bond);
    add(tally, RULE.changeLetters, fingers * bond);
  } else {
    add(tally, RULE.move, bond);
    add(
      tally,
      RULE.moveLetters,
      (Math.abs(2 * (after.base - before.base) + b.low + b.high - a.low - a.high) / 2) * bond,
    );
    if (bond > BREAKS_ABOVE) add(tally, RULE.legatoMove, 1);
  }
  const { level } = setting.demands.player;
  // Source: the fingering model, section 5.
  if (level === 1 || (kind === 'change' && level === 2 && bond > FREE_BOND)) tally.limits += 1;
  return kind;
}

function tallyLineMove(tally: Tally, { view, demands }: Setting, meeting: Meeting, a: Grip, b: Grip): PlainMove {
  const { bond } = meeting.event;
  const pair = linePair(view, meeting, a, b);
  const { first, second, travel: way, distance } = pair;
  if (first === second) {
    if (way === 0) {
      if (bond > FREE_BOND) add(tally, RULE.repeat, 1);
      return 'shift';
    }
    add(tally, RULE.hop, hopBond(bond) * (first === 1 ? THUMB_HOP : 1));
    return 'hop';
  }
  if (way === 0) return 'change';
  if (distance > 0) {
    tallyLine(tally, demands, pair, { factor: 1, bond, neighbour: 1 });
    if (distance <= spanOfPair(demands, pair).greatestPractical) return 'shift';
    add(tally, RULE.leap, bond);
    return 'leap';
  }
  tallyColours(tally, pair, 1, colourBond(bond));
  if (bond <= FREE_BOND) return 'shift';
  add(tally, RULE.leap, bond);
  if (-distance < DISGUISED_WITHIN) add(tally, RULE.disguisedPass, bond);
  if (isCrossing(demands, pair, bond)) tally.limits += 1;
  return 'leap';
}

/** Whether two fingers in a line cross at a level that does not: thumb and an inner finger in reversed order on keys close to each other. Thumb and 5
 * so close are a hand that moves over, and so is any hand that has time to move. */
export function isCrossing({ player }: Demands, { first, second, distance, travel }: KeyPair, bond: number): boolean {
  return (
    player.level < CROSSING_LEVEL &&
    bond > BREAKS_ABOVE &&
    travel !== 0 &&
    distance < 0 &&
    -distance < DISGUISED_WITHIN &&
    Math.min(first, second) === 1 &&
    Math.max(first, second) < 5 &&
    first !== second
  );
}

function tallyChordMove(
  tally: Tally,
  { view, demands }: Setting,
  meeting: Meeting,
  a: Grip,
  b: Grip,
): 'shift' | 'leap' {
  const { from, to, event, factor, near } = meeting;
  const { bond } = event;
  let isReversed = false;
  for (const i of from) {
    for (const k of to) {
      const pair = pairAt(view, meeting, a, b, i, k);
      const { first, second, travel: way, distance } = pair;
      const fingers = Math.abs(first - second);
      if (way === 0 && fingers === 0) {
        if (bond > FREE_BOND) add(tally, RULE.repeat, factor);
      } else if (way === 0) {
        add(tally, RULE.change, factor * (1 + bond));
        add(tally, RULE.changeLetters, factor * fingers * bond);
      } else if (fingers === 0) add(tally, RULE.chordHop, factor * hopBond(bond));
      else if (distance <= 0) isReversed = true;
      else if (!near || (near[0] === i && near[1] === k))
        tallyLine(tally, demands, pair, { factor, bond, neighbour: 1 });
    }
  }
  if (!isReversed || bond <= FREE_BOND) return 'shift';
  add(tally, RULE.leap, bond);
  return 'leap';
}
