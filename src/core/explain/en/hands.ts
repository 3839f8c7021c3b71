import { assertNever, groupBy } from '../../base';
import {
  decidedAhead,
  moveTime,
  positionMove,
  type BlackLanding,
  type MoveTime,
  type PlacedPosition,
  type PositionMove,
  type SharedKeys,
} from '../../fingering';
import type { Flag } from '../../flags';
import { type PitchName } from '../../pitch';
import type { Finger, Hand } from '../../score';
import { barsText, capital, countWord, HAND, listed } from './common';
import type { Terms } from './terms';

/** A black key under a finger; null where the finger is not known. */
interface BlackKey {
  readonly key: PitchName;
  readonly finger: Finger | null;
}

/** The black keys of one hand from one bar to another. */
interface BlackRun {
  readonly hand: Hand;
  readonly bars: readonly [string, string];
  readonly uses: readonly BlackKey[];
}

/** Where fingers and positions change, in a sentence each; nothing where all fingers stay. */
export function changesWords(t: Terms, flags: readonly Flag[]): readonly string[] {
  const told = flags.filter(
    ({ evidence }) =>
      evidence.kind === 'finger-change' || (evidence.kind === 'position-change' && evidence.because === 'black-keys'),
  );
  const groups = groupBy(told, ({ evidence, hand, byBlackKey }) => `${hand}/${evidence.kind}/${byBlackKey}`);
  return [...groups.values()].map((group) => {
    const { evidence, hand, byBlackKey } = group[0] as Flag;
    const bars = barsText(t, [...new Set(group.flatMap((flag) => flag.bars))]);
    if (evidence.kind === 'position-change')
      return `${capital(HAND[hand])}: moves in ${bars}, where it would stay on white keys.`;
    const isProposed = evidence.kind === 'finger-change' && !evidence.isApplied;
    return `${capital(HAND[hand])}: other fingers ${isProposed ? 'would lie better ' : ''}in ${bars}${byBlackKey ? ', because of black keys' : ''}.`;
  });
}

/** What moving did to the hands: the black keys and the fingers on them, or that all stays as it is. A sentence a hand,
 * or one for each stretch where the hand moves on to other keys. */
export function handsWords(
  t: Terms,
  after: readonly BlackRun[],
  flags: readonly Flag[],
  before: readonly BlackRun[],
): readonly string[] {
  const isWhite = [...after, ...before].every(({ uses }) => uses.length === 0);
  if (isWhite && flags.every((flag) => flag.wasThere))
    return ['All stays as it is: the same fingers, white keys only.'];
  const hands = groupBy(after, ({ hand }) => hand);
  return [...hands.values()].flatMap((stretches) =>
    stretches.map(
      (stretch) =>
        `${capital(HAND[stretch.hand])}${stretches.length > 1 ? `, ${spanText(t, stretch.bars)}` : ''}: ${usesWords(t, stretch.uses)}.`,
    ),
  );
}

/** A stretch of bars for a sentence: `bar 3`, `bars 1–8`. */
export function spanText(t: Terms, [from, to]: readonly [string, string]): string {
  return from === to ? `${t.bar} ${from}` : `${t.bars} ${from}–${to}`;
}

function usesWords(t: Terms, uses: readonly BlackKey[]): string {
  if (uses.length === 0) return 'white keys only';
  const known = uses.filter((use): use is BlackKey & { finger: Finger } => use.finger !== null);
  const unknown = uses.filter((use) => use.finger === null);
  const open =
    unknown.length > 0
      ? [`${listed([...new Set(unknown.map(({ key }) => t.name(key)))])} without a printed finger`]
      : [];
  return [...keysWords(t, known), ...open].join('; ');
}

/** `F♯ and G♯ under 2 and 3`; where a key has several fingers or a finger several keys, key
 * by key: `E♭ under 1; A♭ under 3 and 4`. */
function keysWords(t: Terms, uses: readonly { readonly key: PitchName; readonly finger: Finger }[]): readonly string[] {
  const byKey = [...groupBy(uses, ({ key }) => t.name(key))].map(([name, own]) => ({
    name,
    fingers: own.map(({ finger }) => String(finger)).sort(),
  }));
  if (byKey.length === 0) return [];
  const isOneEach = byKey.length === uses.length && new Set(uses.map(({ finger }) => finger)).size === uses.length;
  if (isOneEach)
    return [`${listed(byKey.map(({ name }) => name))} under ${listed(byKey.flatMap(({ fingers }) => fingers))}`];
  return byKey.map(({ name, fingers }) => `${name} under ${listed(fingers)}`);
}

/** A position in parts: its name and kind (`name` where there is little room), the move that leads to it (null where the hand begins), and why it is
 * there already. */
export interface PositionParts {
  readonly place: string;
  readonly short: string;
  readonly move: string | null;
  readonly ahead: string | null;
}

/** A position in words, told from the place before. */
export function positionParts(t: Terms, placed: PlacedPosition, before: PlacedPosition | undefined): PositionParts {
  const name = t.place(placed.name);
  const reaching = reachWords(t, placed);
  return {
    place: reaching === null ? `${name} position` : `${name} position, ${reaching}`,
    short: reaching === null ? name : `${name}, ${reaching}`,
    move: before ? `${moveWords(t, positionMove(before, placed))}${timeWords(placed)}` : null,
    ahead: aheadWords(t, placed),
  };
}

/** More fingers than these are told by how far the hand opens. */
const MOST_REACHES = 2;

/** How an open hand opens: `5 reaches B`; null where it is closed. */
function reachWords(t: Terms, { position: { spread }, reaches }: PlacedPosition): string | null {
  if (spread === 0) return null;
  if (reaches.length === 0 || reaches.length > MOST_REACHES) return `open by ${countWord(spread)}`;
  return listed(reaches.map(({ finger, key }) => `${finger} reaches ${t.name(key)}`));
}

/** The same in one line: `D position`, `E♭ position, 5 reaches D · 1 where 4 was, in the rest`. */
export function positionWords(t: Terms, placed: PlacedPosition, before: PlacedPosition | undefined): string {
  const { place, move, ahead } = positionParts(t, placed, before);
  return [place, move, ahead].filter((part) => part !== null).join(' · ');
}

/** How a hand gets from one position to the next. */
export function moveWords(t: Terms, move: PositionMove): string {
  switch (move.kind) {
    case 'crossing':
      return `${move.finger === 1 ? `${t.finger(1)} under` : `${move.finger ?? 'finger'} over`}${landingWords(t, move.landing)}`;
    case 'closes':
      return 'the hand closes again';
    case 'opens':
      return 'the hand opens';
    case 'octave':
      return `the same place an octave ${move.direction === 'up' ? 'higher' : 'lower'}`;
    case 'letters':
      return `${letters(Math.abs(move.letters))} ${move.letters > 0 ? 'higher' : 'lower'}${landingWords(t, move.landing)}`;
    case 'finger-for-finger':
      return `${move.finger} where ${move.was} was${landingWords(t, move.landing)}`;
    default:
      return assertNever(move);
  }
}

function landingWords(t: Terms, landing: BlackLanding | null): string {
  return landing ? `, ${landing.finger} lands on ${t.name(landing.key)}` : '';
}

const TIMES: Readonly<Record<MoveTime, string>> = {
  'repeated-key': ', on the repeated key',
  rest: ', in the rest',
  'phrase-end': ', at the end of the phrase',
  gap: ', after a long or a detached note',
  none: ', without a break',
};

/** How much time there is for a move. That a crossing has none goes without saying. */
function timeWords(placed: PlacedPosition): string {
  const time = moveTime(placed);
  if (time === null) return '';
  return time === 'none' && placed.position.arrival?.transition === 'pass' ? '' : TIMES[time];
}

function aheadWords(t: Terms, placed: PlacedPosition): string | null {
  const ahead = decidedAhead(placed);
  if (!ahead) return null;
  return `sits at ${t.place(placed.name)} from ${t.bar} ${ahead.first.bar} because of ${t.name(ahead.by.pitch)} in ${t.bar} ${ahead.by.bar}`;
}

function letters(count: number): string {
  return count === 1 ? 'one letter' : `${countWord(count)} letters`;
}

/** Where both hands sit over the same keys: `Both hands lie over C4 (bars 1 and 8): one has to make room …`. */
export function sharedPlaceWords(t: Terms, shared: readonly SharedKeys[]): readonly string[] {
  return [...groupBy(shared, ({ keys }) => listed(keys.map(t.pitch)))].map(
    ([keys, group]) =>
      `Both hands lie over ${keys} (${barsText(t, [...new Set(group.map(({ bar }) => bar))])}): one has to make room where both want it.`,
  );
}
