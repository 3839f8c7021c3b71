import { diatonicNumber } from '../pitch';
import { isBlackKey } from '../keyboard';
import { groupBy } from '../base';
import { struckNotes, syllableAt, type Finger, type Hand, type HandNote } from '../score';
import { fingersById, type OpenedPiece, type Version } from '../piece';
import type { Language } from '../explain';

/** What one hand strikes at a moment, as finger numbers. Times in quarter notes from the beginning of the bar. */
export interface FingerStroke {
  readonly noteIds: readonly string[];
  readonly at: number;
  readonly quarters: number;
  /** Low keys first; null where no finger is known. */
  readonly fingers: readonly (Finger | null)[];
  readonly keys: readonly string[];
  /** How many letters the lowest key lies above the lowest letter of the hand in the piece. */
  readonly height: number;
  readonly isBlack: boolean;
  readonly words: string | null;
}

export interface FingerBar {
  readonly number: string;
  readonly quarters: number;
  readonly hands: Readonly<Record<Hand, readonly FingerStroke[]>>;
}

/** A piece without a staff: finger numbers in time. `keys` are the lowest and highest key of each hand, as MIDI numbers; null for a hand that is silent. */
export interface FingerPage {
  readonly bars: readonly FingerBar[];
  readonly keys: Readonly<Record<Hand, readonly [number, number] | null>>;
  /** The fingers of each hand on their keys where it begins. */
  readonly begin: Readonly<Record<Hand, readonly { readonly midi: number; readonly finger: Finger }[]>>;
}

/** Puts a version into finger numbers, for pupils who do not read notes yet. */
export function fingerPage(language: Language, piece: OpenedPiece, version: Version): FingerPage {
  const says = language.inKey(version.key);
  const fingers = fingersById(version);
  const struck = struckNotes(version.notes).filter(({ isGrace }) => !isGrace);
  const ofHand = (hand: Hand): readonly HandNote[] => struck.filter((note) => note.hand === hand);
  const quarter = version.score.ticksPerQuarter;
  const strokes = {
    right: strokesOf(says, ofHand('right'), fingers, quarter),
    left: strokesOf(says, ofHand('left'), fingers, quarter),
  };
  return {
    bars: piece.part.measures.map(({ index, number, length }) => ({
      number,
      quarters: length / quarter,
      hands: { right: strokes.right.get(index) ?? [], left: strokes.left.get(index) ?? [] },
    })),
    keys: { right: rangeOf(ofHand('right')), left: rangeOf(ofHand('left')) },
    begin: { right: beginOf(version, 'right'), left: beginOf(version, 'left') },
  };
}

function strokesOf(
  says: Language,
  notes: readonly HandNote[],
  fingers: ReadonlyMap<string, Finger>,
  quarter: number,
): ReadonlyMap<number, readonly FingerStroke[]> {
  const lowest = Math.min(...notes.map(({ pitch }) => diatonicNumber(pitch)));
  const byBar = new Map<number, FingerStroke[]>();
  for (const moment of groupBy(notes, ({ onset }) => onset).values()) {
    const [first] = moment as [HandNote];
    const stroke: FingerStroke = {
      noteIds: moment.map(({ id }) => id),
      at: first.item.onset / quarter,
      quarters: Math.max(...moment.map(({ duration }) => duration)) / quarter,
      fingers: moment.map(({ id, finger }) => fingers.get(id) ?? finger),
      keys: moment.map(({ pitch }) => says.name(pitch)),
      height: diatonicNumber(first.pitch) - lowest,
      isBlack: moment.some(({ midi }) => isBlackKey(midi)),
      words: moment.map(({ item }) => syllableAt(item)).find((words) => words !== null) ?? null,
    };
    byBar.set(first.barIndex, [...(byBar.get(first.barIndex) ?? []), stroke]);
  }
  return byBar;
}

function rangeOf(notes: readonly HandNote[]): readonly [number, number] | null {
  const midis = notes.map(({ midi }) => midi);
  return midis.length === 0 ? null : [Math.min(...midis), Math.max(...midis)];
}

function beginOf({ positions }: Version, hand: Hand): FingerPage['begin'][Hand] {
  const first = positions.find(({ position }) => position.hand === hand);
  return (first?.keyUnderFinger ?? []).flatMap((midi, i) =>
    midi === null ? [] : [{ midi, finger: (i + 1) as Finger }],
  );
}
