import type { PlacedPosition } from '../finger';
import { groupBy } from '../list';
import type { Flag } from '../flag';
import { namePrint, type PitchName } from '../pitch';
import type { Finger, Hand } from '../score';

/** A black key under a finger; null where the finger is not known. */
interface BlackKey {
  readonly key: PitchName;
  readonly finger: Finger | null;
}

/** The black keys of one hand from one bar to another. */
interface Stretch {
  readonly hand: Hand;
  readonly bars: readonly [string, string];
  readonly uses: readonly BlackKey[];
}

const HAND: Readonly<Record<Hand, string>> = { right: 'Right hand', left: 'Left hand' };

/** What moving did to the hands: the black keys and the fingers on them, or that all stays as it is. A sentence a hand,
 * or one for each stretch where the hand moves on to other keys. */
export function handsWords(after: readonly Stretch[], flags: readonly Flag[], before: readonly Stretch[]): readonly string[] {
  const isWhite = [...after, ...before].every(({ uses }) => uses.length === 0);
  if (isWhite && flags.every((flag) => flag.wasThere)) return ['All stays as it is: the same fingers, white keys only.'];
  const hands = groupBy(after, ({ hand }) => hand);
  return [...hands.values()].flatMap((stretches) =>
    stretches.map((stretch) => `${HAND[stretch.hand]}${stretches.length > 1 ? `, ${spanText(stretch.bars)}` : ''}: ${usesWords(stretch.uses)}.`),
  );
}

/** A stretch of bars for a sentence: `bar 3`, `bars 1–8`. */
export function spanText([from, to]: readonly [string, string]): string {
  return from === to ? `bar ${from}` : `bars ${from}–${to}`;
}

function usesWords(uses: readonly BlackKey[]): string {
  if (uses.length === 0) return 'white keys only';
  const known = uses.filter((use): use is BlackKey & { finger: Finger } => use.finger !== null);
  const unknown = uses.filter((use) => use.finger === null);
  const open = unknown.length > 0 ? [`${list([...new Set(unknown.map(({ key }) => namePrint(key)))])} without a printed finger`] : [];
  return [...keysWords(known), ...open].join('; ');
}

/** `F♯ and G♯ under 2 and 3`; where a key has several fingers or a finger several keys, key
 * by key: `E♭ under 1; A♭ under 3 and 4`. */
function keysWords(uses: readonly { readonly key: PitchName; readonly finger: Finger }[]): readonly string[] {
  const byKey = [...groupBy(uses, ({ key }) => namePrint(key))].map(([name, own]) => ({ name, fingers: own.map(({ finger }) => String(finger)).sort() }));
  if (byKey.length === 0) return [];
  const isOneEach = byKey.length === uses.length && new Set(uses.map(({ finger }) => finger)).size === uses.length;
  if (isOneEach) return [`${list(byKey.map(({ name }) => name))} under ${list(byKey.flatMap(({ fingers }) => fingers))}`];
  return byKey.map(({ name, fingers }) => `${name} under ${list(fingers)}`);
}

/** A position in words, told from the place before: `D position`, `E♭, open by one · 1 where 4 was`. */
export function positionWords(placed: PlacedPosition, before: PlacedPosition | undefined): string {
  const { spread } = placed.position;
  const shape = spread === 0 ? `${namePrint(placed.name)} position` : `${namePrint(placed.name)}, open by ${COUNTS[spread] ?? spread}`;
  return before ? `${shape} · ${moveWords(placed, before)}` : shape;
}

const COUNTS = ['none', 'one', 'two', 'three', 'four'];

/** Where the hand goes, told from where it was: "put 1 where 4 was" (handbook, positions and moves). */
function moveWords(placed: PlacedPosition, before: PlacedPosition): string {
  const steps = placed.position.lowest - before.position.lowest;
  if (steps === 0) return before.position.spread > placed.position.spread ? 'the hand closes again' : 'the hand opens';
  if (Math.abs(steps) === 7) return `the same place an octave ${steps > 0 ? 'higher' : 'lower'}`;
  const isOpen = placed.position.spread > 0 || before.position.spread > 0;
  if (isOpen || Math.abs(steps) > 4) return `${letters(Math.abs(steps))} ${steps > 0 ? 'higher' : 'lower'}`;
  const isRight = placed.position.hand === 'right';
  // The finger that leads the way is the one at the side the hand came from.
  const lands = steps > 0 === isRight ? 1 : 5;
  const was = lands === 1 ? 1 + Math.abs(steps) : 5 - Math.abs(steps);
  return `${lands} where ${was} was`;
}

function letters(count: number): string {
  return count === 1 ? 'one letter' : `${COUNTS[count] ?? count} letters`;
}

function list(items: readonly string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;
}
