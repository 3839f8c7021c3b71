import type { PlacedPosition } from '../finger';
import { groupBy } from '../list';
import type { Flag } from '../flag';
import { namePrint, type PitchName } from '../pitch';
import type { Finger, Hand } from '../score';

/** A black key under a finger; null where the finger is not known. */
interface BlackKey {
  readonly hand: Hand;
  readonly key: PitchName;
  readonly finger: Finger | null;
}

const HAND: Readonly<Record<Hand, string>> = { right: 'Right hand', left: 'Left hand' };

/** What moving did to the hands, a sentence each: the black keys and the fingers on them, or that all stays as it is. */
export function handsWords(
  hands: readonly Hand[],
  after: readonly BlackKey[],
  flags: readonly Flag[],
  before: readonly BlackKey[],
): readonly string[] {
  const isSame = after.length === 0 && before.length === 0 && flags.every((flag) => flag.wasThere);
  if (isSame) return ['All stays as it is: the same fingers, white keys only.'];
  return hands.map((hand) => handWords(hand, after.filter((use) => use.hand === hand)));
}

function handWords(hand: Hand, uses: readonly BlackKey[]): string {
  if (uses.length === 0) return `${HAND[hand]}: white keys only.`;
  const known = uses.filter((use): use is BlackKey & { finger: Finger } => use.finger !== null);
  const unknown = uses.filter((use) => use.finger === null);
  const keys = keysWords(known);
  const open = unknown.length > 0 ? [`${list([...new Set(unknown.map(({ key }) => namePrint(key)))])} without a printed finger`] : [];
  return `${HAND[hand]}: ${[...keys, ...open].join('; ')}.`;
}

/** `F♯ and G♯ under 2 and 3`; where a key has several fingers, key by key: `E♭ under 1; A♭ under 3 and 4`. */
function keysWords(uses: readonly { readonly key: PitchName; readonly finger: Finger }[]): readonly string[] {
  const byKey = [...groupBy(uses, ({ key }) => namePrint(key))].map(([name, own]) => ({ name, fingers: own.map(({ finger }) => String(finger)).sort() }));
  if (byKey.length === 0) return [];
  const isOneEach = byKey.every(({ fingers }) => fingers.length === 1);
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
