import { memoOf } from '../base';
import { positionMove } from '../fingering';
import type { Hand, Measure } from '../score';
import { brokenChords } from './chord-figures';
import { brokenOctaves } from './broken-octaves';
import { isOnBeat } from './left-hand';
import { foldOctaves } from './one-place';
import { linesOf, phrasesOf } from './sections';
import {
  differentFingers,
  flaggedBars,
  flaggedKinds,
  intervalsAgainstNotes,
  landings,
  otherFingers,
  type Landing,
  type Weights,
} from './spots';
import type { Stage, StageName, StageReason } from './stage';
import { lowestOf, strikesOf, type Strike } from './strikes';
import { inOrderOnce, numbersOf, type Subject } from './subject';
import type { Transformation } from './transformation';

/** A stage that a piece could have, before it is known what it changes. `weight` is how much there is to drill in it, for the order of those that are drilled
 * first; null for those that are not drills. */
export interface Candidate extends Pick<Stage, 'name' | 'transformations' | 'why'> {
  readonly weight: number | null;
}

/** All stages that a piece has anything for in this key, in no order that matters. */
export function candidates(subject: Subject): readonly Candidate[] {
  return [
    ...drills(subject),
    ...landingDrills(subject),
    ...handsAlone(subject),
    ...easierLeftHands(subject),
    ...foldedOctaves(subject),
    ...sectionStages(subject),
    ...tapping(subject),
    candidate({ kind: 'whole' }, [], { kind: 'whole' }),
  ];
}

function candidate(
  name: StageName,
  transformations: readonly Transformation[],
  why: StageReason,
  weight: number | null = null,
): Candidate {
  return { name, transformations, why, weight };
}

/** How much there is to drill in each bar: flags, moves, hands that do not agree. */
export const barWeights = memoOf((subject: Subject): Weights => {
  const weights = new Map(flaggedBars(subject));
  const add = (bars: readonly number[], weight: number): void =>
    bars.forEach((bar) => weights.set(bar, (weights.get(bar) ?? 0) + weight));
  for (const group of landings(subject)) for (const { bars } of group) add(bars.slice(-1), 2);
  add(differentFingers(subject), 1);
  add(intervalsAgainstNotes(subject), 1);
  add([...otherFingers(subject).keys()], 2);
  return weights;
});

function drills(subject: Subject): readonly Candidate[] {
  const weights = barWeights(subject);
  const found = [
    ['different-fingers', differentFingers(subject)],
    ['interval-against-note', intervalsAgainstNotes(subject)],
    ['flagged', inOrderOnce(flaggedBars(subject).keys())],
    ['other-fingers', inOrderOnce(otherFingers(subject).keys())],
  ] as const;
  return found
    .filter(([, bars]) => bars.length > 0)
    .map(([kind, bars]) => {
      const named = { kind, bars: numbersOf(subject, bars) };
      const why = kind === 'flagged' ? { ...named, kind, kinds: flaggedKinds(subject) } : { ...named, kind };
      return candidate({ kind }, [{ kind: 'bars', bars }], why, heaviest(weights, bars));
    });
}

function heaviest(weights: Weights, bars: readonly number[]): number {
  return Math.max(...bars.map((bar) => weights.get(bar) ?? 0));
}

function landingDrills(subject: Subject): readonly Candidate[] {
  const weights = barWeights(subject);
  const all = landings(subject);
  return all.flatMap((group, i): readonly Candidate[] => {
    const [first] = group;
    const isAlone = all.every(([other]) => other === first || !landInOneBar(first, other));
    // Moves that are alike are drilled once, at the first of their places.
    const only = [
      { kind: 'bars', bars: first.bars },
      { kind: 'notes', notes: first.notes },
    ] as const;
    const why = {
      kind: 'landing',
      hand: first.hand,
      bars: numbersOf(subject, inOrderOnce(group.map(landsIn))),
      beat: isAlone ? null : first.beat,
      move: positionMove(first.before, first.after),
    } as const;
    const weight = heaviest(weights, first.bars);
    return [
      candidate({ kind: 'landing-long', n: i + 1 }, [...only, { kind: 'long' }], why, weight),
      candidate({ kind: 'landing', n: i + 1 }, only, why, weight),
    ];
  });
}

function landsIn({ bars }: Landing): number {
  return bars.at(-1) as number;
}

function landInOneBar(one: Landing, other: Landing): boolean {
  return one.hand === other.hand && landsIn(one) === landsIn(other);
}

function handsAlone(subject: Subject): readonly Candidate[] {
  if (subject.hands.length < 2) return [];
  return subject.hands.map((hand) =>
    candidate({ kind: `${hand}-alone` }, [{ kind: 'hand', hand }], {
      kind: 'hand',
      hand,
      moves: landings(subject)
        .flat()
        .filter((landing) => landing.hand === hand).length,
      flags: subject.version.flags.filter((flag) => flag.hand === hand && flag.severity !== 'watch').length,
    }),
  );
}

const LEFT_ALONE: Transformation = { kind: 'hand', hand: 'left' };

function easierLeftHands(subject: Subject): readonly Candidate[] {
  const { version, part, ticksPerQuarter } = subject;
  const strikes = strikesOf(version.notes, 'left');
  const of = { notes: version.notes, part, ticksPerQuarter };
  const octaves = brokenOctaves(strikes);
  const offBeat = strikes.map(lowestOf).filter((note) => !isOnBeat(note, of));
  const broken = brokenChords(version.notes, part, 'left', ticksPerQuarter);
  const struckChords = strikes.filter(({ notes }) => notes.length >= 3);
  const bars = (indexes: readonly number[]): readonly string[] => numbersOf(subject, inOrderOnce(indexes));
  const octaveBars = bars(octaves.map(({ low }) => low.barIndex));
  const brokenAt = broken.map(({ barIndex }) => barIndex);
  const brokenBars = bars(brokenAt);
  // One figure among many bars of tune is a turn of the tune, not an accompaniment.
  const accompanies = broken.length * 2 > new Set(strikes.map((strike) => lowestOf(strike).barIndex)).size;
  const beats = (why: StageReason): readonly Candidate[] => [
    candidate({ kind: 'beats' }, [LEFT_ALONE, { kind: 'beats' }], why),
    ...(subject.hands.length < 2 ? [] : [candidate({ kind: 'beats-together' }, [{ kind: 'beats' }], why)]),
  ];
  return [
    ...(octaves.length >= 2
      ? [
          ...beats({ kind: 'broken-octaves', bars: octaveBars }),
          candidate({ kind: 'split-octave' }, [LEFT_ALONE, { kind: 'split-octave' }], {
            kind: 'broken-octaves',
            bars: octaveBars,
          }),
        ]
      : accompanies && offBeat.length > 0
        ? beats({ kind: 'off-beat', bars: bars(offBeat.map(({ barIndex }) => barIndex)) })
        : []),
    ...(accompanies ? inBothAndAlone('blocked', { kind: 'broken-chords', bars: brokenBars }, subject) : []),
    ...(struckChords.length > 0 || (accompanies && octaves.length === 0)
      ? inBothAndAlone('roots', { kind: 'chords', bars: bars([...barsOf(struckChords), ...brokenAt]) }, subject)
      : []),
  ];
}

/** An easier left hand under the tune, and by itself. */
function inBothAndAlone(
  easing: 'blocked' | 'roots',
  why: StageReason,
  { hands }: Pick<Subject, 'hands'>,
): readonly Candidate[] {
  const together = candidate({ kind: easing }, [{ kind: easing }], why);
  if (hands.length < 2) return [together];
  return [together, candidate({ kind: `${easing}-alone` }, [LEFT_ALONE, { kind: easing }], why)];
}

function barsOf(strikes: readonly Strike[]): readonly number[] {
  return strikes.map((strike) => lowestOf(strike).barIndex);
}

function foldedOctaves(subject: Subject): readonly Candidate[] {
  const { version, part, ticksPerQuarter } = subject;
  const { octaves } = foldOctaves({ notes: version.notes, part, ticksPerQuarter });
  const folded = subject.struck.filter(({ id }) => octaves.has(id));
  if (folded.length === 0) return [];
  const hands = subject.hands.filter((hand: Hand) => folded.some((note) => note.hand === hand));
  const bars = numbersOf(subject, inOrderOnce(folded.map(({ barIndex }) => barIndex)));
  return [candidate({ kind: 'one-place' }, [{ kind: 'one-place' }], { kind: 'octave-moves', hands, bars })];
}

function sectionStages(subject: Subject): readonly Candidate[] {
  const weights = barWeights(subject);
  const lines = linesOf(subject);
  const phrases = phrasesOf(subject);
  const named = (kind: 'line' | 'phrase', sections: readonly (readonly number[])[]): readonly Candidate[] => {
    const loads = sections.map((bars) => bars.reduce((sum, bar) => sum + (weights.get(bar) ?? 0), 0));
    const most = Math.max(...loads);
    const isHardest = (i: number): boolean => loads[i] === most && loads.filter((load) => load === most).length === 1;
    return sections.map((bars, i) => {
      const [from, to] = [bars[0] as number, bars.at(-1) as number].map(
        (bar) => (subject.part.measures[bar] as Measure).number,
      );
      const why = { kind: 'section', from: from as string, to: to as string, hardest: isHardest(i) } as const;
      return candidate({ kind, n: i + 1 }, [{ kind: 'bars', bars }], why);
    });
  };
  const isSame = phrases.map((bars) => bars.join()).join('|') === lines.map((bars) => bars.join()).join('|');
  return [...named('line', lines), ...(isSame ? [] : named('phrase', phrases))];
}

/** Tapping is for rhythms that have to be fitted together: bars in which the left hand strikes while the right hand holds. A tune that goes on over a held note
 * needs no such help. */
function tapping(subject: Subject): readonly Candidate[] {
  const strikes = (hand: Hand): ReadonlyMap<number, number> =>
    new Map(strikesOf(subject.version.notes, hand).map((strike) => [strike.onset, lowestOf(strike).barIndex]));
  const [right, left] = [strikes('right'), strikes('left')];
  const inRight = new Set(right.values());
  const apart = [...left].flatMap(([onset, bar]) => (!right.has(onset) && inRight.has(bar) ? [bar] : []));
  if (apart.length === 0) return [];
  const why = { kind: 'other-rhythm', bars: numbersOf(subject, inOrderOnce(apart)) } as const;
  return [candidate({ kind: 'tapping' }, [{ kind: 'tapping' }], why)];
}
