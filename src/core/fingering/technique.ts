import type { Fingering } from './fingering';
import { solve } from './solve';
import { lastingMemo, memo, memoOf } from '../base';
import { neutralView, type View } from './key-view';
import { latticeOf, type Lattice } from './lattice';
import { TRANSITIONS, type Transition } from './meeting';
import type { Passage, PassageEvent, PassageNote } from './passage';
import { NO_EXTRA, type Path, type PlannedGrip, type Technique } from './plan-path';
import { CLOSE_CHORD_LEVEL, demandsFor, LEVELS, type Demands, type Level } from './player';
import { BROKEN_LIMIT } from './rules.table';

/** What a technique costs that the music does not ask for: more than black keys under a hand that stays. A teacher takes the simplest way that works
 * (handbook, least technique); it is a price, not a limit, so that a key in which the simple way cannot be played takes another. Our own choice. */
const NOT_NEEDED = 30;

/** Under a school that keeps thumbs off black keys the hand moves sooner. Our own choice. */
const NOT_NEEDED_AVOIDING = 4;

/** By so much a simpler way may cost more and still be the one that is taken: less than the difference between crossing once and lifting the hand over in
 * the middle of a line. Our own choice. */
const CLEARLY_WORSE = 2;

/** How the hand may get on at each event without an extra price: the least level whose means serve the stretch of music without a break around it, on the
 * white keys of the letters, so that it is the same in every key. One entry an event. O(levels × the search) time for sections that are new. */
export function techniqueNeeded(passage: Passage, demands: Demands): readonly Level[] {
  if (demands.player.level === 1) return passage.events.map(() => 1);
  const view = neutralView(passage);
  return sectionsOf(passage).flatMap(([from, to]) => {
    const level = levelsNeeded(demands).get(contentOf(passage, from, to), () =>
      sectionNeeds({ ...passage, events: passage.events.slice(from, to + 1) }, view, demands),
    );
    return Array.from({ length: to - from + 1 }, () => level);
  });
}

/** So many sections are kept in mind for a player: the same phrases come again, in one piece and after each edit of it. */
const KEPT_SECTIONS = 500;

const levelsNeeded = memoOf((_: Demands) => memo<Level>(KEPT_SECTIONS));

/** All that the level depends on: the keys of each event by their letters, what is held, and how much the transitions bind. */
function contentOf({ notes, events, isChromatic }: Passage, from: number, to: number): string {
  const first = notes[events[from]?.struck[0] as number]?.letter ?? 0;
  const name = (index: number): string => {
    const { letter, altered } = notes[index] as PassageNote;
    return `${letter - first}${altered === 0 ? '' : `a${altered}`}`;
  };
  const event = ({ struck, held, released, bond, octaveEnd }: PassageEvent): string =>
    `${struck.map(name).join('+')}/${held.map(name).join('+')}/${released.map(name).join('+')}/${bond}${octaveEnd ?? ''}`;
  return `${isChromatic}:${events
    .slice(from, to + 1)
    .map(event)
    .join(' ')}`;
}

function sectionNeeds(section: Passage, view: View, demands: Demands): Level {
  const { player } = demands;
  // A hand that opens anyway stays open over chords in close position, instead of opening for each anew.
  const closeChords = player.level > CLOSE_CHORD_LEVEL ? 'level-3' : player.closeChords;
  const pathAt = (level: Level): Path =>
    solve(latticeOf(section, view, demandsFor({ ...player, closeChords, level })), NO_EXTRA);
  // A higher level can do all that a lower one can: no way is cheaper than that of the highest, and below one that is too dear all are.
  const highest = pathAt(player.level);
  const most = Math.min(highest.cost + CLEARLY_WORSE, BROKEN_LIMIT / 2);
  if (highest.cost > most) return player.level;
  let least = usedBy(highest, player.level);
  for (const level of LEVELS.filter((lower) => lower < player.level).toReversed()) {
    const path = pathAt(level);
    if (path.cost > most) break;
    least = usedBy(path, level);
  }
  return least;
}

/** A hand that opens to an octave, as only the highest level does, need not cross as well. */
function usedBy({ steps }: Path, level: Level): Level {
  return level === LEVEL_OF.pass && steps.every(({ transition }) => transition !== 'pass') ? LEVEL_OF_OPENING : level;
}

/** Stretches without a break: each begins where there is time to move. */
function sectionsOf({ events }: Passage): readonly (readonly [number, number])[] {
  const starts = events.flatMap(({ bond }, t) => (t === 0 || bond < 1 ? [t] : []));
  return starts.map((from, i) => [from, (starts[i + 1] ?? events.length) - 1]);
}

/** The least level that has a way to get on. Source: the project's fingering model, section 5. */
const LEVEL_OF: Readonly<Record<Transition, Level>> = { stay: 1, shift: 2, leap: 2, hop: 2, change: 3, pass: 4 };
const LEVEL_OF_OPENING = 3;

/** What printed fingers use counts as needed where they use it. */
export function withUsed(
  needed: readonly Level[],
  steps: readonly PlannedGrip[],
  isPrinted: (t: number) => boolean,
): readonly Level[] {
  return needed.map((level, t) => {
    const { transition, low, high } = steps[t] as PlannedGrip;
    if (!isPrinted(t)) return level;
    const used = transition === 'begin' ? 1 : LEVEL_OF[transition];
    return Math.max(level, used, high > low ? LEVEL_OF_OPENING : 1) as Level;
  });
}

/** The price of technique at each event. Where the music does not ask for an open hand, positions are closed: a hand that has to reach further begins
 * another one. `given` are fingers that stay whatever they need. */
export function techniqueOf(
  { passage, demands }: Pick<Lattice, 'passage' | 'demands'>,
  needed: readonly Level[],
  given: Fingering | null = null,
): Technique {
  const price = demands.player.outer === 'avoid' ? NOT_NEEDED_AVOIDING : NOT_NEEDED;
  const isGiven = ({ struck }: Pick<PassageEvent, 'struck'> = NOTHING): boolean =>
    given !== null && struck.some((note) => (given[note] ?? null) !== null);
  return {
    transitions: needed.map((level, t) => (passage.events[t]?.bond === 1 ? pricesBeyond(level, price) : null)),
    dearest: price,
    closed: Uint8Array.from(needed, (level, t) =>
      Number(level < LEVEL_OF_OPENING && ![t - 1, t, t + 1].some((at) => isGiven(passage.events[at]))),
    ),
  };
}

const NOTHING = { struck: [] } as const;

const KEPT_PRICES = 16;
const knownPrices = lastingMemo<Float64Array>(KEPT_PRICES);

/** What each kind of transition costs more where a level is all that is needed: always the same array, by which the search knows its tables again. */
function pricesBeyond(level: Level, price: number): Float64Array {
  return knownPrices.get(`${level}/${price}`, () =>
    Float64Array.from(TRANSITIONS, (transition) => (LEVEL_OF[transition] > level ? price : 0)),
  );
}
