import { GREATEST_SPAN_MM, KEYBOARD_SIZES, LEAST_SPAN_MM, type KeyboardSize } from '@/core/keyboard';
import { mixed, number, string, type Schema } from 'yup';
import {
  BAR_WORDS,
  FINGER_WORDS,
  LENGTHS,
  NOTE_NAMES,
  RHYTHM_WORDS,
  USUAL_WORDING,
  type RoteStyle,
  type Wording,
} from '@/core/explain';
import { FINGERINGS, NO_DECISIONS, type Fingering, type MoveOptions } from '@/core/piece';
import {
  DIALS,
  CLOSE_CHORD_SCHOOLS,
  FIFTH_SIXTH_SCHOOLS,
  TONIC_HANDS,
  INNER_SCHOOLS,
  LEVELS,
  OUTER_SCHOOLS,
  REPEAT_SCHOOLS,
  USUAL_PLAYER,
  type Dial,
  type CloseChordSchool,
  type FifthSixthSchool,
  type TonicHand,
  type InnerSchool,
  type Level,
  type OuterSchool,
  type Player,
  type RepeatSchool,
} from '@/core/fingering';
import { DIRECTIONS, MODES, parseKey, type Direction, type Key, type Mode } from '@/core/pitch';
import { FILE_FORMATS, err, ok, type Fault, type FileFormat, type Result } from '@/core/base';
import { KEY_ORDERS, type KeyOrder } from '@/core/survey';
import { readPrintQuery, type PrintQuery } from './print-query';
import { COURTESIES, type Courtesy } from '@/core/notation';
import { DEGREE_FORMS, SPELLINGS, type DegreeForm, type Spelling } from '@/core/transpose';

/** How a piece can be sent: as a file, or as the words of a rote sheet. */
export const SENT_FORMATS = [...FILE_FORMATS, 'rote'] as const;
export type SentFormat = (typeof SENT_FORMATS)[number];

/** The query of the scripting interface, checked, with its defaults filled in. `to` stays text until the piece's own
 * mode is known. */
export interface ApiQuery {
  readonly to: string | null;
  readonly key: string | null;
  readonly from: SentFormat | null;
  readonly part: string | null;
  readonly format: FileFormat;
  readonly order: KeyOrder;
  /** The mode of the ladder; null for the piece's own. */
  readonly mode: Mode | null;
  readonly options: Omit<MoveOptions, 'to'>;
  /** The id of the stage that is wanted; null for the piece as it is, or for all of them. */
  readonly stage: string | null;
  /** In which words sentences are wanted. */
  readonly wording: Wording;
  /** To whom a rote sheet speaks, and whether keys have names on it. */
  readonly rote: RoteStyle;
  /** What is wanted on paper. */
  readonly print: PrintQuery;
}

const ROTE_VOICES = ['teacher', 'child'] as const;

const OCTAVES = 'a whole number from -4 to 4';

/** Reads the query. Errors: `query.value` with what is allowed. */
export function readQuery(search: URLSearchParams): Result<ApiQuery, Fault> {
  const faults: Fault[] = [];
  const choice = <T extends string>(name: string, values: readonly T[], usual: T): T =>
    field<T>(search, name, {
      schema: mixed<T>().oneOf(values).required() as Schema<T>,
      usual,
      allowed: values.join(', '),
      faults,
    });
  const whole = (name: string, [from, to]: readonly [number, number], usual: number, allowed: string): number =>
    field(search, name, { schema: number().integer().min(from).max(to).required(), usual, allowed, faults });

  const both = whole('octaves', [-4, 4], 0, OCTAVES);
  const player = playerIn({ search, faults, choice, whole });
  const wording = wordingIn(choice);
  const query: ApiQuery = {
    to: search.get('to'),
    key: keyText(search, faults),
    from: search.has('from') ? choice<SentFormat>('from', SENT_FORMATS, 'musicxml') : null,
    part:
      field(search, 'part', { schema: string().nullable(), usual: null, allowed: 'a part’s id or number', faults }) ??
      null,
    format: choice<FileFormat>('format', FILE_FORMATS, 'musicxml'),
    order: choice<KeyOrder>('order', KEY_ORDERS, 'ease'),
    mode: search.has('mode') ? choice<Mode>('mode', MODES, 'major') : null,
    stage: search.get('stage'),
    wording,
    print: readPrintQuery(search, choice, faults),
    rote: {
      voice: choice('voice', ROTE_VOICES, 'teacher'),
      names: search.get('names') === 'none' ? 'none' : wording.names,
    },
    options: {
      direction: choice<Direction>('direction', DIRECTIONS, 'nearest'),
      octaves: {
        right: whole('octaves.right', [-4, 4], both, OCTAVES),
        left: whole('octaves.left', [-4, 4], both, OCTAVES),
      },
      spelling: choice<Spelling>('spelling', SPELLINGS, 'strict'),
      courtesy: choice<Courtesy>('courtesy', COURTESIES, 'bar'),
      sixth: choice<DegreeForm>('sixth', DEGREE_FORMS, 'natural'),
      seventh: choice<DegreeForm>('seventh', DEGREE_FORMS, 'raised'),
      fingering: choice<Fingering>('fingering', FINGERINGS, 'plan'),
      player,
      keyboard: Number(choice('keyboard', KEYBOARD_SIZES.map(String), '88')) as KeyboardSize,
      respelled: [],
      decisions: NO_DECISIONS,
    },
  };
  const first = faults[0];
  return first ? err(first) : ok(query);
}

/** What reads single values of the query. */
interface Reading {
  readonly search: URLSearchParams;
  readonly faults: Fault[];
  readonly choice: <T extends string>(name: string, values: readonly T[], usual: T) => T;
  readonly whole: (name: string, range: readonly [number, number], usual: number, allowed: string) => number;
}

/** For which hand, and by which school. */
function playerIn({ search, faults, choice, whole }: Reading): Player {
  const dial = (name: string): Dial => choice<Dial>(name, DIALS, 'usual');
  return {
    level: whole('level', [1, LEVELS.length], USUAL_PLAYER.level, LEVELS.join(', ')) as Level,
    spanMm: field(search, 'span', {
      schema: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
      usual: USUAL_PLAYER.spanMm,
      allowed: `a number of mm from ${LEAST_SPAN_MM} to ${GREATEST_SPAN_MM}`,
      faults,
    }),
    outer: choice<OuterSchool>('outer', OUTER_SCHOOLS, USUAL_PLAYER.outer),
    inner: choice<InnerSchool>('inner', INNER_SCHOOLS, USUAL_PLAYER.inner),
    repeat: choice<RepeatSchool>('repeat', REPEAT_SCHOOLS, USUAL_PLAYER.repeat),
    closeChords: choice<CloseChordSchool>('chords', CLOSE_CHORD_SCHOOLS, USUAL_PLAYER.closeChords),
    tonicHand: choice<TonicHand>('tonic', TONIC_HANDS, USUAL_PLAYER.tonicHand),
    fifthSixth: choice<FifthSixthSchool>('fifth-sixth', FIFTH_SIXTH_SCHOOLS, USUAL_PLAYER.fifthSixth),
    thumbOffBlack: dial('thumb'),
    keepPrinted: dial('printed'),
    moveOverStretch: dial('moving'),
  };
}

/** How the caller calls things. */
function wordingIn(choice: <T extends string>(name: string, values: readonly T[], usual: T) => T): Wording {
  return {
    ...USUAL_WORDING,
    bar: choice('bar', BAR_WORDS, USUAL_WORDING.bar),
    rhythm: choice('rhythm', RHYTHM_WORDS, USUAL_WORDING.rhythm),
    names: namesIn(choice('names', [...NOTE_NAMES, 'none'], USUAL_WORDING.names)),
    fingers: choice('fingers', FINGER_WORDS, USUAL_WORDING.fingers),
    lengths: choice('lengths', LENGTHS, USUAL_WORDING.lengths),
  };
}

/** A rote sheet may do without names; what else is said then has the usual ones. */
function namesIn(names: Wording['names'] | 'none'): Wording['names'] {
  return names === 'none' ? USUAL_WORDING.names : names;
}

/** The wanted key, once the piece's own mode is known. Errors: `query.missing`, `query.value`. */
export function wantedKey(to: string | null, mode: Mode): Result<Key, Fault> {
  if (to === null || to.trim() === '') return err({ code: 'query.missing', name: 'to' });
  const key = parseKey(to, mode);
  return key ? ok(key) : err({ code: 'query.value', name: 'to', value: to, allowed: KEY_HINT });
}

export const KEY_HINT =
  'a key with at most seven signs, such as D, Bb, Fsharp, Bb-major, c-minor (in an address a bare # ends the query: write F%23 or Fsharp)';

function keyText(search: URLSearchParams, faults: Fault[]): string | null {
  const value = search.get('key');
  if (value === null || parseKey(value, 'major') || parseKey(value, 'minor')) return value;
  faults.push({ code: 'query.value', name: 'key', value, allowed: KEY_HINT });
  return null;
}

function field<T>(
  search: URLSearchParams,
  name: string,
  {
    schema,
    usual,
    allowed,
    faults,
  }: { readonly schema: Schema<T>; readonly usual: T; readonly allowed: string; readonly faults: Fault[] },
): T {
  const value = search.get(name);
  if (value === null) return usual;
  if (schema.isValidSync(value)) return schema.cast(value) as T;
  faults.push({ code: 'query.value', name, value, allowed });
  return usual;
}
