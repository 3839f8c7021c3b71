import { number, object, string, type InferType } from 'yup';
import { briefOf, type RunFact, type RunsBrief } from '@/core/teaching';
import { isPlain } from './field';
import type { RunRecord } from './run-record';

/** In which form digests are written. One of another form is thrown away and made anew: form 1 had places in lists where there are names now, and a list that
 * grows would have made it say another fault. */
const DIGEST_FORM = 2;

/** The runs of one pupil in short, in no order; `''` is any hand. As text: a thousand runs are read sooner so than one by one. */
export const digestSchema = object({
  pupil: string().defined(),
  form: number().oneOf([DIGEST_FORM]).required(),
  runs: string().required(),
});
export type DigestRecord = InferType<typeof digestSchema>;

/** The same in a few lines, for all pupils at once. As text too. */
export const briefSchema = object({
  pupil: string().defined(),
  form: number().oneOf([DIGEST_FORM]).required(),
  brief: string().required(),
});
export type BriefRecord = InferType<typeof briefSchema>;

export function briefRecordOf(pupil: string | null, facts: readonly RunFact[]): BriefRecord {
  return { pupil: pupil ?? '', form: DIGEST_FORM, brief: JSON.stringify(briefOf(facts)) };
}

/** What is kept of a pupil in a few lines; null where it cannot be read, and has to be made anew. */
export function briefIn(kept: unknown): RunsBrief | null {
  if (!briefSchema.isValidSync(kept, { strict: true })) return null;
  try {
    const value: unknown = JSON.parse(kept.brief);
    return isPlain(value) && LISTS_OF_BRIEF.every((name) => Array.isArray(value[name]))
      ? (value as unknown as RunsBrief)
      : null;
  } catch {
    return null;
  }
}

const LISTS_OF_BRIEF = ['recorded', 'tallies', 'recent'];

/** A run as it stands in the text: lists, since names of fields would be most of it. What can be one of several is there by its name. */
type Row = readonly [
  id: string,
  atMs: number,
  tookMs: number,
  piece: string,
  title: string,
  key: string,
  music: RunFact['music'],
  stage: string | null,
  reach: RunFact['reach'],
  hand: RunFact['hand'],
  way: RunFact['way'],
  tempo: number,
  outcome: RunFact['outcome'],
  step: string | null,
  faults: readonly (readonly [kind: FaultFact['kind'], bar: string, hand: FaultFact['hand']])[],
];

type FaultFact = RunFact['faults'][number];

/** As many fields as a row has. */
const ROW_LENGTH = 15;

/** Thousands of rows are read at once: that each is one is enough, since nobody else writes them. */
function isRows(value: unknown): value is readonly Row[] {
  return Array.isArray(value) && value.every((row) => Array.isArray(row) && row.length === ROW_LENGTH);
}

/** What is known of a run in short. */
export function factOf(run: RunRecord): RunFact {
  const { id, atMs, tookMs, piece, title, key, music, stage, bars, hand, way, tempo, outcome, step, faults } = run;
  return {
    ...{ id, atMs, tookMs, piece, title, key, music, stage, hand, way, tempo, outcome, step },
    reach: bars === null ? 'whole' : 'bars',
    faults: faults.map(({ kind, bar, hand: of }) => ({ kind, bar, hand: of ?? null })),
  };
}

export function digestOf(pupil: string | null, facts: readonly RunFact[]): DigestRecord {
  return { pupil: pupil ?? '', form: DIGEST_FORM, runs: JSON.stringify(facts.map(rowOf)) };
}

function rowOf(fact: RunFact): Row {
  const { id, atMs, tookMs, piece, title, key, music, stage, reach, hand, way, tempo, outcome, step, faults } = fact;
  const told = faults.map(({ kind, bar, hand: of }) => [kind, bar, of] as const);
  return [id, atMs, tookMs, piece, title, key, music, stage, reach, hand, way, tempo, outcome, step, told];
}

/** The runs in a digest; null where it cannot be read, and has to be made anew. */
export function factsIn(digest: unknown): readonly RunFact[] | null {
  if (!digestSchema.isValidSync(digest, { strict: true })) return null;
  try {
    const rows: unknown = JSON.parse(digest.runs);
    return isRows(rows) ? rows.map(factIn) : null;
  } catch {
    return null;
  }
}

function factIn(row: Row): RunFact {
  const [id, atMs, tookMs, piece, title, key, music, stage, reach, hand, way, tempo, outcome, step, told] = row;
  const faults = told.map(([kind, bar, of]) => ({ kind, bar, hand: of }));
  return { id, atMs, tookMs, piece, title, key, music, stage, reach, hand, way, tempo, outcome, step, faults };
}
