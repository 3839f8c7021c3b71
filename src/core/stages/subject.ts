import { fingersById, type OpenedPiece, type Version } from '../piece';
import { struckNotes, type Finger, type Hand, type HandNote, type Measure, type NoteId, type Part } from '../score';

/** A piece in one key with its hands planned: what stages are found in. */
export interface Subject {
  readonly version: Version;
  readonly part: Part;
  readonly ticksPerQuarter: number;
  /** What the hands strike, grace notes left out. */
  readonly struck: readonly HandNote[];
  readonly fingerOf: (id: NoteId) => Finger | null;
  /** The hands that play at all. */
  readonly hands: readonly Hand[];
}

export function subjectOf(piece: OpenedPiece, version: Version): Subject {
  const part = version.score.parts.find(({ id }) => id === piece.part.id) ?? piece.part;
  const struck = struckNotes(version.notes).filter(({ isGrace }) => !isGrace);
  const planned = fingersById(version);
  const printed = new Map(struck.map(({ id, finger }) => [id, finger]));
  return {
    version,
    part,
    ticksPerQuarter: version.score.ticksPerQuarter,
    struck,
    fingerOf: (id) => planned.get(id) ?? printed.get(id) ?? null,
    hands: (['right', 'left'] as const).filter((hand) => struck.some((note) => note.hand === hand)),
  };
}

/** The printed numbers of bars. */
export function numbersOf({ part }: Pick<Subject, 'part'>, bars: readonly number[]): readonly string[] {
  return bars.map((bar) => (part.measures[bar] as Measure).number);
}

/** Indexes of bars, each once and in order. */
export function inOrderOnce(bars: Iterable<number>): readonly number[] {
  return [...new Set(bars)].toSorted((a, b) => a - b);
}
