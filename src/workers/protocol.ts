import { array, mixed, number, object, string } from 'yup';
import type { AtlasCard, BarInKeys, BenchView, ChordsView, Decisions, FingerPage, Ladder, LadderKey, MadePiece, NoteChoice, PageWish, PartnerKey, PartnerWish, PlannerDiffers, PositionView, ShelfView } from '@/core/job';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';
import { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS, type DrillKind, type DrillRhythm } from '@/core/atlas';
import { MODES, type Direction, type Mode, type Pitch } from '@/core/pitch';
import type { FileFormat } from '@/core/result';
import { PARTNER_NAMES, type KeyOrder, type Partner } from '@/core/survey';
import type { Courtesy, DegreeForm, Spelling } from '@/core/transpose';
import { DIALS, INNER_SCHOOLS, LEVELS, OUTER_SCHOOLS, REPEAT_SCHOOLS, type Dial, type InnerSchool, type Level, type OuterSchool, type Player, type RepeatSchool } from '@/core/finger';
import { LABEL_KINDS, type LabelKind } from '@/core/label';
import { MARK_KINDS, type MarkKind } from '@/core/mark';
import type { Performance } from '@/core/perform';
import type { Finger, Hand } from '@/core/score';
import type { EngravingPage } from '@/core/write';

/** A refusal as the screens show it: words for teachers and, where known, the place in the file. */
export interface Trouble {
  readonly code: string;
  readonly message: string;
  readonly hint: string;
  readonly line: number | null;
}

export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly trouble: Trouble };

/** Which piece is meant: its MusicXML as it was brought in, and what the teacher says of its key. */
export interface PieceSource {
  readonly musicXml: string;
  readonly ownKey: string | null;
  /** The pupil's part, by its id; null for the first with two staves. */
  readonly part: string | null;
}

/** How the piece is wanted. */
export interface BenchWish {
  readonly to: string | null;
  readonly direction: Direction;
  readonly octaveRight: number;
  readonly octaveLeft: number;
  readonly spelling: Spelling;
  readonly courtesy: Courtesy;
  readonly sixth: DegreeForm;
  readonly seventh: DegreeForm;
  readonly fingering: 'plan' | 'keep';
  /** Who plays, and by which school. */
  readonly player: Player;
  readonly keyboard: number;
  /** Ids of notes under the other letter. */
  readonly respelled: readonly string[];
  /** What the teacher decided of this piece for this pupil, in all keys. */
  readonly decisions: Decisions;
}

/** How the page is set out. */
export type BenchPageWish = Omit<PageWish, 'prefixes'>;

/** A piece as it sounds, before and after. */
export interface Performances {
  readonly before: Performance;
  readonly after: Performance;
}

/** What the core worker does. Every method answers with a value; none throws for the teacher's reasons. */
export interface CoreService {
  /** Reads the bytes of a dropped file and gives back its pieces as MusicXML, each once it is known to be one. */
  bringIn(bytes: Uint8Array): readonly Answer<BroughtPiece>[];
  /** Reads a MIDI file again with its rhythm set to another grid, in parts of a quarter; null finds one. */
  regrid(bytes: Uint8Array, grid: number | null): Answer<BroughtPiece>;
  shelf(source: PieceSource, prefix: string): Answer<ShelfView>;
  bench(source: PieceSource, wish: BenchWish, page: BenchPageWish): Answer<BenchView>;
  /** Where the hands sit in a piece where it stands. */
  positions(source: PieceSource): Answer<readonly PositionView[]>;
  /** How the piece sounds where it stands and in the wanted key. */
  performances(source: PieceSource, wish: BenchWish): Answer<Performances>;
  /** The chords that the piece uses, before and after. */
  chords(source: PieceSource, wish: BenchWish): Answer<ChordsView>;
  /** The moved piece as finger numbers, without a staff. */
  fingers(source: PieceSource, wish: BenchWish): Answer<FingerPage>;
  /** All keys of the piece's mode for a singer or another instrument. */
  partner(source: PieceSource, wish: PartnerWish, mode?: Mode): Answer<readonly PartnerKey[]>;
  /** The fingers that a note could have, each with what it costs. */
  choices(source: PieceSource, wish: BenchWish, noteId: string): Answer<readonly NoteChoice[]>;
  /** The keys of a mode; null for the piece's own. Between keys other questions are answered, `onKey` is told how many keys are done,
   * and the work ends early where `stop` has been called with its ticket: the answer is then refused as `job.stopped`. */
  ladder(source: PieceSource, wish: BenchWish, order: KeyOrder, mode: Mode | null, ticket?: string, onKey?: (done: number, of: number) => void): Promise<Answer<Ladder>>;
  /** What each key of some modes asks, one after the other: `onKey` is told of each as soon as it is known, the piece's own key and its neighbours first.
   * The answer says which key is the piece's own. It ends early like `ladder`. */
  survey(source: PieceSource, wish: BenchWish, modes: readonly SurveyMode[], ticket: string, onKey: (key: SurveyKey) => void): Promise<Answer<Surveyed>>;
  stop(ticket: string): void;
  /** Two or three keys side by side. */
  sideBySide(source: PieceSource, wish: BenchWish, keys: readonly string[]): Answer<readonly BarInKeys[]>;
  /** Everything that the card of a key has to play, and where the planner would take other fingers than the published ones. */
  atlasCard(key: string, school: InnerSchool, player: Player): Answer<AtlasCard>;
  plannerDiffers(key: string, player: Player): Answer<readonly PlannerDiffers[]>;
  /** Makes a drill; `columns` is how many note columns a line of the page has room for. */
  drill(wish: DrillAsked, columns: number): Answer<MadePiece>;
  /** Notes to look at, in a key. */
  notes(key: string, pitches: readonly Pitch[]): Answer<MadePiece>;
  /** `beside` goes into a piece file of ours beside the music. */
  save(source: PieceSource, wish: BenchWish, format: FileFormat, beside: Beside): Answer<SavedPiece>;
}

/** A mode whose keys are surveyed: the piece's own, the other one on the same tonics, or by name. */
export type SurveyMode = 'own' | 'parallel' | Mode;

/** A key of the survey: what it asks, and its names. */
export interface SurveyKey extends Omit<LadderKey, 'rank'> {
  /** As `D-major`. */
  readonly name: string;
  readonly words: string;
  /** Whether it is the key in which the piece stands. */
  readonly isOwn: boolean;
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

/** A system of music as a picture, with the places that overlays need, in the units of the picture's own `viewBox`. */
export interface EngravedSystem {
  readonly svg: string;
  readonly viewBox: readonly [x: number, y: number, width: number, height: number];
  /** The head of each note, at its upper left and with its width. */
  readonly heads: readonly { readonly id: string; readonly x: number; readonly y: number; readonly width: number }[];
  /** Where the free lines under a staff begin, by the id of its first note, and how high a line is. */
  readonly lanes: readonly { readonly id: string; readonly y: number }[];
  /** The bars from left to right, each with its staves from the top: where their lines are. */
  readonly bars: readonly EngravedBar[];
}

export interface EngravedBar {
  readonly x1: number;
  readonly x2: number;
  readonly staves: readonly { readonly top: number; readonly bottom: number }[];
}

/** What the engraving worker does: a page in, one picture a system out. `zoom` is in per cent of print size. */
export interface EngraveService {
  engrave(page: EngravingPage, layout: EngraveLayout): Answer<readonly EngravedSystem[]>;
  /** The font of the signs among text, as a rule for a style sheet. */
  textFont(): string;
}

/** `breaks`: as the page says, or none (one long line). */
export interface EngraveLayout {
  readonly widthPx: number;
  readonly zoom: number;
  readonly breaks: 'encoded' | 'none';
  /** Whether a line is as wide as the page it is printed on, or as long as its notes need; the first where nothing is said. One long line
   * that is as long as it needs has the width of the page all the same. */
  readonly spread?: 'wide' | 'natural';
}

/** What goes in front of note ids on the Bench's page: the piece before, and after it was moved. */
export const ID_PREFIXES = { before: 'before-', after: 'after-' } as const;

/** Messages into the workers are checked like everything that crosses a boundary. */
export const pieceSourceSchema = object({
  musicXml: string().required(),
  ownKey: string().nullable().defined(),
  part: string().nullable().defined(),
});

export const gridSchema = number().oneOf([1, 2, 3, 4, 6, 8]).nullable().defined();

const dial = mixed<Dial>().oneOf([...DIALS]).required();

export const playerSchema = object({
  level: mixed<Level>().oneOf([...LEVELS]).required(),
  spanMm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
  outer: mixed<OuterSchool>().oneOf([...OUTER_SCHOOLS]).required(),
  inner: mixed<InnerSchool>().oneOf([...INNER_SCHOOLS]).required(),
  repeat: mixed<RepeatSchool>().oneOf([...REPEAT_SCHOOLS]).required(),
  thumbOffBlack: dial,
  keepPrinted: dial,
  moveOverStretch: dial,
});

const everyOrOneKey = string().nullable().defined();

export const decisionsSchema = object({
  fingers: array(object({ key: everyOrOneKey, note: string().required(), finger: mixed<Finger>().oneOf([1, 2, 3, 4, 5]).required() })).required(),
  aside: array(object({ key: everyOrOneKey, flag: string().required(), reason: string().defined() })).required(),
});

export const markSchema = object({ kind: mixed<MarkKind>().oneOf([...MARK_KINDS]).required(), note: string().required(), text: string().defined() });

const midiKey = number().integer().min(0).max(127).required();

export const partnerWishSchema = object({
  voice: mixed<PartnerWish['voice']>().oneOf(['right', 'left', 'both']).required(),
  comfortable: object({ low: midiKey, high: midiKey }).required(),
  partner: mixed<Partner>().oneOf([...PARTNER_NAMES]).required(),
});

export const benchPageSchema = object({
  view: mixed<PageWish['view']>().oneOf(['both', 'after']).required(),
  columns: number().integer().min(1).required(),
  labels: array(mixed<LabelKind>().oneOf([...LABEL_KINDS]).required()).required(),
  marks: array(markSchema).required(),
  tracks: mixed<PageWish['tracks']>().oneOf(['shown', 'hidden']).required(),
});

export const benchWishSchema = object({
  to: string().nullable().defined(),
  direction: mixed<Direction>().oneOf(['nearest', 'up', 'down']).required(),
  octaveRight: number().integer().min(-4).max(4).required(),
  octaveLeft: number().integer().min(-4).max(4).required(),
  spelling: mixed<Spelling>().oneOf(['strict', 'plain']).required(),
  sixth: mixed<DegreeForm>().oneOf(['natural', 'raised']).required(),
  seventh: mixed<DegreeForm>().oneOf(['natural', 'raised']).required(),
  courtesy: mixed<Courtesy>().oneOf(['none', 'bar', 'octaves', 'bar-plain', 'octaves-plain']).required(),
  keyboard: number().oneOf([88, 76, 61]).required(),
  respelled: array(string().required()).required(),
  fingering: mixed<'plan' | 'keep'>().oneOf(['plan', 'keep']).required(),
  player: playerSchema.required(),
  decisions: decisionsSchema.required(),
});

export const engravingPageSchema = object({
  musicXml: string().required(),
  keyChanges: array(object({ bar: number().integer().min(1).required(), fifths: array(number().integer().min(-7).max(7).required()).required() })).required(),
});

export const engraveLayoutSchema = object({
  widthPx: number().min(100).max(10_000).required(),
  zoom: number().min(10).max(300).required(),
  breaks: mixed<'encoded' | 'none'>().oneOf(['encoded', 'none']).required(),
  spread: mixed<'wide' | 'natural'>().oneOf(['wide', 'natural']),
});

export const modeSchema = mixed<Mode>().oneOf([...MODES]).required();
export const modesSchema = array(mixed<SurveyMode>().oneOf(['own', 'parallel', ...MODES]).required()).min(1).required();

const keyName = string().matches(/^[A-G](#|b){0,2}-[a-z]+$/, 'a key such as D-major').required();
export const keyNamesSchema = array(keyName).min(1).max(30).required();

export const drillSchema = object({
  kind: mixed<DrillKind>().oneOf([...DRILL_KINDS]).required(),
  keys: keyNamesSchema,
  rhythm: mixed<DrillRhythm>().oneOf([...DRILL_RHYTHMS]).required(),
  hands: mixed<Hand | 'both'>().oneOf([...DRILL_HANDS]).required(),
});

export const columnsSchema = number().integer().min(4).max(400).required();

export const pitchesSchema = array(
  object({ step: mixed<Pitch['step']>().oneOf([0, 1, 2, 3, 4, 5, 6]).required(), alter: number().integer().min(-2).max(2).required(), octave: number().integer().min(0).max(8).required() }),
).max(60).required();
