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
}

export const NOT_BEGUN: Followed = { at: 0, struck: [], lit: [] };

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
    return { at: isComplete ? at + 1 : at, struck: isComplete ? [] : now, lit: [...before.lit, key.id] };
  }
  return before;
}
