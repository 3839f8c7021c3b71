import type { Moment } from '@/core/views';
import type { Hand } from '@/core/score';

/** What is to be struck at one time, as the page shows it. */
export interface WantedMoment {
  readonly bar: string;
  readonly beat: number;
  readonly keys: readonly { readonly id: string; readonly midi: number; readonly name: string }[];
}

/** Where the player is: the moment that comes next, what was struck of it, and all notes that were struck so far. */
export interface Followed {
  readonly at: number;
  readonly struck: readonly string[];
  readonly lit: readonly string[];
  /** The stroke that was heard last, and whether its moment is complete; null where keys are not heard but felt. */
  readonly heard: { readonly atMs: number; readonly isComplete: boolean } | null;
}

export const NOT_BEGUN: Followed = { at: 0, struck: [], lit: [], heard: null };

/** What a hand or both strike of these moments, one after the other. */
export function wantedMoments(moments: readonly Moment[], hand: Hand | 'both'): readonly WantedMoment[] {
  return moments
    .map(({ bar, beat, keys }) => ({
      bar,
      beat,
      keys: keys
        .filter((key) => key.isStruck && (hand === 'both' || key.hand === hand))
        .map(({ noteId, midi, name }) => ({ id: noteId, midi, name })),
    }))
    .filter(({ keys }) => keys.length > 0);
}

/** How a player is followed: `waiting` goes on only when a moment is complete; `along` finds the key among those that come soon. */
export type Following = 'waiting' | 'along';

/** So many moments ahead a key is looked for. */
const AHEAD = 3;

/** One more key. What it is not meant for changes nothing. */
export function followKey(moments: readonly WantedMoment[], before: Followed, midi: number, how: Following): Followed {
  const end = before.at + (how === 'waiting' ? 1 : AHEAD);
  for (let at = before.at; at < Math.min(end, moments.length); at += 1) {
    const struck = at === before.at ? before.struck : [];
    const key = moments[at]?.keys.find((one) => one.midi === midi && !struck.includes(one.id));
    if (!key) continue;
    const now = [...struck, key.id];
    const isComplete = moments[at]?.keys.length === now.length;
    return { at: isComplete ? at + 1 : at, struck: isComplete ? [] : now, lit: [...before.lit, key.id], heard: null };
  }
  return before;
}

/** A key as an ear heard it: when, in ms, and how likely, as log odds. */
export interface HeardKey {
  readonly midi: number;
  readonly atMs: number;
  readonly odds: number;
}

/** So likely a key that is waited for must have been struck to be lit, and any other. Unit: log odds. */
const LIGHTS = -2;
const LIKELY = 0;
/** What is heard within so much is one stroke. Unit: ms. */
const ONE_STROKE_MS = 60;

/** One more key, as it was heard: one stroke lights one moment, and a key that comes later must be likely by itself, or the shadow of a note would be taken
 * for the next one. */
export function followHeard(
  moments: readonly WantedMoment[],
  before: Followed,
  { midi, atMs, odds }: HeardKey,
  how: Following,
): Followed {
  if (odds < LIGHTS) return before;
  const isSameStroke = before.heard !== null && Math.abs(atMs - before.heard.atMs) < ONE_STROKE_MS;
  if (isSameStroke && before.heard.isComplete) return before;
  const after = followKey(moments, before, midi, odds < LIKELY ? 'waiting' : how);
  return after === before ? before : { ...after, heard: { atMs, isComplete: after.struck.length === 0 } };
}
