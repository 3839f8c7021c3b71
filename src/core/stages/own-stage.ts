import type { Hand, NoteId } from '../score';
import { inOrderOnce, numbersOf, type Subject } from './subject';
import type { Easing, Transformation } from './transformation';

/** A bar of an own stage: its printed number when it was chosen, and the first note that it had, by which it is found again. */
export interface OwnBar {
  readonly bar: string;
  readonly note: NoteId | null;
}

/** A stage that a teacher made: some bars or all, one hand or both, and any ways to make it easier, one after the other. */
export interface OwnStage {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  readonly hand: Hand | 'both';
  /** Null for all bars. */
  readonly bars: readonly OwnBar[] | null;
  readonly easings: readonly Easing[];
}

/** What an own stage is in the piece as it is now. */
export interface ResolvedOwn {
  readonly transformations: readonly Transformation[];
  /** Bars that are not found any more, by the numbers that they had. */
  readonly lost: readonly string[];
}

/** Finds the bars of an own stage again: by the note that each had, wherever it is now, else by its number. */
export function resolveOwn({ part, version }: Pick<Subject, 'part' | 'version'>, own: OwnStage): ResolvedOwn {
  const barOf = new Map(version.notes.map(({ id, barIndex }) => [id, barIndex]));
  const byNumber = new Map(part.measures.map(({ number, index }) => [number, index]));
  const places = (own.bars ?? []).map(({ bar, note }) => ({
    bar,
    index: (note === null ? undefined : barOf.get(note)) ?? byNumber.get(bar),
  }));
  const bars = inOrderOnce(places.flatMap(({ index }) => index ?? []));
  const lost = places.flatMap(({ bar, index }) => (index === undefined ? [bar] : []));
  return {
    lost,
    transformations: [
      ...(own.bars === null || bars.length === 0 ? [] : [{ kind: 'bars', bars } as const]),
      ...(own.hand === 'both' ? [] : [{ kind: 'hand', hand: own.hand } as const]),
      ...own.easings.map((kind): Transformation => ({ kind })),
    ],
  };
}

/** The bars of a piece that a teacher names: `3-4, 7`. Null where they are none of its bars; an empty text is all of them (`all`). */
export function readBars(
  { part, version }: Pick<Subject, 'part' | 'version'>,
  text: string,
): readonly OwnBar[] | 'all' | null {
  if (text.trim() === '') return 'all';
  const numbers = part.measures.map(({ number }) => number);
  const found: number[] = [];
  for (const piece of text.split(/[,;\s]+(?![-–—])/u).filter(Boolean)) {
    const [from, to] = piece.split(/\s*[-–—]\s*/u).map((number) => numbers.indexOf(number));
    if (from === undefined || from < 0 || to === -1 || (to !== undefined && to < from)) return null;
    for (let bar = from; bar <= (to ?? from); bar += 1) found.push(bar);
  }
  const bars = inOrderOnce(found);
  const firsts = new Map(version.notes.toReversed().map(({ barIndex, id }) => [barIndex, id]));
  return bars.map((bar, i) => ({ bar: numbersOf({ part }, bars)[i] as string, note: firsts.get(bar) ?? null }));
}
