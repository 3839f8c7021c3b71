import { stepLimits, struckAt, type HandPlan, type Limit, type PassageEvent, type PlannedGrip } from '../fingering';
import { groupBy } from '../base';
import { keyCentreMm } from '../keyboard';
import { forcedMoves, type HandStudy } from '../forced';
import type { Finger, HandNote } from '../score';
import type { Flag } from './flag';
import { placeOf } from './place-of';

/** A hand as it is played in one key. */
export interface PlayedHand {
  readonly study: HandStudy;
  /** The plan that is played: the one for these keys, or the fingers brought along. */
  readonly played: HandPlan;
  /** The notes of the passage in this key, in its order. */
  readonly notes: readonly HandNote[];
}

export const PLAIN = { byBlackKey: false, wasThere: false, costs: null } as const;

/** Where a limit of level or reach is broken: these cannot be played so. `canShare` tells whether the other hand could take a note. */
export function limitFlags(hand: PlayedHand, canShare: (note: HandNote) => boolean): readonly Flag[] {
  const { lattice, steps } = hand.played;
  if (hand.played.limits === 0) return [];
  return steps.flatMap((_, t) => {
    const limits = stepLimits(lattice, steps, t);
    // One place is told once, by what weighs most: a hand that cannot reach the keys need not be told how it gets there.
    const first = limits[0];
    return first ? [limitFlag(hand, t, first, canShare)] : [];
  });
}

function limitFlag(hand: PlayedHand, t: number, limit: Limit, canShare: (note: HandNote) => boolean): Flag {
  const { lattice } = hand.played;
  const struck = struckAt(lattice.passage, t).map((index) => noteAt(hand, index));
  const first = struck[0] as HandNote;
  const must = { severity: 'must', ...PLAIN } as const;
  switch (limit) {
    case 'reach':
    case 'held-reach': {
      const event = lattice.passage.events[t] as { struck: readonly number[]; held: readonly number[] };
      const all = [...event.struck, ...event.held]
        .map((index) => noteAt(hand, index))
        .toSorted((a, b) => a.midi - b.midi);
      const [low, high] = [all[0] as HandNote, all.at(-1) as HandNote];
      return {
        ...must,
        evidence: {
          kind: 'out-of-reach',
          keys: [low.pitch, high.pitch],
          needsMm: Math.round(keyCentreMm(high.midi) - keyCentreMm(low.midi)),
          spanMm: lattice.demands.player.spanMm,
          isHeld: limit === 'held-reach',
          canShare: canShare(first.hand === 'right' ? low : high),
          inLine: false,
        },
        ...placeOf([...struck, ...all.filter((note) => !struck.includes(note))]),
      };
    }
    case 'held-finger':
      return {
        ...must,
        evidence: {
          kind: 'held-finger',
          finger: fingerOf(hand, struckAt(lattice.passage, t)[0] as number),
          key: first.pitch,
        },
        ...placeOf(struck),
      };
    case 'open':
      return {
        ...must,
        evidence: { kind: 'extension', letters: spreadAt(hand.played, t), because: 'open' },
        ...placeOf(struck),
      };
    case 'move':
    case 'change':
    case 'cross':
      return {
        ...must,
        evidence: {
          kind: 'position-change',
          finger: fingerOf(hand, struckAt(lattice.passage, t)[0] as number),
          key: first.pitch,
          because: limit,
        },
        ...placeOf(struck),
      };
  }
}

/** Whether a step of a plan breaks a limit; most plans break none at all. */
export function breaksLimits({ limits, lattice, steps }: HandPlan, t: number): boolean {
  return limits > 0 && stepLimits(lattice, steps, t).length > 0;
}

function spreadAt({ steps }: HandPlan, t: number): number {
  const { low, high } = steps[t] as PlannedGrip;
  return high - low;
}

export function noteAt({ notes }: PlayedHand, index: number): HandNote {
  return notes[index] as HandNote;
}

export function fingerOf({ played }: PlayedHand, index: number): Finger {
  return played.fingering[index] ?? 1;
}

/** New positions that the keys of this key force: on white keys the hand would have stayed. */
export function forcedMoveFlags(hand: PlayedHand): readonly Flag[] {
  const { study, played } = hand;
  if (played !== study.plan) return [];
  const { lattice } = played;
  return forcedMoves(study).added.flatMap((t): readonly Flag[] => {
    if (breaksLimits(hand.played, t)) return [];
    const index = struckAt(lattice.passage, t)[0] as number;
    const note = noteAt(hand, index);
    return [
      {
        evidence: { kind: 'position-change', finger: fingerOf(hand, index), key: note.pitch, because: 'black-keys' },
        severity: 'watch',
        byBlackKey: true,
        wasThere: false,
        costs: null,
        ...placeOf([note]),
      },
    ];
  });
}

const CLOSED_LETTERS = 5;

/** By how many letters the keys of some events lie beyond the five of a closed hand. */
function lettersBeyondFive({ played }: PlayedHand, from: number, to: number): number {
  const { passage } = played.lattice;
  const letters = Array.from({ length: to - from + 1 }, (_, k) => struckAt(passage, from + k))
    .flat()
    .map((index) => passage.notes[index]?.letter ?? 0);
  return Math.max(...letters) - Math.min(...letters) + 1 - CLOSED_LETTERS;
}

/** Positions in which the hand opens, one flag for each place and width. */
export function extensionFlags(hand: PlayedHand): readonly Flag[] {
  const { lattice, steps } = hand.played;
  const { neutral, asPrinted } = hand.study.baseline;
  const starts = steps.flatMap(({ transition: join }, t) => (join === 'stay' ? [] : [t]));
  const opened = starts.flatMap((from, i) => {
    const to = (starts[i + 1] ?? steps.length) - 1;
    const last = steps[to] as PlannedGrip;
    if (last.high === last.low) return [];
    const letters = lettersBeyondFive(hand, from, to);
    if (letters <= 0 || isHindered(hand.played, from, to)) return [];
    const isForced =
      hand.played === hand.study.plan &&
      [neutral, asPrinted].every((plan) =>
        plan.steps.slice(from, to + 1).every(({ low, high }) => high - low < last.high - last.low),
      );
    const at =
      Array.from({ length: to - from + 1 }, (_, k) => from + k).find(
        (t) => spreadAt(hand.played, t) === last.high - last.low,
      ) ?? from;
    return [
      { low: last.low, letters, isForced, notes: struckAt(lattice.passage, at).map((index) => noteAt(hand, index)) },
    ];
  });
  return [...groupBy(opened, ({ low, letters, isForced }) => `${low}/${letters}/${isForced}`).values()].map(
    (group): Flag => {
      const { letters, isForced } = group[0] as (typeof opened)[number];
      return {
        evidence: { kind: 'extension', letters, because: isForced ? 'black-keys' : 'notes' },
        severity: 'watch',
        ...PLAIN,
        byBlackKey: isForced,
        ...placeOf(group.flatMap(({ notes }) => notes)),
      };
    },
  );
}

/** Whether anything but the level's not moving keeps the hand from playing some steps. */
function isHindered({ limits, lattice, steps }: HandPlan, from: number, to: number): boolean {
  if (limits === 0) return false;
  return Array.from({ length: to - from + 1 }, (_, k) => from + k).some((t) =>
    stepLimits(lattice, steps, t).some((limit) => limit !== 'move'),
  );
}

/** Thumb under and finger over, one flag for each finger and key. */
export function crossingFlags(hand: PlayedHand): readonly Flag[] {
  const { lattice, steps } = hand.played;
  const crossings = steps.flatMap(({ transition: join }, t) => {
    if (join !== 'pass') return [];
    const index = struckAt(lattice.passage, t)[0] as number;
    return [{ note: noteAt(hand, index), finger: fingerOf(hand, index) }];
  });
  return [...groupBy(crossings, ({ note, finger }) => `${finger}/${note.midi}`).values()].map((group): Flag => {
    const { note, finger } = group[0] as (typeof crossings)[number];
    return {
      evidence: { kind: 'crossing', technique: finger === 1 ? 'thumb-under' : 'finger-over', finger, key: note.pitch },
      severity: 'watch',
      ...PLAIN,
      ...placeOf(group.map((crossing) => crossing.note)),
    };
  });
}

/** One finger on two letters running, in a line without a break; between chords it is only to be known, and nothing where a common
 * tone is held (handbook, positions and moves). */
export function hopFlags(hand: PlayedHand): readonly Flag[] {
  const { passage } = hand.played.lattice;
  return passage.events.flatMap((event, t): readonly Flag[] => {
    if (t === 0 || event.bond < 1) return [];
    const hop = hopInto(hand, event);
    if (!hop) return [];
    const inChords = event.released.length > 1 || event.struck.length > 1;
    const holdsCommonTone =
      event.held.length > 0 ||
      event.released.some((m) => event.struck.some((n) => noteAt(hand, m).midi === noteAt(hand, n).midi));
    if (inChords && holdsCommonTone) return [];
    const [from, to] = [noteAt(hand, hop[0]), noteAt(hand, hop[1])];
    return [
      {
        evidence: { kind: 'hop', finger: fingerOf(hand, hop[1]), keys: [from.pitch, to.pitch], inChords },
        severity: inChords ? 'watch' : 'should',
        ...PLAIN,
        ...placeOf([from, to]),
      },
    ];
  });
}

/** The first released and struck note of two letters that have one finger. */
function hopInto(hand: PlayedHand, { released, struck }: PassageEvent): readonly [number, number] | null {
  const { notes } = hand.played.lattice.passage;
  for (const m of released) {
    for (const n of struck) {
      if (
        fingerOf(hand, m) === fingerOf(hand, n) &&
        notes[m]?.letter !== notes[n]?.letter &&
        noteAt(hand, m).midi !== noteAt(hand, n).midi
      )
        return [m, n];
    }
  }
  return null;
}
