import type { KeyboardSize } from '../keyboard';
import type { OuterSchool, PlacedPosition } from '../fingering';
import { compareKeys, summed } from '../forced';
import type { HandNote } from '../score';
import type { Ticks } from '../time';
import { blackFingerFlags, doubleDutyFlags } from './black-key-flags';
import { changeFlags } from './change-flags';
import { SEVERITIES, type Flag, type FlagDetail } from './flag';
import { crossingFlags, extensionFlags, forcedMoveFlags, hopFlags, limitFlags, type PlayedHand } from './hand-flags';
import { jumpFlags } from './jump-flags';
import { oneFactOneFlag, withoutParts } from './one-fact-one-flag';
import { overlapFlags } from './overlap-flags';
import { doubleAccidentalFlags, ledgerFlags, offKeyboardFlags } from './register-flags';
import { stretchFlags } from './stretch-flags';
import { sharedKeyFlags } from './shared-key-flags';
import { canOtherHandTake } from './sharing';

/** A piece in one key, as the flags need it. Notes are struck and in order of time, both hands together. */
export interface FlagInput {
  readonly notes: readonly HandNote[];
  readonly hands: readonly PlayedHand[];
  readonly positions: readonly PlacedPosition[];
  readonly detail: FlagDetail;
  readonly school: OuterSchool;
  readonly keyboard: KeyboardSize;
  readonly letterOf: (note: HandNote) => number;
  readonly beat: (note: HandNote) => Ticks;
}

/** Everything that the player should know, in order of the music; at one place the weightiest first. */
export function findFlags(input: FlagInput): readonly Flag[] {
  const order = new Map(input.notes.map((note, i) => [note.id, i]));
  const placeInMusic = (flag: Flag): number => order.get(flag.notes[0] ?? '') ?? 0;
  const found = [
    ...input.hands.flatMap((hand) =>
      limitFlags(hand, (note) => canOtherHandTake(note, input.notes, hand.study.baseline.demands.player.spanMm)),
    ),
    ...input.hands.flatMap((hand) => changeFlags(hand, input.detail)),
    ...input.hands.flatMap(forcedMoveFlags),
    ...input.hands.flatMap(hopFlags),
    ...input.hands.flatMap(crossingFlags),
    ...input.hands.flatMap(extensionFlags),
    ...input.hands.flatMap(stretchFlags),
    ...input.hands.flatMap(jumpFlags),
    ...input.positions.flatMap((placed) => blackFingerFlags(placed, input.school)),
    ...input.positions.flatMap((placed) => doubleDutyFlags(placed, input.letterOf)),
    ...sharedKeyFlags(input.notes, input.beat),
    ...ledgerFlags(input.notes),
    ...overlapFlags(input.notes),
    ...offKeyboardFlags(input.notes, input.keyboard),
    ...doubleAccidentalFlags(input.notes),
  ];
  const told = oneFactOneFlag(withoutParts(found), order);
  return (input.detail === 'full' ? withCosts(told, input.hands) : told).toSorted(
    (a, b) => placeInMusic(a) - placeInMusic(b) || SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity),
  );
}

/** Which event of each hand strikes a note. */
function eventsById(hands: readonly PlayedHand[]): ReadonlyMap<PlayedHand, ReadonlyMap<string, number>> {
  return new Map(
    hands.map((hand) => {
      const { events, notes } = hand.study.baseline.passage;
      const own = events.flatMap(({ struck }, t) => struck.map((index) => [notes[index]?.note.id ?? '', t] as const));
      return [hand, new Map(own)];
    }),
  );
}

/** Flags because of black keys keep the costs they rest on. */
function withCosts(flags: readonly Flag[], hands: readonly PlayedHand[]): readonly Flag[] {
  if (!flags.some(isWithoutCosts)) return flags;
  const eventOf = eventsById(hands);
  return flags.map((flag) => {
    if (!isWithoutCosts(flag)) return flag;
    // A fact of both hands has what it costs in both.
    const costs = hands.flatMap((hand) => {
      const events = flag.notes.flatMap((id) => eventOf.get(hand)?.get(id) ?? []);
      return events.length === 0 ? [] : [compareKeys(hand.played, [...new Set(events)])];
    });
    return costs.length === 0 ? flag : { ...flag, costs: summed(costs) };
  });
}

function isWithoutCosts({ byBlackKey, costs }: Flag): boolean {
  return byBlackKey && !costs;
}

/** Marks the flags whose kind stood at the same notes already, or at half of them, before the piece was moved. */
export function compareFlags(after: readonly Flag[], before: readonly Flag[]): readonly Flag[] {
  const known = new Set(before.flatMap((old) => old.notes.map((id) => `${old.evidence.kind}/${id}`)));
  return after.map((flag) => ({
    ...flag,
    wasThere: flag.notes.filter((id) => known.has(`${flag.evidence.kind}/${id}`)).length * 2 >= flag.notes.length,
  }));
}
