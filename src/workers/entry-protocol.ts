import { ValidationError, array, boolean, mixed, number, object, string, type Schema } from 'yup';
import type { KeptChange } from '@/core/edit';
import { ROWS, INPUT_METHODS, type Command } from '@/core/entry';
import type { EntryPage, EntryView, PressedView } from '@/core/views';
import { LETTERS, MODES } from '@/core/pitch';
import type { Grid, PlayedKey } from '@/core/read';
import type { Wording } from '@/core/explain';
import type { Answer, Trouble } from './protocol';
import { wordingSchema } from './protocol-schemas';

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
const hand = string().oneOf(['right', 'left']).required();
const quarters = number().min(0).max(16).required();
const letter = string()
  .oneOf([...LETTERS])
  .required();
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
  join: { as: string().oneOf(['chord', 'tie']).required() },
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
  mode: { mode: string().oneOf(['over', 'between']).required() },
  'row-length': { row, quarters },
  length: { quarters },
  voice: {},
  walk: { by: sign, to: string().oneOf(['entry', 'bar', 'end']).required() },
  extend: { by: sign },
  'other-hand': { at: string().oneOf(['same-beat', 'where-it-stops']).required() },
  'go-to': { noteId },
  'go-to-bar': { bar: number().integer().min(0).required(), hand },
  select: { what: string().oneOf(['bar', 'all', 'none']).required() },
  dot: {},
  'set-length': { quarters },
  step: { letters },
  'half-step': { by: sign },
  'set-finger': { finger: number().oneOf([1, 2, 3, 4, 5]).nullable().defined() },
  'tie-off': {},
  sign: { sign: string().oneOf(['staccato', 'accent', 'tenuto', 'fermata']).required() },
  slur: {},
  dynamic: { dynamic: string().nullable().defined() },
  words: { place: string().oneOf(['over', 'under']).required(), text },
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
  heading: { what: string().oneOf(['title', 'composer']).required(), text },
  tempo: { perMinute: number().min(20).max(300).required() },
  undo: {},
  redo: {},
};

/** Checks a command as it comes into the worker. Throws a `ValidationError` for what no screen of ours sends. */
export function checkedCommand(command: ScreenCommand): ScreenCommand {
  const fields = FIELDS[command.kind];
  if (fields === undefined) throw new ValidationError(`no command ${String(command.kind)}`);
  object({ kind: string().required(), ...fields }).validateSync(command, { strict: true });
  return command;
}

export const entryPageSchema = object({
  columns: number().integer().min(4).required(),
  prefix: string().defined(),
  wording: wordingSchema.required(),
});
export const resumeSchema = object({
  typing: string().required(),
  how: string().oneOf(['there', 'near']).required(),
  isAbc: boolean().required(),
}).nullable();
export const entrySourceSchema = object({ musicXml: string().required(), part: string().nullable().defined() });
export const keptChangesSchema = array(
  object({
    number: number().integer().min(0).required(),
    state: mixed<'done' | 'undone'>().oneOf(['done', 'undone']).required(),
    change: string().required(),
  }),
).required();
export const openingSchema = object({
  title: string().max(200).defined(),
  opening: string().max(40).defined(),
  wording: wordingSchema.required(),
});
export const playedSchema = object({
  keys: array(
    object({
      midi: number().integer().min(21).max(108).required(),
      downMs: number().required(),
      upMs: number().required(),
    }),
  ).required(),
  msPerQuarter: number().min(150).max(4000).required(),
  grid: number().oneOf([1, 2, 3, 4, 6, 8]).required(),
});
export const undoRedoSchema = string().oneOf(['undo', 'redo']).required();
export const atMsSchema = number().required();
export const abcSchema = string().max(20_000).defined();
