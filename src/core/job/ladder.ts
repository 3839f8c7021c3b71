import { faultWords } from '../explain';
import type { Fault, Result } from '../result';
import { fifteenKeys, sameKey, signatureOf, signaturesAround, type Key, type Mode } from '../pitch';
import { SEVERITIES, type Flag, type Severity } from '../flag';
import { inOrder, leaveOutReason, type KeyOrder } from '../survey';
import { keyFacts, type KeyFacts } from './key-facts';
import { asWritten, moveTo, type OpenedPiece, type Version, type Wish } from './open-piece';
import { reportKey, reportRemark, type Report, type ReportKey, type ReportRemark } from './report';

/** One key of the ladder. */
export interface LadderKey extends ReportKey, KeyFacts {
  readonly rank: number;
  readonly forcedChanges: number;
  readonly flags: Readonly<Record<Severity, number>>;
  readonly leaveOut: string | null;
}

/** What the scripting interface promises to send for `ladder`. */
export interface Ladder {
  readonly piece: Report['piece'];
  readonly from: ReportKey;
  readonly remarks: readonly ReportRemark[];
  readonly keys: readonly LadderKey[];
}

/** The fifteen keys of a mode, best first. Keys that cannot be written at all are left out with the reason. */
export function ladderOf(piece: OpenedPiece, wish: Omit<Wish, 'to'>, order: KeyOrder, mode: Mode = piece.key.key.mode): Ladder {
  return ladderFrom(piece, ladderKeys(piece, mode).map((key) => rungIn(piece, wish, key)), order);
}

/** The keys of a ladder in the order in which they are worked out: the piece's own first, then its neighbours. */
export function ladderKeys(piece: OpenedPiece, mode: Mode): readonly Key[] {
  const order = signaturesAround(signatureOf(piece.key.key));
  return fifteenKeys(mode).toSorted((a, b) => order.indexOf(signatureOf(a)) - order.indexOf(signatureOf(b)));
}

/** What a key is like: one step of the work behind a ladder. */
export function rungIn(piece: OpenedPiece, wish: Omit<Wish, 'to'>, key: Key): Rung {
  const version = sameKey(key, piece.key.key) ? inOwnKey(piece, wish) : moveTo(piece, asWritten(piece, wish.player, wish.keyboard), { ...wish, to: key }, 'counted');
  if (!version.ok) return unwritableRung(key, version.error);
  const own = inOwnKey(piece, wish);
  return rungOf(key, version.value, own.ok ? own.value : version.value);
}

/** The piece planned in its own key, with which its other keys are compared. It is a memory only: the same comes out each time. */
const ownKeys = new WeakMap<OpenedPiece, { readonly wish: Omit<Wish, 'to'>; readonly version: Result<Version, Fault> }>();

function inOwnKey(piece: OpenedPiece, wish: Omit<Wish, 'to'>): Result<Version, Fault> {
  const known = ownKeys.get(piece);
  if (known?.wish === wish) return known.version;
  const version = moveTo(piece, asWritten(piece, wish.player, wish.keyboard), { ...wish, to: piece.key.key }, 'counted');
  ownKeys.set(piece, { wish, version });
  return version;
}

/** Puts keys that were worked out into order. */
export function ladderFrom(piece: OpenedPiece, found: readonly Rung[], order: KeyOrder): Ladder {
  const own = piece.key.key;
  const ranked = inOrder(found.map((rung) => ({ ...rung, effort: rung.facts.effort, leaveOut: rung.facts.leaveOut })), order, own);
  return {
    piece: { title: piece.score.title, bars: piece.part.measures.length, hands: piece.hands },
    from: reportKey(own),
    remarks: piece.remarks.map(reportRemark),
    keys: ranked.map(({ facts }, i) => ({ ...facts, rank: i + 1 })),
  };
}

/** A key with what is known of it. */
export interface Rung {
  readonly key: Key;
  readonly facts: Omit<LadderKey, 'rank'>;
}

function rungOf(key: Key, version: Version, own: Version): Rung {
  const count = (severity: Severity): number => version.flags.filter((flag) => flag.severity === severity).length;
  const [must, should, watch] = SEVERITIES.map(count) as [number, number, number];
  const facts = keyFacts(version, own);
  const { fingers, moves, openings } = facts.forced;
  return {
    key,
    facts: { ...reportKey(key), ...facts, forcedChanges: fingers + moves + openings, flags: { must, should, watch }, leaveOut: leaveOutOf(key, version.flags) },
  };
}

/** More effort than any key that can be written. */
const UNWRITABLE_EFFORT = 1000;

function unwritableRung(key: Key, fault: Fault): Rung {
  const { message } = faultWords(fault);
  return {
    key,
    facts: {
      ...reportKey(key),
      effort: UNWRITABLE_EFFORT,
      effortParts: [],
      why: [message],
      blackFingers: { right: [], left: [] },
      positions: { right: [], left: [] },
      positionChanges: 0,
      moreMoves: 0,
      forced: { fingers: 0, moves: 0, openings: 0 },
      reading: { signs: signatureOf(key), accidentals: 0, ledgerLines: 0 },
      reachMm: { right: null, left: null },
      register: { right: null, left: null },
      forcedChanges: 0,
      flags: { must: 0, should: 0, watch: 0 },
      leaveOut: message,
    },
  };
}

function leaveOutOf(key: Key, flags: readonly Flag[]): string | null {
  const avoided = flags.filter(
    ({ evidence, severity }) => severity === 'should' && (evidence.kind === 'thumb-on-black' || evidence.kind === 'fifth-on-black'),
  );
  return avoided.length === 0 ? null : leaveOutReason(key.tonic, [...new Set(avoided.map(({ hand }) => hand))]);
}
