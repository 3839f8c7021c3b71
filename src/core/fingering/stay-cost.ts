/* eslint max-params: ["error", 6] -- asked for every pair of grips of every two events: an object made for each call would cost more than the sum */
import type { Grip, KeysDown } from './grip';
import { innerFinger } from './inner-finger';
import { spanOfPair, tallyLine, type KeyPair } from './key-pair';
import { hopBond, isLine, pairAt, type Meeting } from './meeting';
import { FREE_BOND } from './passage';
import type { Setting } from './setting';
import { add, RULE, type Tally } from './tally';
import { isOnBlack, type View } from './key-view';

/** Where a closed hand stays it has moved in as a whole, and there is room to play beside a thumb or fifth finger on black (handbook, positions
 * and moves): a white key beside it counts for less. How much is our own choice. */
const IN_PLACE = 0.35;

/** What a thumb on black is spared there. Our own choice. */
const THUMB_SPARED = 0.65;

/** Whether the hand can stay where it is, and what that costs: fingers keep their order on the keys and stay within reach of
 * each other; within chords a finger may go to another key, in a line only to another key of its letter. */
export function tallyStay(tally: Tally, setting: Setting, meeting: Meeting, a: Grip, b: Grip): boolean {
  const { passage, view, demands } = setting;
  const { before, after, from, to, held, event, factor, near } = meeting;
  for (const [i, k] of held) if (a.fingers[i] !== b.fingers[k]) return false;
  const isInPlace = a.low === a.high && b.low === b.high && before.base + a.low === after.base + b.low;
  if (isInPlace) spareThumb(tally, view, after, b);
  const binding = { factor, bond: event.bond, neighbour: isInPlace ? IN_PLACE : 1 };
  for (const i of from) {
    for (const k of to) {
      const pair = pairAt(view, meeting, a, b, i, k);
      const { firstNote, first, secondNote, second, travel: way, distance } = pair;
      if (way === 0 && first !== second) return false;
      if (way === 0) {
        if (event.bond > FREE_BOND) add(tally, RULE.repeat, factor);
        continue;
      }
      if (first === second) {
        const isSameLetter = passage.notes[firstNote]?.letter === passage.notes[secondNote]?.letter;
        if (isLine(meeting) && !isSameLetter) return false;
        add(tally, isLine(meeting) ? RULE.hop : RULE.chordHop, factor * hopBond(event.bond));
        continue;
      }
      if (distance <= 0) return false;
      if (near && (near[0] !== i || near[1] !== k)) continue;
      if (distance > spanOfPair(demands, pair).greatestPractical) return false;
      tallyLine(tally, demands, pair, binding);
      if (event.octaveEnd) tallyInner(tally, setting, event.octaveEnd, pair);
    }
  }
  return true;
}

function spareThumb(tally: Tally, view: View, { down, isHeld }: KeysDown, { fingers }: Grip): void {
  if (fingers[0] === 1 && !isHeld[0] && isOnBlack(view, down[0] as number)) add(tally, RULE.thumbBlack, -THUMB_SPARED);
}

/** The finger beside 5 in a broken octave pattern. */
function tallyInner(
  tally: Tally,
  { passage, view, demands }: Setting,
  kind: 'pattern' | 'arpeggio',
  { firstNote, first, secondNote, second }: KeyPair,
): void {
  if (Math.max(first, second) !== 5) return;
  const [inner, outer] = first < second ? [firstNote, secondNote] : [secondNote, firstNote];
  if (Math.min(first, second) !== innerFinger(demands, view, passage.notes, inner, outer))
    add(tally, kind === 'pattern' ? RULE.innerPattern : RULE.innerArpeggio, 1);
}
