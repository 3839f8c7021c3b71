import type { AskedMusic, StruckKey } from '../../asked';
import type { Hand } from '../../score';
import { align, type Alignment } from '../alignment';
import { tempoAround } from '../tempo';
import type { Cause } from './cause';
import { laid } from './laid';
import { likelyCauses } from './likely-causes';
import { notesOfCause, pageWith, type Page } from './page-as-played';
import { suspectsIn } from './suspects';

/** What was played, with the causes that explain it most cheaply, and how it lies along the page as it was played for them. */
export interface Reading {
  readonly causes: readonly Cause[];
  readonly page: Page;
  readonly alignment: Alignment;
}

/** What a cause costs beside what it explains. Unit: one wrong note. Source: our own choice; a cause must explain clearly more than a few single faults would. Checked by:
 * mixed-performances.test.ts and judge-playing.test.ts (no single fault becomes a cause). */
const PRICE: Readonly<Record<Cause['kind'], number>> = { transposed: 2.5, 'hand-late': 2.5, 'one-hand': 2 };

/** With less than this wrong nobody looks for causes. Unit: one wrong note. */
const LEAST_TROUBLE = 3;
/** So much cheaper than without it a cause must make the whole. */
export const LEAST_GAIN = 1.5;
/** So large a share of its notes must have come right for it. */
const RIGHT_SHARE = 0.6;
const MOST_CAUSES = 3;
/** So many of the likely ones are laid along the whole page. */
const TRIED = 4;
/** More keys than these are many performances one after the other: no one cause explains them, and looking for it would take long. */
const MOST_KEYS = 1500;

/** How what was played is best explained: by the fewest and cheapest causes, single faults for what is left. `given` is the tempo that was set, as ms of a quarter
 * note; null where none was. */
export function bestReading(music: AskedMusic, keys: readonly StruckKey[], given: number | null): Reading {
  const read: Read = (causes, atMost) => {
    const page = pageWith(music, causes);
    const left = atMost - causes.reduce((sum, { kind }) => sum + PRICE[kind], 0);
    return { causes, page, alignment: laidTwice(page.asPlayed, keys, given, left) };
  };
  let best = read([], Number.POSITIVE_INFINITY);
  while (best.causes.length < MOST_CAUSES && best.alignment.cost >= LEAST_TROUBLE && keys.length <= MOST_KEYS) {
    const next = better({ music, keys, given }, best, read);
    if (next === null) break;
    best = next;
  }
  return best;
}

/** The keys alone say roughly where everything belongs; with the pulse that follows from it, it is laid anew. */
export function laidTwice(
  music: AskedMusic,
  keys: readonly StruckKey[],
  given: number | null,
  atMost: number,
): Alignment {
  const rough = align(music, keys, null, atMost);
  // Time only makes it dearer.
  if (rough.cost > atMost) return rough;
  return align(music, keys, tempoAround(music, keys, rough, given), atMost);
}

/** Reads what was played for some causes; what must cost more than `atMost` with them is given up. */
type Read = (causes: readonly Cause[], atMost: number) => Reading;

interface Heard {
  readonly music: AskedMusic;
  readonly keys: readonly StruckKey[];
  readonly given: number | null;
}

/** The reading with one more cause, the best that there is; null where none makes it clearly cheaper. */
function better({ music, keys, given }: Heard, before: Reading, read: Read): Reading | null {
  const suspects = suspectsIn(laid(before.page.asPlayed, keys, before.alignment));
  const wanted = priceOf(before) - LEAST_GAIN;
  // Where it ends is found later: a bar too many makes it dearer for the time being.
  const tempo = tempoAround(before.page.asPlayed, keys, before.alignment, given);
  const tried = likelyCauses(before.page.asPlayed, keys, suspects, tempo)
    .slice(0, TRIED)
    .map((cause) => read([...before.causes, cause], priceOf(before)));
  const best = cheapest(tried);
  if (best === null || priceOf(best) > priceOf(before)) return null;
  const fitted = fittedEdges(music, best, read);
  return priceOf(fitted) <= wanted && isRight(music, keys, fitted) ? fitted : null;
}

function cheapest(readings: readonly Reading[]): Reading | null {
  return readings.reduce<Reading | null>(
    (best, one) => (best === null || priceOf(one) < priceOf(best) ? one : best),
    null,
  );
}

export function priceOf({ alignment, causes }: Reading): number {
  return causes.reduce((sum, { kind }) => sum + PRICE[kind], alignment.cost);
}

/** A bar more or less must make it cheaper by this much. */
const CLEARLY = 0.1;

const EDGES = [
  [-1, 0],
  [1, 0],
  [0, -1],
  [0, 1],
] as const;

/** The last cause of a reading over more or fewer bars, as long as that makes it cheaper. */
function fittedEdges(music: AskedMusic, reading: Reading, read: Read): Reading {
  let best = reading;
  for (let grown = true; grown;) {
    const wanted = priceOf(best) - CLEARLY;
    const cause = best.causes.at(-1) as Cause;
    const others = best.causes.slice(0, -1);
    const tried = EDGES.flatMap(([from, to]) => {
      const moved = { ...cause, from: cause.from + from, to: cause.to + to };
      const isThere = moved.from >= 0 && moved.to < music.bars.length && moved.from <= moved.to;
      return isThere ? [read([...others, moved], wanted)] : [];
    });
    const next = cheapest(tried);
    grown = next !== null && priceOf(next) <= wanted;
    if (next !== null && grown) best = next;
  }
  return best;
}

/** Whether the last cause of a reading explains what it is about: most of its notes come right by it. */
function isRight(music: AskedMusic, keys: readonly StruckKey[], { causes, page, alignment }: Reading): boolean {
  const cause = causes.at(-1) as Cause;
  const hand: Hand | null = cause.hand;
  const about = new Set(notesOfCause(music, cause.kind === 'one-hand' ? { ...cause, hand: other(hand) } : cause));
  const right = new Set<number>();
  alignment.fates.forEach(({ note }, key) => {
    if (note !== null && page.asPlayed.notes[note]?.midi === keys[key]?.midi) right.add(page.origins[note] as number);
  });
  const came = [...about].filter((note) => right.has(note)).length;
  return about.size > 0 && came >= RIGHT_SHARE * about.size;
}

function other(hand: Hand | null): Hand {
  return hand === 'right' ? 'left' : 'right';
}
