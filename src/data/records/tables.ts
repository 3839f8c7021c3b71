import { mixed, number, object, string, type InferType } from 'yup';
import { isPlain } from './field';
import { DESK } from './desk';
import { LESSON } from './lesson-record';
import { isPlainCard, isPlainLesson } from './plain-card';
import { isPlainRun } from './plain-run';
import { PLAN_ENTRY } from './plan-record';
import { PUPIL } from './pupil-record';
import { FIND, PIECE } from './records';
import { RUN } from './run-record';
import { SETTINGS } from './settings';
import { understand, type Shape, type Understood } from './understand';

/** The tables that hold what is the teacher's. All of it is changed through the door, and all of it goes into the studio file. */
export const TABLES = ['pieces', 'pupils', 'plan', 'lessons', 'answers', 'runs', 'kept', 'aside'] as const;
export type TableName = (typeof TABLES)[number];

/** The records of `kept`: the settings, how the desk was left, what a studio file held beside what we know, and when the last one was saved. */
export const KEPT_IDS = ['settings', 'desk', 'carried', 'saved'] as const;
export type KeptId = (typeof KEPT_IDS)[number];

/** A value that came from a file or an older version and could not be understood: kept as it is until the teacher deletes it. */
const asideSchema = object({
  id: string().required(),
  form: number().integer().min(1),
  /** Where it came from, in words, and where it would belong. */
  from: string().defined(),
  table: string().defined(),
  why: string().defined(),
  value: mixed().nullable(),
});
export type AsideRecord = InferType<typeof asideSchema>;

const savedSchema = object({ atMs: number().required() });
export type Saved = InferType<typeof savedSchema>;
const SAVED: Shape<Saved> = { schema: savedSchema, usual: {} };

/** Any object: what we do not know is not judged. */
const ANYTHING: Shape<object> = { schema: object(), usual: {} };

const KEPT_SHAPES: Readonly<Record<KeptId, Shape<unknown>>> = {
  settings: SETTINGS,
  desk: DESK,
  carried: ANYTHING,
  saved: SAVED,
};

const SHAPES: Readonly<Record<Exclude<TableName, 'kept'>, Shape<unknown>>> = {
  pieces: PIECE,
  pupils: PUPIL,
  plan: PLAN_ENTRY,
  lessons: LESSON,
  answers: FIND,
  runs: RUN,
  aside: { schema: asideSchema, usual: {} },
};

/** Records of which there are tens of thousands: what is exactly as we write it need not be read through its schema. */
const PLAIN: Partial<Readonly<Record<TableName, (stored: unknown) => boolean>>> = {
  runs: isPlainRun,
  plan: isPlainCard,
  lessons: isPlainLesson,
};

/** Reads a stored record of a table. What stands in `kept` is a value inside a record: the value is what is read, and what is unclear in it has
 * the place that it has in the record. */
export function understandIn(table: TableName, stored: unknown): Understood<unknown> {
  if (PLAIN[table]?.(stored)) return { kind: 'record', record: stored, unclear: [] };
  if (table !== 'kept') return understand(SHAPES[table], stored);
  const shape = isPlain(stored) ? KEPT_SHAPES[stored['id'] as KeptId] : undefined;
  if (!shape || !isPlain(stored)) return { kind: 'unreadable', why: 'it is none of the records that New Thumb keeps' };
  const read = understand(shape, stored['value']);
  return read.kind === 'record'
    ? { ...read, unclear: read.unclear.map((one) => ({ ...one, field: ['value', ...one.field] })) }
    : read;
}
