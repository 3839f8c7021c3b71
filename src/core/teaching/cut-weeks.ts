/** What of a piece a week can be made of: bars as indexes. Lines and phrases are empty where the piece has only one. */
export interface PieceParts {
  readonly bars: number;
  readonly lines: readonly (readonly number[])[];
  readonly phrases: readonly (readonly number[])[];
  /** Bars that flags are about, each with how much of it there is. */
  readonly hard: readonly (readonly [bar: number, weight: number])[];
}

/** How a piece is cut into weeks. Source: handbook, section 7 (common practice: a line or two a week; hardest bars get their own week). */
export const CUTS = ['whole', 'lines', 'two-lines', 'phrases', 'difficulty'] as const;
export type Cut = (typeof CUTS)[number];

/** One week of a piece: the bars, null for all of it, and why they are a week. */
export interface PieceWeek {
  readonly bars: { readonly from: number; readonly to: number } | null;
  readonly because: 'line' | 'phrase' | 'hard' | 'whole';
}

const WHOLE: PieceWeek = { bars: null, because: 'whole' };

/** So many hard places get a week of their own at most: with more of them the piece is too hard, and weeks are no help. Our own choice. */
const MOST_HARD_WEEKS = 2;

/** A week of drilled bars is short. Our own choice, in bars. */
const LONGEST_DRILL = 4;

/** The weeks of a piece, in order; the whole comes last. A piece that has no such parts is one week. */
export function cutIntoWeeks(cut: Cut, parts: PieceParts): readonly PieceWeek[] {
  switch (cut) {
    case 'whole':
      return [WHOLE];
    case 'lines':
      return withWhole(parts.lines.map((bars) => weekOf(bars, 'line')));
    case 'two-lines':
      return withWhole(pairs(parts.lines).map((bars) => weekOf(bars, 'line')));
    case 'phrases':
      return withWhole(parts.phrases.map((bars) => weekOf(bars, 'phrase')));
    case 'difficulty':
      return [...hardWeeks(parts), ...cutIntoWeeks('two-lines', parts)];
  }
}

function weekOf(bars: readonly number[], because: PieceWeek['because']): PieceWeek {
  return { bars: { from: bars[0] as number, to: bars.at(-1) as number }, because };
}

/** One part is the whole. */
function withWhole(weeks: readonly PieceWeek[]): readonly PieceWeek[] {
  return weeks.length < 2 ? [WHOLE] : [...weeks, WHOLE];
}

function pairs(lines: readonly (readonly number[])[]): readonly (readonly number[])[] {
  return lines.flatMap((line, i) => (i % 2 === 0 ? [[...line, ...(lines[i + 1] ?? [])]] : []));
}

/** The hardest places, the hardest first: bars next to each other are one place. Where all of the piece is hard, nothing stands out. */
function hardWeeks({ hard, bars }: PieceParts): readonly PieceWeek[] {
  const places = hard
    .toSorted(([a], [b]) => a - b)
    .reduce<readonly Place[]>((found, [bar, weight]) => {
      const last = found.at(-1);
      return last && bar <= last.to + 1 && bar - last.from < LONGEST_DRILL
        ? [...found.slice(0, -1), { from: last.from, to: bar, weight: last.weight + weight }]
        : [...found, { from: bar, to: bar, weight }];
    }, []);
  const covered = places.reduce((sum, { from, to }) => sum + to - from + 1, 0);
  if (covered * 2 > bars) return [];
  return places
    .toSorted((a, b) => b.weight - a.weight || a.from - b.from)
    .slice(0, MOST_HARD_WEEKS)
    .map(({ from, to }) => ({ bars: { from, to }, because: 'hard' }));
}

interface Place {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
}
