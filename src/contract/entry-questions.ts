import { array, boolean, mixed, number, object, string, type Schema } from 'yup';
import type { KeptChange } from '@/core/edit';
import { ROWS, INPUT_METHODS, type Command } from '@/core/entry';
import type { EntryPage, EntryView, PressedView } from '@/core/views';
import { LETTERS, MODES } from '@/core/pitch';
import { GRIDS, type Grid, type PlayedKey } from '@/core/read';
import type { Wording } from '@/core/explain';
import type { Answer, Trouble } from './answer';
import type { Checks } from './checks';
import { wordingSchema } from './core-schemas';
import { oneOf } from './one-of';

/** Commands that come from the screen: what only the worker has (copied music, music read elsewhere) is not among them. */
export type ScreenCommand = Exclude<Command, { readonly kind: 'take-in' | 'paste' }> | { readonly kind: 'paste' };

/** What begins a new piece, in the short way of saying it. */
export interface EntryOpening {
  readonly title: string;
  readonly opening: string;
  readonly wording: Wording;
}

/** How the page is set out, and in which words its view is wanted. */
export interface EntryPageAsked extends EntryPage {
  readonly wording: Wording;
}

/** Where entering stood, to be gone on from: in the same music (`there`), or in music that was changed since (`near`). */
export interface EntryResume {
  readonly typing: string;
  readonly how: 'there' | 'near';
  /** Whether ABC is being written: the last step is what was read of it so far. */
  readonly isAbc: boolean;
}

/** The piece to be entered. */
export interface EntrySource {
  readonly musicXml: string;
  readonly part: string | null;
}

/** What has to be kept after a key press: the piece as it is now, and the changes of its history. */
export interface EntryToKeep {
  readonly musicXml: string;
  readonly changed: readonly (KeptChange & { readonly words: string })[];
  readonly count: number;
  /** Names the state of the history; null where nothing is done. */
  readonly state: string | null;
}

/** What a key press came to: what is shown, what is to be kept of it at once (null where nothing is), and where entering stands now, as text. */
export type Pressed = PressedView & { readonly keep: EntryToKeep | null; readonly typing: string };

/** A piece that was opened: what is shown, and where entering stands, as text. */
export interface OpenedEntry {
  readonly view: EntryView;
  readonly typing: string;
}

/** What became of ABC as it is written: what could be read is in the piece, and what could not is told with its place. */
export interface AbcRead {
  readonly pressed: Pressed;
  readonly trouble: Trouble | null;
}

/** What the entering worker does. It holds the piece that is being entered; every call goes on from the one before. */
export interface EntryService {
  /** A new piece as MusicXML. */
  create(opening: EntryOpening): Answer<string>;
  /** Opens a piece with the history that led to its music; one that is damaged is left out. `resume`: goes on from where entering stood. */
  open(
    source: EntrySource,
    kept: readonly KeptChange[],
    page: EntryPageAsked,
    resume: EntryResume | null,
  ): Answer<OpenedEntry>;
  /** Refused as `entry.closed` where no piece is open: the worker was started anew. */
  press(command: ScreenCommand, atMs: number): Answer<Pressed>;
  /** Sets the page out for another width. */
  setOut(page: EntryPageAsked): Answer<EntryView>;
  /** Reads ABC into the caret's hand, each time in place of what the same writing brought in before. */
  abc(text: string, atMs: number): Answer<AbcRead>;
  /** Ends the writing of ABC: what was read stays. */
  abcDone(): Answer<null>;
  /** Takes the last step of a piece that is not open back, or does the next one again; null where there is none. */
  undoOrRedoKept(
    source: EntrySource,
    kept: readonly KeptChange[],
    undoRedo: 'undo' | 'redo',
    wording: Wording,
  ): Answer<EntryToKeep | null>;
  /** Puts in what was played against a metronome. */
  played(keys: readonly PlayedKey[], msPerQuarter: number, grid: Grid, atMs: number): Answer<Pressed>;
}

const finger = number().oneOf([1, 2, 3, 4, 5]).required();
const row = mixed<(typeof ROWS)[number]>()
  .oneOf([...ROWS])
  .required();
const sign = number().oneOf([-1, 1]).required();
const letters = number().integer().min(-21).max(21).required();
const hand = oneOf(['right', 'left']);
const quarters = number().min(0).max(16).required();
const letter = oneOf(LETTERS);
const noteId = string().required();
const text = string().max(400).defined();

/** The fields of each command beside its kind. */
const FIELDS: { readonly [Kind in ScreenCommand['kind']]: Readonly<Record<string, Schema>> } = {
  finger: { finger, row },
  rest: { row },
  'bar-rest': {},
  letter: { letter },
  keys: { midis: array(number().integer().min(0).max(127).required()).required() },
  'plain-rest': {},
  again: {},
  alter: { alter: number().oneOf([-1, 0, 1]).required() },
  reach: { letters },
  octave: { octaves: number().oneOf([-1, 1]).required() },
  join: { as: oneOf(['chord', 'tie']) },
  triplet: {},
  'seat-by': { letters },
  'seat-letter': { letter },
  'seat-key': { midi: number().integer().min(21).max(108).required(), hand },
  'seat-finger': { finger, where: finger },
  'thumbs-together': {},
  move: {},
  'open-hand': {},
  'close-hand': {},
  way: {
    method: mixed<(typeof INPUT_METHODS)[number]>()
      .oneOf([...INPUT_METHODS])
      .required(),
  },
  mode: { mode: oneOf(['over', 'between']) },
  'row-length': { row, quarters },
  length: { quarters },
  voice: {},
  walk: { by: sign, to: oneOf(['entry', 'bar', 'end']) },
  extend: { by: sign },
  'other-hand': { at: oneOf(['same-beat', 'where-it-stops']) },
  'go-to': { noteId },
  'go-to-bar': { bar: number().integer().min(0).required(), hand },
  select: { what: oneOf(['bar', 'all', 'none']) },
  dot: {},
  'set-length': { quarters },
  step: { letters },
  'half-step': { by: sign },
  'set-finger': { finger: number().oneOf([1, 2, 3, 4, 5]).nullable().defined() },
  'tie-off': {},
  sign: { sign: oneOf(['staccato', 'accent', 'tenuto', 'fermata']) },
  slur: {},
  dynamic: { dynamic: string().nullable().defined() },
  words: { place: oneOf(['over', 'under']), text },
  'remove-before': {},
  'remove-here': {},
  'remove-note': { noteId },
  copy: {},
  cut: {},
  paste: {},
  'copy-bars': {},
  'repeat-bar': {},
  'insert-bar': {},
  'remove-bars': {},
  'move-passage': { letters },
  'give-to-other-hand': {},
  meter: {
    meter: object({
      beats: number().integer().min(1).max(32).required(),
      beatType: number().oneOf([1, 2, 4, 8, 16]).required(),
    }).required(),
  },
  signature: {
    fifths: number().integer().min(-7).max(7).required(),
    mode: mixed<(typeof MODES)[number]>()
      .oneOf([...MODES])
      .nullable()
      .defined(),
  },
  'pick-up': { quarters },
  heading: { what: oneOf(['title', 'composer']), text },
  tempo: { perMinute: number().min(20).max(300).required() },
  undo: {},
  redo: {},
};

/** A command as it comes into the worker: of a kind that there is, with the fields of its kind. */
export const commandSchema = mixed<ScreenCommand>()
  .required()
  .test(function isCommand(command) {
    const fields = FIELDS[command.kind];
    if (fields === undefined) return this.createError({ message: `no command ${String(command.kind)}` });
    object({ kind: string().required(), ...fields }).validateSync(command, { strict: true });
    return true;
  });

const entryPageSchema = object({
  columns: number().integer().min(4).required(),
  prefix: string().defined(),
  wording: wordingSchema,
});
const resumeSchema = object({
  typing: string().required(),
  how: oneOf(['there', 'near']),
  isAbc: boolean().required(),
}).nullable();
const entrySourceSchema = object({ musicXml: string().required(), part: string().nullable().defined() });
const keptChangesSchema = array(
  object({
    number: number().integer().min(0).required(),
    state: oneOf(['done', 'undone']),
    change: string().required(),
  }),
).required();
const openingSchema = object({
  title: string().max(200).defined(),
  opening: string().max(40).defined(),
  wording: wordingSchema,
});
const playedKeysSchema = array(
  object({
    midi: number().integer().min(21).max(108).required(),
    downMs: number().required(),
    upMs: number().required(),
  }),
).required();
const atMsSchema = number().required();

/** What may be said in each question about entering. */
export const ENTRY_CHECKS: Checks<EntryService> = {
  create: [openingSchema],
  open: [entrySourceSchema, keptChangesSchema, entryPageSchema, resumeSchema],
  press: [commandSchema, atMsSchema],
  setOut: [entryPageSchema],
  abc: [string().max(20_000).defined(), atMsSchema],
  abcDone: [],
  undoOrRedoKept: [entrySourceSchema, keptChangesSchema, oneOf(['undo', 'redo']), wordingSchema],
  played: [playedKeysSchema, number().min(150).max(4000).required(), oneOf(GRIDS), atMsSchema],
};
