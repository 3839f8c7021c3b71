import type { Grid } from '@/core/read';
import type {
  AtlasCard,
  BarInKeys,
  BenchView,
  ChordsView,
  FingerPage,
  KeyFactsView,
  Ladder,
  MadePiece,
  NoteChoice,
  PageOptions,
  PlannerDiffers,
  PositionView,
  ShelfView,
  StagesKept,
  StagesView,
} from '@/core/views';
import type { Mark } from '@/core/annotate';
import type { Wording } from '@/core/explain';
import type { OwnBar, StageRow, WayStep } from '@/core/stages';
import type { PartnerKey, PartnerOptions, KeyOrder } from '@/core/survey';
import type { DrillKind, DrillRhythm } from '@/core/practice';
import type { Mode, Pitch } from '@/core/pitch';
import type { FileFormat } from '@/core/base';
import type { InnerSchool, Player } from '@/core/fingering';
import type { Performance } from '@/core/playback';
import type { Hand } from '@/core/score';
import type { KeySheetKind, PieceSheetKind } from '@/core/paper';
import type { Sheet, SheetRequest, WeekTold } from '@/core/sheets';
import type { PracticeQuestions } from './practice-questions';
import type { BenchOptions, PieceSource } from './piece-asked';
import type { Answer } from './answer';

/** How the page is set out. */
export type BenchPageOptions = Omit<PageOptions, 'prefixes'>;

/** A piece as it sounds, before and after. */
export interface Performances {
  readonly before: Performance;
  readonly after: Performance;
}

/** What the core worker does. Every question is answered with a value. */
export interface CoreService extends PracticeQuestions {
  /** Answered once the worker is there: a screen that will soon have questions starts it before it has any. */
  ready(): Answer<null>;
  /** Reads the bytes of a dropped file and gives back its pieces as MusicXML, each once it is known to be one. */
  bringIn(bytes: Uint8Array, wording: Wording): Answer<readonly Answer<BroughtPiece>[]>;
  /** Reads a MIDI file again with its rhythm set to another grid, in parts of a quarter; null finds one. */
  regrid(bytes: Uint8Array, grid: Grid | null, wording: Wording): Answer<BroughtPiece>;
  shelf(source: PieceSource, prefix: string, wording: Wording): Answer<ShelfView>;
  bench(source: PieceSource, options: BenchOptions, page: BenchPageOptions): Answer<BenchView>;
  /** The stages of a piece in the wanted key, in the teacher's order; which of them the piece is wanted in makes no difference. */
  stages(source: PieceSource, options: BenchOptions, kept: StagesKept): Answer<StagesView>;
  /** A stage as the MusicXML of a piece of its own, in the wanted key and under a title of its own. */
  stageAsPiece(source: PieceSource, options: BenchOptions, title: string): Answer<string>;
  /** The bars that a teacher names, as `3-4, 7`; null for all. The answer is refused where they are none of the piece's. */
  namedBars(source: PieceSource, options: BenchOptions, text: string): Answer<readonly OwnBar[] | null>;
  /** How each stage lies in all keys: `onRow` is told of each as soon as it is known. The answer has the way to the whole piece in the wanted key. It ends early like `ladder`. */
  stageTable(
    source: PieceSource,
    options: BenchOptions,
    kept: StagesKept,
    asked: WayAsked,
    ticket: string,
    onRow: (row: StageRowView) => void,
  ): Promise<Answer<StageTable>>;
  /** Where the hands sit in a piece where it stands. */
  positions(source: PieceSource, wording: Wording): Answer<readonly PositionView[]>;
  /** How the piece sounds where it stands and in the wanted key. */
  performances(source: PieceSource, options: BenchOptions): Answer<Performances>;
  /** The chords that the piece uses, before and after. */
  chords(source: PieceSource, options: BenchOptions): Answer<ChordsView>;
  /** The moved piece as finger numbers, without a staff. */
  fingers(source: PieceSource, options: BenchOptions): Answer<FingerPage>;
  /** All keys of the piece's mode for a singer or another instrument. */
  partner(source: PieceSource, options: PartnerOptions, mode?: Mode): Answer<readonly PartnerKey[]>;
  /** The fingers that a note could have, each with what it costs. */
  choices(source: PieceSource, options: BenchOptions, noteId: string): Answer<readonly NoteChoice[]>;
  /** The keys of a mode; null for the piece's own. Between keys other questions are answered, `onKey` is told how many keys are done,
   * and the work ends early where `stop` has been called with its ticket: the answer is then refused as `job.stopped`. */
  ladder(
    source: PieceSource,
    options: BenchOptions,
    order: KeyOrder,
    mode: Mode | null,
    ticket?: string,
    onKey?: (done: number, of: number) => void,
  ): Promise<Answer<Ladder>>;
  /** What each key of some modes asks, one after the other: `onKey` is told of each as soon as it is known, the piece's own key and its neighbours first.
   * The answer says which key is the piece's own. It ends early like `ladder`. */
  survey(
    source: PieceSource,
    options: BenchOptions,
    modes: readonly SurveyMode[],
    ticket: string,
    onKey: (key: SurveyKey | SurveyUnwritable) => void,
  ): Promise<Answer<Surveyed>>;
  stop(ticket: string): Answer<null>;
  /** Two or three keys side by side. */
  sideBySide(source: PieceSource, options: BenchOptions, keys: readonly string[]): Answer<readonly BarInKeys[]>;
  /** Everything that the card of a key has to play, and where the planner would take other fingers than the published ones. */
  atlasCard(key: string, school: InnerSchool, player: Player): Answer<AtlasCard>;
  plannerDiffers(key: string, player: Player): Answer<readonly PlannerDiffers[]>;
  /** Makes a drill; `columns` is how many note columns a line of the page has room for. */
  drill(options: DrillAsked, columns: number): Answer<MadePiece>;
  /** Notes to look at, in a key. */
  notes(key: string, pitches: readonly Pitch[]): Answer<MadePiece>;
  /** A sheet of a piece in the wanted key and stage, and sheets of no piece: keys by name. */
  pieceSheet(source: PieceSource, options: BenchOptions, kind: PieceSheetKind, request: SheetRequest): Answer<Sheet>;
  keySheet(kind: KeySheetKind, keys: readonly string[], request: SheetRequest, wording: Wording): Answer<Sheet>;
  weekSheet(week: WeekTold, foot: string, wording: Wording): Answer<Sheet>;
  /** `beside` goes into a piece file of ours beside the music; marks are written into MusicXML. */
  save(
    source: PieceSource,
    options: BenchOptions,
    format: FileFormat,
    beside: Beside,
    marks: readonly Mark[],
  ): Answer<SavedPiece>;
}

/** For whom a way is looked for: the keys that are known, as `D-major`. */
export interface WayAsked {
  readonly known: readonly string[];
}

/** A stage in all keys, with its words. */
export interface StageRowView extends StageRow {
  readonly title: string;
  readonly why: string;
}

export interface StageTable {
  /** The key in which the piece stands, and all keys, as `D-major`, in the order of the rows. */
  readonly own: string;
  readonly keys: readonly string[];
  /** From what is known to the whole piece in the wanted key; null where the whole cannot be played there. */
  readonly way: readonly WayStepView[] | null;
}

export interface WayStepView extends WayStep {
  readonly title: string;
  readonly keyWords: string;
  /** Whether more than one thing is new in it. */
  readonly isMore: boolean;
  /** What is new in this step, in words. */
  readonly newWords: string;
}

/** A mode whose keys are surveyed: the piece's own, the other one on the same tonics, or by name. */
export type SurveyMode = 'own' | 'parallel' | Mode;

/** A key of the survey: what it asks, and its names. */
export interface SurveyKey extends KeyFactsView {
  /** As `D-major`. */
  readonly name: string;
  readonly words: string;
  /** Whether it is the key in which the piece stands. */
  readonly isOwn: boolean;
}

/** A key of the survey in which the piece cannot be written, and why. */
export interface SurveyUnwritable {
  readonly name: string;
  readonly words: string;
  readonly reason: string;
}

/** What a survey is of. */
export interface Surveyed {
  readonly title: string;
  readonly own: string;
  readonly bars: number;
}

/** A drill as it is asked for; keys by name. */
export interface DrillAsked {
  readonly kind: DrillKind;
  readonly keys: readonly string[];
  readonly rhythm: DrillRhythm;
  readonly hands: Hand | 'both';
  readonly wording: Wording;
}

/** What a piece file of ours holds beside the music: the teacher's decisions, and what another version put there. */
export type Beside = Readonly<Record<string, unknown>>;

/** A piece as it was read from a file. */
export interface BroughtPiece {
  readonly musicXml: string;
  readonly title: string;
  readonly format: FileFormat | null;
  readonly beside: Beside;
  readonly remarks: readonly { readonly message: string; readonly bar?: string }[];
}

export interface SavedPiece {
  readonly name: string;
  readonly mediaType: string;
  readonly content: string | Uint8Array;
}
