import { tallyColours } from './grip-cost';
import type { Grip, Stand } from './grip';
import { spanOf } from './hand-measure';
import { FREE_BOND, type Passage, type PassageEvent } from './passage';
import type { Demands } from './player';
import { SEMITONE_MM } from './spans.table';
import { add, addSpan, RULE, type Tally } from './tally';
import type { View } from './view';

/** How the hand gets from one moment to the next. `stay`: the hand keeps its position, perhaps opening. All others begin a new
 * one: `shift` keeps the order of the fingers, `leap` does not or goes beyond the reach, `hop` takes one finger to another key,
 * `change` puts another finger on the same key, `pass` brings the thumb under or a finger over. */
export const JOINS = ['stay', 'shift', 'leap', 'hop', 'change', 'pass'] as const;
export type Join = (typeof JOINS)[number];

/** Two moments next to each other, with the keys that the join is about. */
export interface Meeting {
  readonly event: PassageEvent;
  readonly before: Stand;
  readonly after: Stand;
  /** Places of the released keys in the stand before, of the struck ones in the stand after, and of held ones in both. */
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly held: readonly (readonly [number, number])[];
}

export function meetingOf(event: PassageEvent, before: Stand, after: Stand): Meeting {
  const from: number[] = [];
  const held: (readonly [number, number])[] = [];
  before.down.forEach((note, i) => {
    const k = after.down.indexOf(note);
    if (k >= 0 && after.isHeld[k]) held.push([i, k]);
    else from.push(i);
  });
  const to = after.down.flatMap((_, k) => (after.isHeld[k] ? [] : [k]));
  return { event, before, after, from, to, held };
}

/** Where a closed hand stays it has moved in as a whole, and there is room to play beside a thumb or fifth finger on black (handbook, positions
 * and moves): a white key beside it counts for less. How much is our own choice. */
const IN_PLACE = 0.35;

/** What a thumb on black is spared there. Our own choice. */
const THUMB_SPARED = 0.65;

/** A thumb on black over which a finger goes is not at rest in its place, and higher than the finger would have it. Our own choice. */
const THUMB_CROSSED = 0.95;

/** Detached notes, rests and phrase ends excuse a hop (handbook, positions and moves). How far is our own choice. */
const EXCUSED = 0.25;

function hopBond(bond: number): number {
  return bond < 1 ? bond * EXCUSED : bond;
}

/** In a join this free, what a finger next to a black key has to do with the one before still counts a little. */
const LEAST_COLOUR = 0.2;

/** A reversed order of fingers closer than this, in a line, is a crossing in disguise. Unit: hundredths of a mm.
 * Source: the project's fingering model. */
const DISGUISED_WITHIN = 6000;

const SEMITONE = SEMITONE_MM * 100;

/** Beyond what fingers reach under or over each other, an arpeggio swings the hand along. Unit: hundredths of a mm. Our own choice, so that
 * the fourth from 3 to the thumb in C–E–G–C can be crossed (Hanon 1873, no. 41). */
const SWING_WITHIN = 2500;

/** Keys next to each other, of which one is black. Unit: hundredths of a mm. Source: key geometry, A–B♭ is 15.1 mm. */
const HALF_STEP_WITHIN = 1600;

/** Whether the hand can stay where it is, and what that costs: fingers keep their order on the keys and stay within reach of
 * each other; within chords a finger may go to another key, in a line only to another key of its letter. */
export function tallyStay(tally: Tally, passage: Passage, view: View, demands: Demands, meeting: Meeting, a: Grip, b: Grip): boolean {
  const { before, after, from, to, held, event } = meeting;
  for (const [i, k] of held) if (a.fingers[i] !== b.fingers[k]) return false;
  const isLine = from.length === 1 && to.length === 1;
  const near = nearestPair(view, meeting);
  const isInPlace = a.low === a.high && b.low === b.high && before.base + a.low === after.base + b.low;
  if (isInPlace) tallyThumbInPlace(tally, view, after, b);
  const factor = from.length === 0 ? 0 : 1 / Math.max(from.length, to.length);
  for (const i of from) {
    for (const k of to) {
      const [m, n] = [before.down[i] as number, after.down[k] as number];
      const [f, g] = [a.fingers[i] as number, b.fingers[k] as number];
      const way = (view.places[n] as number) - (view.places[m] as number);
      if (way === 0 && f !== g) return false;
      if (way === 0) {
        if (event.bond > FREE_BOND) add(tally, RULE.repeat, factor);
        continue;
      }
      if (f === g) {
        const isSameLetter = passage.notes[m]?.letter === passage.notes[n]?.letter;
        if (isLine && !isSameLetter) return false;
        add(tally, isLine ? RULE.hop : RULE.chordHop, factor * hopBond(event.bond));
        continue;
      }
      const distance = f < g ? way : -way;
      if (distance <= 0) return false;
      if (near && (near[0] !== i || near[1] !== k)) continue;
      const span = spanOf(demands.measure, Math.min(f, g), Math.max(f, g));
      if (distance > span.greatestPractical) return false;
      tallyLine(tally, view, demands, m, f, n, g, distance, factor, event.bond, isInPlace ? IN_PLACE : 1);
      if (event.octaveEnd) tallyInner(tally, passage, view, demands, event.octaveEnd, m, f, n, g);
    }
  }
  return true;
}

/** Between a single key and a chord only the nearest two keys bind the fingers: the others open out on the way. Between equals all do. */
function nearestPair(view: View, { before, after, from, to }: Meeting): readonly [number, number] | null {
  if (from.length === 0 || to.length === 0 || (from.length === 1) === (to.length === 1)) return null;
  let nearest: readonly [number, number] = [from[0] as number, to[0] as number];
  let least = Infinity;
  for (const i of from) {
    for (const k of to) {
      const distance = Math.abs((view.places[after.down[k] as number] as number) - (view.places[before.down[i] as number] as number));
      if (distance < least) {
        least = distance;
        nearest = [i, k];
      }
    }
  }
  return nearest;
}

function tallyThumbInPlace(tally: Tally, view: View, { down, isHeld }: Stand, { fingers }: Grip): void {
  if (fingers[0] === 1 && !isHeld[0] && view.black[down[0] as number] === 1) add(tally, RULE.thumbBlack, -THUMB_SPARED);
}

/** By how many letters a position opens when the hand stays, and by how many it contracts. The new place of the thumb lies beyond the old
 * ones: on the side of the finger that plays, the hand spreads; on the other, its fingers crowd together. */
export function growth(meeting: Meeting, a: Grip, b: Grip, down: number, up: number): readonly [opened: number, contracted: number] {
  const way = Math.sign(middle(b, meeting.to) - middle(a, meeting.from));
  if (way === 0) return [down + up, 0];
  return way > 0 ? [up, down] : [down, up];
}

function middle({ fingers }: Grip, at: readonly number[]): number {
  return at.reduce((sum, i) => sum + (fingers[i] as number), 0) / Math.max(1, at.length);
}

/** What two fingers that follow each other cost whether or not the hand moves. */
function tallyLine(tally: Tally, view: View, demands: Demands, m: number, f: number, n: number, g: number, distance: number, factor: number, bond: number, neighbour: number): void {
  const [mBlack, nBlack] = [view.black[m] === 1, view.black[n] === 1];
  const isUnder = (f === 1 && !mBlack && nBlack) || (g === 1 && !nBlack && mBlack);
  addSpan(tally, demands.measure, Math.min(f, g), Math.max(f, g), distance, isUnder, factor * bond);
  if (f === 3 && g === 4) add(tally, RULE.threeFour, factor * bond);
  tallyColours(tally, f, mBlack, g, nBlack, factor, neighbour * Math.max(bond, LEAST_COLOUR));
  // A long finger on the white key next to a black one has to find room between the black keys.
  if (Math.min(f, g) > 1 && mBlack !== nBlack && distance < HALF_STEP_WITHIN) add(tally, RULE.betweenBlack, factor * bond);
}

/** In a broken octave pattern the finger beside 5 is 4 up to a third, else 3; in the other school 3 on a black key (handbook). */
function tallyInner(tally: Tally, passage: Passage, view: View, demands: Demands, kind: 'pattern' | 'arpeggio', m: number, f: number, n: number, g: number): void {
  if (Math.max(f, g) !== 5) return;
  const inner = f === 5 ? n : m;
  const gap = Math.abs((passage.notes[m]?.letter ?? 0) - (passage.notes[n]?.letter ?? 0));
  const isBlackInside = demands.player.inner === 'black' && view.black[inner] === 1;
  if (Math.min(f, g) !== (gap <= THIRD_LETTERS && !isBlackInside ? 4 : 3)) add(tally, kind === 'pattern' ? RULE.innerPattern : RULE.innerArpeggio, 1);
}

const THIRD_LETTERS = 2;

/** What it costs to take the hand to a new position without a crossing, and how it gets there. */
export function tallyMove(tally: Tally, view: View, demands: Demands, meeting: Meeting, a: Grip, b: Grip): Exclude<Join, 'stay' | 'pass'> {
  const { before, after, from, to, held, event } = meeting;
  for (const [i, k] of held) if (a.fingers[i] !== b.fingers[k]) tally.limits += 1;
  const { bond } = event;
  const kind = from.length === 1 && to.length === 1 ? tallyLineMove(tally, view, demands, meeting, a, b) : tallyChordMove(tally, view, demands, meeting, a, b);
  if (kind === 'change') {
    const letters = Math.abs((a.fingers[from[0] as number] as number) - (b.fingers[to[0] as number] as number));
    add(tally, RULE.change, 1 + bond);
    add(tally, RULE.changeLetters, letters * bond);
  } else {
    add(tally, RULE.move, bond);
    add(tally, RULE.moveLetters, (Math.abs(2 * (after.base - before.base) + b.low + b.high - a.low - a.high) / 2) * bond);
    if (bond > 0.6) add(tally, RULE.legatoMove, 1);
  }
  const { level } = demands.player;
  // Source: the fingering model, section 5.
  if (level === 1 || (kind === 'change' && level === 2 && bond > FREE_BOND)) tally.limits += 1;
  return kind;
}

function tallyLineMove(tally: Tally, view: View, demands: Demands, { before, after, from, to, event }: Meeting, a: Grip, b: Grip): Exclude<Join, 'stay' | 'pass'> {
  const { bond } = event;
  const [i, k] = [from[0] as number, to[0] as number];
  const [m, n] = [before.down[i] as number, after.down[k] as number];
  const [f, g] = [a.fingers[i] as number, b.fingers[k] as number];
  const way = (view.places[n] as number) - (view.places[m] as number);
  if (f === g) {
    if (way === 0) {
      if (bond > FREE_BOND) add(tally, RULE.repeat, 1);
      return 'shift';
    }
    add(tally, RULE.hop, hopBond(bond));
    return 'hop';
  }
  if (way === 0) return 'change';
  const distance = f < g ? way : -way;
  const span = spanOf(demands.measure, Math.min(f, g), Math.max(f, g));
  if (distance > 0) {
    tallyLine(tally, view, demands, m, f, n, g, distance, 1, bond, 1);
    if (distance <= span.greatestPractical) return 'shift';
    add(tally, RULE.leap, bond);
    return 'leap';
  }
  if (bond <= FREE_BOND) {
    tallyColours(tally, f, view.black[m] === 1, g, view.black[n] === 1, 1, Math.max(bond, LEAST_COLOUR));
    return 'shift';
  }
  add(tally, RULE.leap, bond);
  if (-distance < DISGUISED_WITHIN) add(tally, RULE.disguisedPass, bond);
  tallyColours(tally, f, view.black[m] === 1, g, view.black[n] === 1, 1, Math.max(bond, LEAST_COLOUR));
  return 'leap';
}

/** What it costs to bring the thumb under or a finger over, in a line, where that can be done. */
export function tallyPass(tally: Tally, view: View, demands: Demands, { before, after, from, to, held, event }: Meeting, a: Grip, b: Grip): boolean {
  const { bond } = event;
  if (from.length !== 1 || to.length !== 1 || held.length > 0 || bond <= FREE_BOND || demands.player.level < 4) return false;
  const [i, k] = [from[0] as number, to[0] as number];
  const [m, n] = [before.down[i] as number, after.down[k] as number];
  const [f, g] = [a.fingers[i] as number, b.fingers[k] as number];
  const over = Math.max(f, g);
  if (f === g || Math.min(f, g) !== 1 || over === 5) return false;
  const way = (view.places[n] as number) - (view.places[m] as number);
  const distance = f < g ? way : -way;
  const span = spanOf(demands.measure, 1, over);
  const swing = Math.max(0, span.leastPractical - distance);
  if (distance >= 0 || swing > SWING_WITHIN) return false;
  const [thumb, finger] = f === 1 ? [m, n] : [n, m];
  const [thumbBlack, fingerBlack] = [view.black[thumb] === 1, view.black[finger] === 1];
  if (f === 1 && thumbBlack) add(tally, RULE.thumbBlack, THUMB_CROSSED);
  add(tally, RULE.pass, bond);
  add(tally, RULE.passDistance, (-distance / SEMITONE) * bond);
  add(tally, RULE.passSwing, (swing / SEMITONE) * bond);
  if (over === 4) add(tally, RULE.passFour, bond);
  add(tally, RULE.passSpan, ((Math.max(0, span.leastComfortable - distance) + Math.max(0, span.leastRelaxed - distance)) / SEMITONE) * bond);
  if (thumbBlack && !fingerBlack) add(tally, RULE.passThumbBlack, bond);
  if (thumbBlack === fingerBlack) add(tally, RULE.passLevel, bond);
  tallyColours(tally, f, view.black[m] === 1, g, view.black[n] === 1, 1, Math.max(bond, LEAST_COLOUR));
  return true;
}

function tallyChordMove(tally: Tally, view: View, demands: Demands, { before, after, from, to, event }: Meeting, a: Grip, b: Grip): 'shift' | 'leap' {
  const { bond } = event;
  if (from.length === 0) return 'shift';
  const factor = 1 / Math.max(from.length, to.length);
  const near = nearestPair(view, { event, before, after, from, to, held: [] });
  let isReversed = false;
  for (const i of from) {
    for (const k of to) {
      const [m, n] = [before.down[i] as number, after.down[k] as number];
      const [f, g] = [a.fingers[i] as number, b.fingers[k] as number];
      const way = (view.places[n] as number) - (view.places[m] as number);
      if (way === 0) {
        if (f === g && bond > FREE_BOND) add(tally, RULE.repeat, factor);
        if (f !== g) {
          add(tally, RULE.change, factor * (1 + bond));
          add(tally, RULE.changeLetters, factor * Math.abs(f - g) * bond);
        }
        continue;
      }
      if (f === g) {
        add(tally, RULE.chordHop, factor * hopBond(bond));
        continue;
      }
      const distance = f < g ? way : -way;
      if (distance <= 0) isReversed = true;
      else if (!near || (near[0] === i && near[1] === k)) tallyLine(tally, view, demands, m, f, n, g, distance, factor, bond, 1);
    }
  }
  if (!isReversed || bond <= FREE_BOND) return 'shift';
  add(tally, RULE.leap, bond);
  return 'leap';
}
