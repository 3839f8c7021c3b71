import { shortened, type Language } from '../explain';
import { sharedKeys } from '../fingering';
import { keyText, type Direction, type Key } from '../pitch';
import { groupMove } from '../transpose';
import { type LabelKind, notesByKind, markWords, type Mark } from '../annotate';
import { isRhythm, mapMeasures, struckNotes, type NoteId, type Score } from '../score';
import { engravingPage, NO_TEXTS, systemBreaks, type EngravingPage, type NoteTexts } from '../write';
import { blackRuns, type BlackRun } from './black-keys';
import { momentsOf, type Moment } from './moments';
import { fingersById, type OpenedPiece, type Version } from '../piece';
import { decisionViews, handNoteViews, type DecisionView, type HandNoteView } from './hand-note-views';
import { labelLines } from './label-lines';
import { positionViews, type PositionView } from './position-views';
import { remarkView, type RemarkView } from './key-and-remark';

/** Notes that can be found and marked together. */
export interface NotesOfKindView {
  readonly by: 'letter' | 'pitch' | 'finger' | 'interval' | 'black' | 'guide';
  readonly words: string;
  readonly noteIds: readonly string[];
}

/** Everything that the Bench shows of a piece in one key. */
export interface BenchView {
  readonly title: string;
  readonly composer: string;
  readonly from: string;
  readonly to: string;
  readonly toText: string;
  /** The id of the stage that is shown; null for the whole piece. */
  readonly stage: string | null;
  readonly bars: number;
  /** All parts of the piece, and which is the pupil's. */
  readonly parts: readonly { readonly id: string; readonly name: string; readonly isPupils: boolean }[];
  readonly page: EngravingPage;
  readonly summary: readonly string[];
  /** What the teacher put away is there too, with the reason. */
  readonly handNotes: readonly HandNoteView[];
  readonly decisions: readonly DecisionView[];
  readonly positions: readonly PositionView[];
  readonly positionsBefore: readonly PositionView[];
  readonly notesOfKind: readonly NotesOfKindView[];
  readonly momentsBefore: readonly Moment[];
  readonly momentsAfter: readonly Moment[];
  readonly remarks: readonly RemarkView[];
  /** The piece between the black-key groups and the white keys beside them; null where it is on neither. */
  readonly group: {
    readonly onto: 'black' | 'white';
    readonly key: string;
    readonly keyWords: string;
    readonly direction: Direction;
  } | null;
  /** Notes that the signature alters and no sign reminds of. */
  readonly bySignature: readonly string[];
}

/** Which versions are engraved: both, one above the other, or the new one alone. */
export type PageView = 'both' | 'after';

/** How the page is laid out: what is shown, how many note columns fit a system, and what goes in front of the ids of
 * the notes of each version. */
export interface PageOptions {
  readonly view: PageView;
  readonly columns: number;
  readonly prefixes: { readonly before: string; readonly after: string };
  /** What stands under the notes, line by line. */
  readonly labels: readonly LabelKind[];
  readonly marks: readonly Mark[];
  /** Notes that are shown faintly, without their fingers: a stage leaves them out. */
  readonly faint?: readonly NoteId[] | undefined;
  /** The id of the stage that is shown, where it is one. */
  readonly stage?: string | undefined;
  /** Whether room is left for the hand tracks. */
  readonly tracks: 'shown' | 'hidden';
  /** Whether the key stands in front of the first system; where nothing is said, it does. */
  readonly front?: 'key' | 'bare' | undefined;
}

/** A piece where it stands, and in another key. */
export interface MovedVersions {
  readonly before: Version;
  readonly after: Version;
}

/** Lines that the hand tracks take under each staff: a name alone before, a name and a move after. */
const TRACK_LINES = { before: 1, after: 2 } as const;

/** Puts a piece before and after into what the Bench shows. */
export function benchView(
  says: Language,
  piece: OpenedPiece,
  { before, after }: MovedVersions,
  page: PageOptions,
): BenchView {
  const is = says.inKey(after.key);
  // On the closed lid there are no keys: no positions, and nothing that hands must know about them.
  const isTapped = isRhythm(piece.part);
  const layers = [
    {
      score: withoutFingersAt(before.score, page.faint),
      prefix: page.prefixes.before,
      label: page.front === 'bare' ? '' : shortKey(says, before.key),
      texts: textsOf(says.inKey(before.key), piece, before, { page, which: 'before' }),
    },
    {
      score: withoutFingersAt(after.score, page.faint),
      prefix: page.prefixes.after,
      label: page.front === 'bare' ? '' : shortKey(says, after.key),
      texts: textsOf(says.inKey(after.key), piece, after, { page, which: 'after' }),
    },
  ];
  return {
    title: shortened(piece.score.title),
    composer: piece.score.composer,
    from: says.key(before.key),
    to: says.key(after.key),
    toText: keyText(after.key),
    stage: page.stage ?? null,
    bars: piece.part.measures.length,
    parts: piece.score.parts.map(({ id, name }) => ({ id, name: name || id, isPupils: id === piece.part.id })),
    page: engravingPage(page.view === 'both' ? layers : layers.slice(1), systemBreaks(piece.score, page.columns)),
    summary: isTapped ? says.tappingWords() : summaryOf(says, piece, { before, after }),
    handNotes: isTapped ? [] : handNoteViews(says, after),
    decisions: decisionViews(says, after),
    positions: isTapped ? [] : positionViews(says, after),
    positionsBefore: isTapped ? [] : positionViews(says, before),
    notesOfKind: notesOfKindViews(is, after),
    momentsBefore: momentsOf(says, before),
    momentsAfter: momentsOf(says, after),
    remarks: [...piece.remarks, ...after.remarks].map((one) => remarkView(says, one)),
    group: groupView(says, piece),
    bySignature: after.notes
      .filter(({ pitch, item, tieStop }) => pitch.alter !== 0 && !item.accidental && !tieStop)
      .map(({ id }) => id),
  };
}

/** What moving did to the hands, in a few sentences. */
function summaryOf(says: Language, piece: OpenedPiece, { before, after }: MovedVersions): readonly string[] {
  const is = says.inKey(after.key);
  return [
    ...says.changesWords(after.flags),
    ...is.handsWords(blackRunsOf(piece, after), after.flags, blackRunsOf(piece, before)),
    ...is.sharedPlaceWords(sharedKeys(after.positions)),
  ];
}

/** A finger stands where a note is to be played. */
function withoutFingersAt(score: Score, faint: PageOptions['faint']): Score {
  if (!faint || faint.length === 0) return score;
  const ids = new Set(faint);
  return mapMeasures(score, (measure) => ({
    ...measure,
    items: measure.items.map((item) =>
      item.kind === 'note' && item.fingers.length > 0 && ids.has(item.id) ? { ...item, fingers: [] } : item,
    ),
  }));
}

function groupView(says: Language, piece: OpenedPiece): BenchView['group'] {
  const move = groupMove(piece.notes, piece.key.key);
  return move && { onto: move.onto, key: keyText(move.key), keyWords: says.key(move.key), direction: move.direction };
}

function blackRunsOf(piece: OpenedPiece, version: Version): readonly BlackRun[] {
  return piece.hands.flatMap((hand) => blackRuns(version, hand));
}

function shortKey(says: Language, key: Key): string {
  return key.mode === 'major' ? says.place(key.tonic) : `${says.place(key.tonic)} ${key.mode}`;
}

function notesOfKindViews(says: Language, version: Version): readonly NotesOfKindView[] {
  const fingers = fingersById(version);
  return notesByKind(struckNotes(version.notes), (note) => fingers.get(note.id) ?? note.finger).map((find) => ({
    by: find.by,
    words: says.kindWords(find),
    noteIds: find.notes,
  }));
}

/** What stands at the notes of a version on the page. Marks are for the new version only. */
function textsOf(
  says: Language,
  piece: OpenedPiece,
  version: Version,
  { page, which }: { readonly page: PageOptions; readonly which: 'before' | 'after' },
): NoteTexts {
  const roomLines = page.tracks === 'shown' ? TRACK_LINES[which] : 0;
  const struck = struckNotes(version.notes);
  const lines = labelLines(says, piece, version, page.labels);
  if (which === 'before') return { ...NO_TEXTS, lines, roomLines };
  const words = new Map(
    [...markWords(page.marks, struck)].map(([id, said]) => [id, said.map(says.markText).join(' ')]),
  );
  return { lines, words, roomLines };
}
