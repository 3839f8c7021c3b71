import type { PositionView } from '@/core/views';
import type { Finger, Hand } from '@/core/score';
import type { EngravedSystem } from '@/contract/engraving-questions';

/** A stretch of a hand track on one system. Places in the units of the picture: from the left edge of its first note head to the right edge
 * of its last. */
export interface TrackSegment {
  readonly hand: Hand;
  readonly x1: number;
  readonly x2: number;
  readonly short: string;
  readonly kind: PositionView['kind'];
  readonly onBlack: readonly Finger[];
  /** The move that leads here, where the position begins on this system; `isNew` where the hand did not move there before. */
  readonly move: { readonly words: string; readonly isNew: boolean } | null;
  readonly noteId: string;
  readonly words: string;
}

/** The hand tracks of one version on one system: one line for each staff that has notes there. `y` is the baseline of the first free line. */
export interface TrackLineLayout {
  readonly y: number;
  readonly segments: readonly TrackSegment[];
  /** How the hand moved before the piece was brought into this key. */
  readonly old: readonly TrackSegment[];
}

/** Lays out the tracks of one version. `others` are the positions of the other version: where it begins none, a move is new. */
export function trackLines(
  system: EngravedSystem,
  prefix: string,
  positions: readonly PositionView[],
  others: readonly PositionView[],
): readonly TrackLineLayout[] {
  const heads = new Map(
    system.heads.filter(({ id }) => id.startsWith(prefix)).map((head) => [head.id.slice(prefix.length), head]),
  );
  const starts = new Set(others.map(({ noteIds }) => noteIds[0]));
  return system.lines
    .filter(({ id }) => id.startsWith(prefix))
    .flatMap(({ id, y }): readonly TrackLineLayout[] => {
      const own = positions.find(({ noteIds }) => noteIds.includes(id.slice(prefix.length)));
      if (!own) return [];
      const ofHand = (all: readonly PositionView[]): readonly TrackSegment[] =>
        all.filter(({ hand }) => hand === own.hand).flatMap((position) => segmentOf(position, heads, starts));
      return [{ y, segments: ofHand(positions), old: ofHand(others) }];
    });
}

type Head = EngravedSystem['heads'][number];

function segmentOf(
  position: PositionView,
  heads: ReadonlyMap<string, Head>,
  starts: ReadonlySet<string | undefined>,
): readonly TrackSegment[] {
  const { hand, short, kind, onBlack, move, noteIds, words } = position;
  const own = noteIds.flatMap((id) => heads.get(id) ?? []);
  const first = noteIds[0];
  if (own.length === 0 || first === undefined) return [];
  return [
    {
      hand,
      x1: Math.min(...own.map(({ x }) => x)),
      x2: Math.max(...own.map(({ x, width }) => x + width)),
      short,
      kind,
      onBlack,
      move: move !== null && heads.has(first) ? { words: move, isNew: !starts.has(first) } : null,
      noteId: noteIds.find((id) => heads.has(id)) ?? first,
      words,
    },
  ];
}

/** How wide a letter of the tracks is, on average. Unit: of its size. Our own measure of the font. */
const LETTER_WIDTH = 0.5;

/** Words cut to a width: whole, without what comes after the first comma, or with dots. Both widths in the same unit. */
export function fitted(words: string, width: number, size: number): string {
  const letters = Math.floor(width / (size * LETTER_WIDTH));
  if (words.length <= letters) return words;
  const short = words.split(',')[0] as string;
  if (short.length <= letters) return short;
  return letters < 4 ? '' : `${words.slice(0, letters - 1).trimEnd()}…`;
}
