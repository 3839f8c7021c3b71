import { type Language } from '../explain';
import { sourcesIn } from './finger-sources';
import { isBlackKey } from '../keyboard';

import type { Finger, Hand, HandNote } from '../score';
import type { Version } from '../piece';

/** A position as the Bench lists it. `onBlack` are the fingers that rest on black keys. */
export interface PositionView {
  readonly hand: Hand;
  readonly name: string;
  readonly kind: 'closed' | 'extended' | 'crossed';
  readonly words: string;
  /** The same in parts: its name and kind (`short` where there is little room), the move that leads there, why the hand is there already. */
  readonly place: string;
  readonly short: string;
  readonly move: string | null;
  readonly ahead: string | null;
  readonly bars: readonly [string, string];
  readonly noteIds: readonly string[];
  readonly keys: readonly (string | null)[];
  readonly onBlack: readonly Finger[];
  /** Where its fingers come from: `as printed`, `planned`. */
  readonly source: string;
}

/** Where the hands sit, right hand first, each position told from the one before. */
export function positionViews(language: Language, version: Version): readonly PositionView[] {
  const says = language.inKey(version.key);
  const sourceOf = sourcesIn(says, version);
  return version.positions.map((placed, i) => {
    const before = version.positions[i - 1];
    const isMove = before?.position.hand === placed.position.hand;
    return {
      hand: placed.position.hand,
      name: says.place(placed.name),
      kind: placed.kind,
      words: says.positionWords(placed, isMove ? before : undefined),
      ...says.positionParts(placed, isMove ? before : undefined),
      bars: [placed.notes[0]?.bar ?? '', placed.notes.at(-1)?.bar ?? ''],
      noteIds: placed.notes.map(({ id }) => id),
      keys: placed.keys.map((key) => key && says.pitch(key)),
      onBlack: blackFingersOf(placed.notes, placed.position.fingers),
      source: sourceOf(placed.notes.map(({ id }) => id)),
    };
  });
}

function blackFingersOf(notes: readonly HandNote[], fingers: ReadonlyMap<string, Finger>): readonly Finger[] {
  const found = notes.filter(({ midi }) => isBlackKey(midi)).flatMap(({ id }) => fingers.get(id) ?? []);
  return [...new Set(found)].sort((a, b) => a - b);
}
