import { figuresOf, type FigureKind } from './figures';
import { isKnown, type Fingering } from './fingering';
import { CROSSING_LEVEL } from './player';
import type { Passage } from './passage';
import { runsOf, type Run } from './runs';

/** What fingers are written for: a figure, or a run of a scale or an arpeggio, with one of its notes that is the tonic. */
export type Written =
  | { readonly kind: 'figure'; readonly figure: FigureKind }
  | { readonly kind: 'run'; readonly run: Run['kind']; readonly mode: 'major' | 'minor'; readonly tonic: number };

/** The fingers that are written for a note, as bits, and what they are written for. */
export interface WrittenFingers {
  readonly fingers: number;
  readonly by: Written;
}

/** The standard fingers of a passage on the keys that are given (MIDI numbers, one entry a note), or of its figures alone. Printed notes have their own,
 * apart from runs that are printed with the standard fingers of the piece's own key: in another key these have the standard ones of that key. */
export function writtenFingers(
  passage: Passage,
  level: number,
  midis: readonly number[] | null,
  printed: Fingering,
): ReadonlyMap<number, WrittenFingers> {
  const isFree = ([note]: readonly [number, unknown]): boolean => (printed[note] ?? null) === null;
  const figures = figuresOf(passage).flatMap(({ kind, fingers }) =>
    writtenBy(fingers, { kind: 'figure', figure: kind }).filter(isFree),
  );
  if (!midis || level < CROSSING_LEVEL) return new Map(figures);
  const standard = standardRuns(passage, printed);
  const runs = runsOf(passage, midis).flatMap(({ kind, published, tonic, fingers }) => {
    const own = writtenBy(fingers, { kind: 'run', run: kind, mode: published.mode, tonic });
    return standard.has(nameOf(kind, fingers)) ? own : own.filter(isFree);
  });
  return new Map([...figures, ...runs]);
}

function writtenBy(fingers: ReadonlyMap<number, number>, by: Written): readonly (readonly [number, WrittenFingers])[] {
  return [...fingers].map(([note, mask]) => [note, { fingers: mask, by }] as const);
}

/** The runs that have the standard fingers of the piece's own key, wherever fingers are printed. */
function standardRuns(passage: Passage, printed: Fingering): ReadonlySet<string> {
  if (!isKnown(printed)) return new Set();
  const own = runsOf(
    passage,
    passage.notes.map(({ note }) => note.midi),
  );
  const isStandard = ({ fingers }: Run): boolean =>
    [...fingers].every(([note, written]) => {
      const finger = printed[note] ?? null;
      return finger === null || (written & (1 << (finger - 1))) !== 0;
    });
  return new Set(own.filter(isStandard).map(({ kind, fingers }) => nameOf(kind, fingers)));
}

function nameOf(kind: Run['kind'], fingers: Run['fingers']): string {
  return `${kind}/${[...fingers.keys()].join()}`;
}
