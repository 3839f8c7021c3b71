import { shortened, type Language } from '../explain';
import { memoLast, type Fault, type Remark, type Result } from '../base';
import { sameKey, type Key, type Mode } from '../pitch';
import { SEVERITIES, type Flag, type Severity } from '../flags';
import type { Hand } from '../score';
import { inOrder, keyFacts, ladderKeys, type KeyFacts, type KeyOrder } from '../survey';
import { asWritten, moveTo, type MoveOptions, type OpenedPiece, type Version } from '../piece';
import { keyView, remarkView, type KeyView, type RemarkView } from './key-and-remark';

/** What the screens tell of a key of the ladder. */
export interface KeyFactsView extends KeyView, Omit<KeyFacts, 'reasons' | 'positions' | 'register'> {
  /** The names of the positions of each hand, in order. */
  readonly positions: Readonly<Record<Hand, readonly string[]>>;
  /** The lowest and the highest note of each hand, as `C4`. */
  readonly register: Readonly<Record<Hand, { readonly low: string; readonly high: string } | null>>;
  /** The make-up of the effort in words, the weightiest first. */
  readonly why: readonly string[];
  readonly forcedChanges: number;
  readonly flags: Readonly<Record<Severity, number>>;
  /** Why the key is left out for now; null where it is not. */
  readonly leaveOut: string | null;
}

/** One key of the ladder, with its place. */
export interface LadderKey extends KeyFactsView {
  readonly rank: number;
}

/** A key in which the piece cannot be written, with the reason. */
export interface UnwritableKey extends KeyView {
  readonly words: string;
}

/** The keys of a mode: those that can be written, in order, and those that cannot. */
export interface Ladder {
  readonly piece: { readonly title: string; readonly bars: number; readonly hands: readonly Hand[] };
  readonly from: KeyView;
  readonly remarks: readonly RemarkView[];
  readonly keys: readonly LadderKey[];
  readonly unwritable: readonly UnwritableKey[];
}

/** The fifteen keys of a mode, best first. */
export function ladderOf(
  says: Language,
  piece: OpenedPiece,
  options: Omit<MoveOptions, 'to'>,
  { order, mode = piece.key.key.mode }: { readonly order: KeyOrder; readonly mode?: Mode | undefined },
): Ladder {
  return ladderFrom(
    says,
    piece,
    ladderKeys(piece, mode).map((key) => rungIn(says, piece, options, key)),
    order,
  );
}

/** What a key is like: one step of the work behind a ladder. */
export function rungIn(says: Language, piece: OpenedPiece, options: Omit<MoveOptions, 'to'>, key: Key): Rung {
  const version = sameKey(key, piece.key.key)
    ? inOwnKey(piece, options)
    : moveTo(piece, asWritten(piece, options.player, options.keyboard), { ...options, to: key }, 'counted');
  if (!version.ok) return { kind: 'unwritable', key, words: says.faultWords(version.error).message };
  const own = inOwnKey(piece, options);
  return rungOf(says, key, version.value, own.ok ? own.value : version.value);
}

/** The piece planned in its own key, with which its other keys are compared. */
const inOwnKey = memoLast((piece: OpenedPiece, options: Omit<MoveOptions, 'to'>): Result<Version, Fault> =>
  moveTo(piece, asWritten(piece, options.player, options.keyboard), { ...options, to: piece.key.key }, 'counted'),
);

/** Puts keys that were worked out into order. */
export function ladderFrom(says: Language, piece: OpenedPiece, found: readonly Rung[], order: KeyOrder): Ladder {
  const own = piece.key.key;
  const written = found.flatMap((rung) => (rung.kind === 'written' ? [rung] : []));
  const ranked = inOrder(
    written.map(({ key, facts }) => ({ key, facts, effort: facts.effort, isLeftOut: facts.leaveOut !== null })),
    order,
    own,
  );
  return {
    piece: { title: shortened(piece.score.title), bars: piece.part.measures.length, hands: piece.hands },
    from: keyView(own),
    remarks: piece.remarks.map((one) => remarkView(says, one)),
    keys: ranked.map(({ facts }, i) => ({ ...facts, rank: i + 1 })),
    unwritable: found.flatMap((rung) =>
      rung.kind === 'unwritable' ? [{ ...keyView(rung.key), words: rung.words }] : [],
    ),
  };
}

/** A key with what is known of it. */
export type Rung =
  | { readonly kind: 'written'; readonly key: Key; readonly facts: KeyFactsView }
  | { readonly kind: 'unwritable'; readonly key: Key; readonly words: string };

function rungOf(says: Language, key: Key, version: Version, own: Version): Rung {
  const count = (severity: Severity): number => version.flags.filter((flag) => flag.severity === severity).length;
  const [must, should, watch] = SEVERITIES.map(count) as [number, number, number];
  const { reasons, effort, effortParts, positions, register, ...facts } = keyFacts(version, own);
  const registerOf = (hand: Hand): { readonly low: string; readonly high: string } | null => {
    const range = register[hand];
    return range && { low: says.pitch(range.low), high: says.pitch(range.high) };
  };
  const { fingers, moves, openings } = facts.forced;
  return {
    kind: 'written',
    key,
    facts: {
      ...keyView(key),
      effort,
      effortParts,
      why: says.inKey(key).effortWords(reasons),
      ...facts,
      positions: { right: positions.right.map(says.place), left: positions.left.map(says.place) },
      register: { right: registerOf('right'), left: registerOf('left') },
      forcedChanges: fingers + moves + openings,
      flags: { must, should, watch },
      leaveOut: leaveOutOf(says, key, version.flags) ?? notPlayable(says, version, own),
    },
  };
}

function leaveOutOf(says: Language, key: Key, flags: readonly Flag[]): string | null {
  const avoided = flags.filter(
    ({ evidence, severity }) =>
      severity === 'should' && (evidence.kind === 'thumb-on-black' || evidence.kind === 'fifth-on-black'),
  );
  return avoided.length === 0 ? null : says.leaveOutWords(key.tonic, [...new Set(avoided.map(({ hand }) => hand))]);
}

/** Why a key is left out in which a hand cannot play, while both can in the piece's own: with the smallest way out. */
function notPlayable(says: Language, { remarks }: Version, own: Version): string | null {
  const isHindered = (one: Remark): boolean => one.code === 'not-playable';
  const found = own.remarks.some(isHindered) ? undefined : remarks.find(isHindered);
  return found ? says.remarkWords(found) : null;
}
