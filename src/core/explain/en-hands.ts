import type { PlacedPosition } from '../finger';
import { groupBy } from '../list';
import type { Flag } from '../flag';
import { isBlackKey } from '../keyboard';
import { diatonicNumber, namePrint, pitchPrint, type PitchName } from '../pitch';
import type { Finger, Hand, HandNote } from '../score';
import { barsText, countWord, listed } from './en-common';

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

/** Where fingers and positions change, in a sentence each; nothing where all fingers stay. */
export function changesWords(flags: readonly Flag[]): readonly string[] {
  const told = flags.filter(({ evidence }) => evidence.kind === 'finger-change' || (evidence.kind === 'position-change' && evidence.because === 'black-keys'));
  const groups = groupBy(told, ({ evidence, hand, byBlackKey }) => `${hand}/${evidence.kind}/${byBlackKey}`);
  return [...groups.values()].map((group) => {
    const { evidence, hand, byBlackKey } = group[0] as Flag;
    const bars = barsText([...new Set(group.flatMap((flag) => flag.bars))]);
    if (evidence.kind === 'position-change') return `${HAND[hand]}: moves in ${bars}, where it would stay on white keys.`;
    const isProposed = evidence.kind === 'finger-change' && !evidence.isApplied;
    return `${HAND[hand]}: other fingers ${isProposed ? 'would lie better ' : ''}in ${bars}${byBlackKey ? ', because of black keys' : ''}.`;
  });
}

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
  const open = unknown.length > 0 ? [`${listed([...new Set(unknown.map(({ key }) => namePrint(key)))])} without a printed finger`] : [];
  return [...keysWords(known), ...open].join('; ');
}

/** `F♯ and G♯ under 2 and 3`; where a key has several fingers or a finger several keys, key
 * by key: `E♭ under 1; A♭ under 3 and 4`. */
function keysWords(uses: readonly { readonly key: PitchName; readonly finger: Finger }[]): readonly string[] {
  const byKey = [...groupBy(uses, ({ key }) => namePrint(key))].map(([name, own]) => ({ name, fingers: own.map(({ finger }) => String(finger)).sort() }));
  if (byKey.length === 0) return [];
  const isOneEach = byKey.length === uses.length && new Set(uses.map(({ finger }) => finger)).size === uses.length;
  if (isOneEach) return [`${listed(byKey.map(({ name }) => name))} under ${listed(byKey.flatMap(({ fingers }) => fingers))}`];
  return byKey.map(({ name, fingers }) => `${name} under ${listed(fingers)}`);
}

/** A position in parts: its name and kind, the move that leads to it (null where the hand begins), and why it is there already. */
export interface PositionParts {
  readonly place: string;
  readonly move: string | null;
  readonly ahead: string | null;
}

/** A position in words, told from the place before. */
export function positionParts(placed: PlacedPosition, before: PlacedPosition | undefined): PositionParts {
  const { spread } = placed.position;
  return {
    place: spread === 0 ? `${namePrint(placed.name)} position` : `${namePrint(placed.name)}, open by ${countWord(spread)}`,
    move: before ? `${moveWords(placed, before)}${timeWords(placed)}` : null,
    ahead: aheadWords(placed),
  };
}

/** The same in one line: `D position`, `E♭, open by one · 1 where 4 was, in the rest`. */
export function positionWords(placed: PlacedPosition, before: PlacedPosition | undefined): string {
  const { place, move, ahead } = positionParts(placed, before);
  return [place, move, ahead].filter((part) => part !== null).join(' · ');
}

/** Where the hand goes, told from where it was: "put 1 where 4 was" (handbook, positions and moves). */
function moveWords(placed: PlacedPosition, before: PlacedPosition): string {
  const steps = placed.position.lowest - before.position.lowest;
  const landing = placed.notes[0] as HandNote;
  const finger = placed.position.fingers.get(landing.id);
  const onBlack = finger !== undefined && isBlackKey(landing.midi) ? `, ${finger} lands on ${namePrint(landing.pitch)}` : '';
  if (placed.position.arrival?.join === 'pass') return `${finger === 1 ? 'thumb under' : `${finger ?? 'finger'} over`}${onBlack}`;
  if (steps === 0) return before.position.spread > placed.position.spread ? 'the hand closes again' : 'the hand opens';
  if (Math.abs(steps) === 7) return `the same place an octave ${steps > 0 ? 'higher' : 'lower'}`;
  const isOpen = placed.position.spread > 0 || before.position.spread > 0;
  if (isOpen || Math.abs(steps) > 4) return `${letters(Math.abs(steps))} ${steps > 0 ? 'higher' : 'lower'}${onBlack}`;
  const isRight = placed.position.hand === 'right';
  // The finger that leads the way is the one at the side the hand came from.
  const lands = steps > 0 === isRight ? 1 : 5;
  const was = lands === 1 ? 1 + Math.abs(steps) : 5 - Math.abs(steps);
  return `${lands} where ${was} was${onBlack}`;
}

/** How much time there is for a move. The limits are those of the planner's bonds. */
function timeWords({ position: { arrival } }: PlacedPosition): string {
  if (!arrival) return '';
  if (arrival.join === 'change') return ', on the repeated key';
  if (arrival.bond <= 0.2) return ', in the rest';
  if (arrival.bond <= 0.4) return ', at the end of the phrase';
  if (arrival.bond < 1) return ', after a long or a detached note';
  return arrival.join === 'pass' ? '' : ', without a break';
}

/** Why the hand sits here already: a note that comes only in a later bar. A closed hand is tied to its place by its outermost letters. */
function aheadWords({ position, notes, name }: PlacedPosition): string | null {
  if (position.spread > 0 || notes.length === 0) return null;
  const letterOf = (note: HandNote): number => diatonicNumber(note.pitch);
  const all = notes.map(letterOf);
  if (Math.max(...all) - Math.min(...all) !== CLOSED_LETTERS) return null;
  const decides = notes.findIndex((_, i) => Math.max(...all.slice(0, i + 1)) - Math.min(...all.slice(0, i + 1)) === CLOSED_LETTERS);
  const [first, decisive] = [notes[0] as HandNote, notes[decides] as HandNote];
  const isThereAtOnce = letterOf(first) === Math.min(...all) || letterOf(first) === Math.max(...all);
  if (decisive.barIndex === first.barIndex || isThereAtOnce) return null;
  return `sits at ${namePrint(name)} from bar ${first.bar} because of ${namePrint(decisive.pitch)} in bar ${decisive.bar}`;
}

/** Letters between the outer fingers of a closed hand. */
const CLOSED_LETTERS = 4;

function letters(count: number): string {
  return count === 1 ? 'one letter' : `${countWord(count)} letters`;
}

/** Where both hands sit over the same keys: `Both hands share middle C in bars 1–8`. */
export function sharedPlaceWords(positions: readonly PlacedPosition[]): readonly string[] {
  const ofHand = (hand: Hand): readonly PlacedPosition[] => positions.filter(({ position }) => position.hand === hand);
  const shared = ofHand('right').flatMap((right) => ofHand('left').flatMap((left) => sharedKeys(right, left)));
  return [...groupBy(shared, ({ keys }) => keys).values()].map((group) => {
    const bars = [...new Set(group.map(({ bar }) => bar))];
    return `Both hands lie over ${group[0]?.keys} (${barsText(bars)}): one has to make room where both want it.`;
  });
}

function sharedKeys(right: PlacedPosition, left: PlacedPosition): readonly { readonly keys: string; readonly bar: string }[] {
  const [from, to] = [Math.max(start(right), start(left)), Math.min(end(right), end(left))];
  if (from >= to) return [];
  const common = right.keys.flatMap((key, i) => (key && left.frame.includes(right.frame[i] ?? null) ? [pitchPrint(key)] : []));
  const later = start(right) >= start(left) ? right : left;
  return common.length === 0 ? [] : [{ keys: listed(common), bar: later.notes[0]?.bar ?? '' }];
}

function start({ notes }: PlacedPosition): number {
  return notes[0]?.onset ?? 0;
}

function end({ notes }: PlacedPosition): number {
  return Math.max(...notes.map(({ onset, duration }) => onset + duration));
}
