import { array, mixed, number, object, string, type InferType } from 'yup';
import { FIND_KINDS } from '@/core/practice';
import { MARK_KINDS } from '@/core/annotate';
import { inKeyOrder } from './field';
import { FORM } from './form';
import { homeworkSchema } from './homework-field';
import { forWhom, NO_STAGES, stageFields } from './stage-fields';
import type { Shape } from './understand';
import { oneOf } from '@/contract/one-of';

/** What the teacher decided of a piece: fingers, hand notes put away with a reason, marks for the pupil. */
export const decidedSchema = object({
  fingers: array(object({ ...forWhom, note: string().required(), finger: oneOf([1, 2, 3, 4, 5]) })).required(),
  aside: array(object({ ...forWhom, flag: string().required(), reason: string().defined() })).required(),
  marks: array(
    object({
      ...forWhom,
      kind: oneOf(MARK_KINDS),
      note: string().required(),
      text: string().defined(),
    }),
  ).required(),
});
export type Decided = InferType<typeof decidedSchema>;

export const NOTHING_DECIDED: Decided = { fingers: [], aside: [], marks: [] };

export { FORM } from './form';

const form = number().integer().min(1);

/** A tag is a word or two. */
export const MOST_TAG_LETTERS = 40;

/** A piece as it is kept. `musicXml` is the file as it was brought in; what the teacher chose stands beside it. */
export const pieceRecordSchema = object({
  id: string().required(),
  form,
  origin: oneOf(['demo', 'own']),
  fileName: string().defined(),
  musicXml: string().required(),
  addedAt: number().required(),
  /** The key last looked at on the Bench, as `D-major`; null before the first. */
  lastKey: string().nullable().defined(),
  /** The piece's own key where the teacher overrules what was found. */
  ownKey: string().nullable().defined(),
  /** The MIDI file that the piece was read from, in base 64, and the grid its rhythm was set to (0 is the found one). */
  midi: object({ file: string().required(), grid: number().required() }).default(undefined).optional(),
  /** What the piece file held beside the music, carried through. */
  beside: object().default(undefined).optional(),
  /** The part that is the pupil's, by its id, where the teacher says so. */
  part: string().nullable().defined(),
  /** Notes that the teacher wants under the other letter, each as `key|note`, or `key|note|pupil` where it is for a pupil; the key as `D-major`. */
  respelled: array(string().required()).required(),
  /** What was doubtful when the file was read, in words. */
  remarks: array(object({ message: string().required(), bar: string() })).required(),
  decided: decidedSchema.required(),
  ...stageFields,
  homework: homeworkSchema,
  /** The piece of which this one is a stage, by its id, and what the stage is called; null where it is none. */
  stageOf: object({ piece: string().required(), stage: string().required(), title: string().required() })
    .nullable()
    .defined(),
  /** Words that the teacher put on the card, to find it by. */
  tags: array(string().trim().required().max(MOST_TAG_LETTERS)).required(),
  /** On the shelf, or put away in the archive. */
  place: oneOf(['shelf', 'archive']),
  /** The pupil by whose hand-over the piece came here; not said of a piece that came otherwise. Never told to others. */
  handedTo: string().default(undefined).optional(),
  /** When it was opened last; null where it never was. */
  usedAt: number().nullable().defined(),
  /** Names this state of the music: another with every change of `musicXml`, never used twice. None where the music never changed. */
  edition: string().nullable().defined(),
});
export type PieceRecord = InferType<typeof pieceRecordSchema>;

/** What a piece without it is taken to say. */
const USUAL_PIECE = {
  form: FORM,
  origin: 'own' as const,
  fileName: '',
  addedAt: 0,
  lastKey: null,
  ownKey: null,
  part: null,
  respelled: [],
  remarks: [],
  decided: NOTHING_DECIDED,
  ...NO_STAGES,
  homework: [],
  stageOf: null,
  tags: [],
  place: 'shelf' as const,
  usedAt: null,
  edition: null,
};

export const PIECE: Shape<PieceRecord> = { schema: pieceRecordSchema, usual: USUAL_PIECE };

/** A piece that comes onto the shelf: what is left out is what is usual. */
export type NewPiece = Pick<PieceRecord, 'id' | 'origin' | 'fileName' | 'musicXml' | 'addedAt'> &
  Partial<
    Pick<
      PieceRecord,
      | 'tags'
      | 'lastKey'
      | 'ownKey'
      | 'part'
      | 'respelled'
      | 'remarks'
      | 'decided'
      | 'midi'
      | 'beside'
      | 'ownStages'
      | 'stageOrder'
      | 'stagesLeft'
      | 'stagesAdded'
      | 'stageFingers'
      | 'stageOf'
      | 'homework'
    >
  >;

/** A new piece with everything that a record has. */
export function pieceRecord(piece: NewPiece): PieceRecord {
  const { respelled, tags, decided, ownStages, stageFingers, homework, ...rest } = {
    ...USUAL_PIECE,
    ...definedOf(piece),
  };
  const { fingers, aside, marks } = decided;
  const ordered = {
    fingers: inKeyOrder(['decided', 'fingers'], fingers),
    aside: inKeyOrder(['decided', 'aside'], aside),
    marks: inKeyOrder(['decided', 'marks'], marks),
  };
  return {
    ...rest,
    respelled: inKeyOrder(['respelled'], respelled) as string[],
    tags: inKeyOrder(['tags'], tags) as string[],
    decided: { ...decided, ...ordered } as Decided,
    homework: inKeyOrder(['homework'], homework) as PieceRecord['homework'],
    ownStages: inKeyOrder(['ownStages'], ownStages) as PieceRecord['ownStages'],
    stageFingers: inKeyOrder(['stageFingers'], stageFingers) as PieceRecord['stageFingers'],
  };
}

function definedOf<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as T;
}

/** One answer of a finding game, kept in the pupil's record; null for any hand. */
const findRecordSchema = object({
  id: string().required(),
  form,
  pupil: string().nullable().defined(),
  kind: oneOf(FIND_KINDS),
  /** The question in words, and whether it was answered right. */
  asked: string().defined(),
  verdict: oneOf(['right', 'wrong']),
  tookMs: number().min(0).required(),
  atMs: number().required(),
});
export type FindRecord = InferType<typeof findRecordSchema>;

export const FIND: Shape<FindRecord> = { schema: findRecordSchema, usual: { form: FORM } };

/** What the core found out about pieces in all keys, for one hand, as bytes: many pieces in one record, since a shelf is read as a whole.
 * A later record says more of a piece than an earlier one. `core` names the core that found it. */
export const fitPackSchema = object({
  number: number().integer().min(0).required(),
  player: string().required(),
  core: string().required(),
  fits: mixed<Uint8Array>((value): value is Uint8Array => ArrayBuffer.isView(value)).required(),
});
export type FitPack = InferType<typeof fitPackSchema>;
