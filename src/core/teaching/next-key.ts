import { hasMinorThird, keyText, parseKey, pitchClass, signatureOf, type Key, type Mode } from '../pitch';
import { fiveFingers } from '../reference';
import type { Finger, Hand } from '../score';
import {
  effortOf as sumOf,
  effortParts,
  inOrder,
  inOwnOrder,
  type FitKey,
  type KeyOrder,
  type PieceFit,
} from '../survey';
import type { KeyStanding, SecurePiece } from './key-states';

/** What is known of a pupil when the next key is looked for. */
export interface NextKeyAsked {
  /** How the pupil stands to every key that could be next. */
  readonly standings: readonly KeyStanding[];
  /** The pieces that this pupil plays, in all keys for this hand. */
  readonly ladders: readonly PieceFit[];
  /** The order of the school, or the teacher's own as tonics by mode; `own` may be empty. */
  readonly order: KeyOrder;
  readonly own: Readonly<Record<'major' | 'minor', readonly string[]>>;
  /** Whether keys with finger 1 or 5 on a black key are left out for now. */
  readonly outer: 'allow' | 'avoid';
}

/** What is still wanted before a key is begun: a piece that is secure in its own key, the five fingers of the new key, or nothing. */
export type Readiness = 'ready' | 'pattern-first' | 'piece-first';

/** A piece in a key that could be next. */
export interface PieceInKey {
  readonly piece: string;
  readonly title: string;
  /** How often the hands move, beyond what they do in the piece's own key. */
  readonly moreMoves: number;
  readonly onBlack: readonly { readonly hand: Hand; readonly finger: Finger }[];
  readonly limits: number;
}

/** A key that could be next, with what speaks for it and against it. */
export interface NextKey {
  readonly key: string;
  readonly readiness: Readiness;
  readonly black: Readonly<Record<Hand, readonly Finger[]>>;
  /** What the pieces of this pupil ask there, the easiest first. */
  readonly pieces: readonly PieceInKey[];
  /** Pieces that are secure in their own key and can be played in this one. */
  readonly secure: readonly SecurePiece[];
  readonly effort: number;
  /** Why it comes behind all others; null where it does not. */
  readonly leftOut: 'outer-on-black' | 'beyond-the-hand' | null;
}

/** The keys that could be next, the proposed one first. Keys that are secure or being learnt are none of them; of two spellings of one place
 * the one with fewer signs is. A mode in which the pupil has no piece waits until there is one. */
export function nextKeys(asked: NextKeyAsked): readonly NextKey[] {
  const modes = modesOf(asked);
  return modes
    .flatMap((mode) => nextOfMode(asked, mode))
    .toSorted((a, b) => Number(a.leftOut !== null) - Number(b.leftOut !== null));
}

const HOME: Readonly<Record<'major' | 'minor', Key>> = {
  major: { tonic: { step: 0, alter: 0 }, mode: 'major' },
  minor: { tonic: { step: 5, alter: 0 }, mode: 'minor' },
};

/** The modes of the pupil’s pieces; where there is none, major. The mode of most pieces comes first. */
function modesOf({ ladders }: NextKeyAsked): readonly ('major' | 'minor')[] {
  const minor = ladders.filter(({ own }) => isMinor(own)).length;
  const major = ladders.length - minor;
  const both = major >= minor ? (['major', 'minor'] as const) : (['minor', 'major'] as const);
  return both.filter((mode) => (mode === 'minor' ? minor > 0 : major > 0 || minor === 0));
}

function isMinor(name: string): boolean {
  return hasMinorThird(modeOf(name));
}

function modeOf(name: string): Mode {
  return parseKey(name, 'major')?.mode ?? 'major';
}

function nextOfMode(asked: NextKeyAsked, mode: 'major' | 'minor'): readonly NextKey[] {
  const own = asked.ladders.filter((fit) => isMinor(fit.own) === (mode === 'minor'));
  const rankable = asked.standings
    .filter(({ state, key }) => state === 'not-yet' && modeOf(key) === mode)
    .flatMap((standing) => {
      const key = parseKey(standing.key, mode);
      if (!key || isOtherSpelling(key, asked)) return [];
      const next = nextKey(asked, standing, key, own);
      return [{ key, next, effort: next.effort, isLeftOut: next.leftOut !== null }];
    });
  const tonics = asked.own[mode];
  const ordered =
    tonics.length > 0 ? inOwnOrder(rankable, tonics, HOME[mode]) : inOrder(rankable, asked.order, HOME[mode]);
  return ordered.map(({ next }) => next);
}

/** Whether the same keys of the piano have a name with fewer signs, or are known under another name already. Of six flats and six sharps the flat one counts. */
function isOtherSpelling(key: Key, { standings }: NextKeyAsked): boolean {
  return standings.some(({ key: name, state }) => {
    const other = parseKey(name, key.mode);
    if (!other || other.mode !== key.mode || pitchClass(other.tonic) !== pitchClass(key.tonic)) return false;
    if (keyText(other) === keyText(key)) return false;
    const [signs, theirs] = [signatureOf(key), signatureOf(other)];
    return (
      state !== 'not-yet' ||
      Math.abs(theirs) < Math.abs(signs) ||
      (Math.abs(theirs) === Math.abs(signs) && theirs < signs)
    );
  });
}

function nextKey(asked: NextKeyAsked, { recorded }: KeyStanding, key: Key, ladders: readonly PieceFit[]): NextKey {
  const name = keyText(key);
  const { black } = fiveFingers(key);
  const pieces = ladders
    .flatMap((fit) => pieceIn(fit, name))
    .toSorted(
      (a, b) => a.limits - b.limits || pieceEffort(a, key) - pieceEffort(b, key) || (a.piece < b.piece ? -1 : 1),
    );
  const playable = new Set(pieces.filter(({ limits }) => limits === 0).map(({ piece }) => piece));
  const secure = asked.standings
    .flatMap((standing) => standing.recorded?.pieces.map((piece) => ({ piece, key: standing.key })) ?? [])
    .filter(
      ({ piece, key: at }) =>
        playable.has(piece.piece) && ladders.some((fit) => fit.piece === piece.piece && fit.own === at),
    )
    .map(({ piece }) => piece);
  const isOuter = [...black.right, ...black.left].some((finger) => finger === 1 || finger === 5);
  return {
    key: name,
    readiness: secure.length === 0 ? 'piece-first' : recorded?.patternSinceMs == null ? 'pattern-first' : 'ready',
    black,
    pieces,
    secure,
    effort: effortOf(pieces, black, key),
    leftOut:
      asked.outer === 'avoid' && isOuter
        ? 'outer-on-black'
        : pieces.length > 0 && playable.size === 0
          ? 'beyond-the-hand'
          : null,
  };
}

function pieceIn({ piece, title, own, keys }: PieceFit, name: string): readonly PieceInKey[] {
  const [here, home] = [name, own].map((wanted) => keys.find(({ key }) => key === wanted));
  if (!here) return [];
  return [
    {
      piece,
      title,
      moreMoves: movesIn(here) - (home ? movesIn(home) : 0),
      onBlack: here.hands.flatMap(({ hand, onBlack }) => onBlack.map((finger) => ({ hand, finger }))),
      limits: here.limits,
    },
  ];
}

function movesIn({ hands }: FitKey): number {
  return hands.reduce((sum, { moves }) => sum + moves, 0);
}

/** What a piece asks in a key, as the survey weighs it, without what only a look at each note tells: fingers on black keys and signs, and moves that it does not have in its
 * own key, which weigh like two black keys. Our own choice. Checked by: next-key.test.ts (in the order of the survey, for all pieces of the demo studio). */
function pieceEffort({ onBlack, moreMoves }: PieceInKey, key: Key): number {
  const fingers = (wanted: Hand): readonly Finger[] =>
    onBlack.filter(({ hand }) => hand === wanted).map(({ finger }) => finger);
  return handsEffort({ right: fingers('right'), left: fingers('left') }, key) + 2 * Math.max(0, moreMoves);
}

function handsEffort(black: NextKey['black'], key: Key): number {
  return sumOf(effortParts(black, [], { signs: Math.abs(signatureOf(key)), moreLedgerLines: 0 }));
}

/** The middle of what the pieces ask; where there is none, what the five fingers of the key do. */
function effortOf(pieces: readonly PieceInKey[], black: NextKey['black'], key: Key): number {
  if (pieces.length === 0) return handsEffort(black, key);
  return pieces.reduce((sum, piece) => sum + pieceEffort(piece, key), 0) / pieces.length;
}
