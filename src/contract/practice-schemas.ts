import { array, number, object, string, type Schema } from 'yup';
import type { StruckKey } from '@/core/asked';
import { STEP_KINDS, STEP_OPENINGS, STEP_WAYS, type StepKind, type StepOpening, type StepWay } from '@/core/homework';
import { STRICTNESSES, type JudgeOptions, type Strictness } from '@/core/practice';
import type { Hand } from '@/core/score';
import { WEAKNESSES, type Pupil, type Weakness } from '@/core/simulation';
import type { PractisedPart, StepsKept } from '@/core/views';
import type { HeardRun } from './ear-questions';
import { oneOf } from './one-of';

const barIndex = number().required().integer().min(0);

export const practisedPartSchema: Schema<PractisedPart> = object({
  hand: oneOf<Hand | 'both'>(['both', 'right', 'left']),
  bars: object({ from: barIndex, to: barIndex }).nullable().defined(),
});

/** More keys than anybody strikes in one go; an hour of playing. */
const MOST_KEYS = 50_000;

const midi = number().required().integer().min(0).max(127);

export const struckKeysSchema: Schema<readonly StruckKey[]> = array(
  object({
    midi,
    downMs: number().required(),
    upMs: number().required(),
    velocity: number().required().integer().min(0).max(127),
  }),
)
  .required()
  .max(MOST_KEYS);

export const bpmSchema = number().positive().max(1000).nullable().defined();

export const judgeOptionsSchema: Schema<JudgeOptions> = object({
  strictness: oneOf<Strictness>(STRICTNESSES),
  bpm: bpmSchema,
  countIn: number().min(0).max(64).nullable().defined(),
  byEar: object({ unclear: array(number().required().integer().min(0)).required().max(MOST_KEYS) })
    .nullable()
    .default(undefined),
});

/** More strokes than two ears can make of an hour. */
const MOST_STROKES = 200_000;
const odds = number().required();

export const heardRunSchema: Schema<HeardRun> = object({
  strokes: array(object({ midi, atMs: number().required(), live: odds, after: odds }))
    .required()
    .max(MOST_STROKES),
  ears: oneOf<HeardRun['ears']>(['live', 'both']),
  gaps: array(number().required()).required().max(MOST_STROKES),
});

export const simulatedPupilSchema: Schema<Pupil> = object({
  seed: number().required().integer(),
  bpm: number().required().positive().max(1000),
  jitterMs: number().required().min(0).max(500),
  unevenMs: number().required().min(0).max(1000),
  drift: number().required().min(0).max(0.5),
  weaknesses: array(oneOf<Weakness>(WEAKNESSES)).required(),
});

/** So often in a row at most, and so slow and fast (per cent of what is written) a step is. */
const MOST_TIMES = 9;

export const practiceStepSchema = object({
  id: string().required(),
  kind: oneOf<StepKind>(STEP_KINDS),
  words: string().defined().max(300),
  hand: oneOf<Hand | 'both'>(['both', 'right', 'left']),
  bars: object({ from: barIndex, to: barIndex }).nullable().defined(),
  stage: string().nullable().defined(),
  key: string().nullable().defined(),
  tempo: number().required().integer().min(30).max(120),
  way: oneOf<StepWay>(STEP_WAYS),
  times: number().required().integer().min(1).max(MOST_TIMES),
  opens: oneOf<StepOpening>(STEP_OPENINGS),
});

export const stepsKeptSchema: Schema<StepsKept> = object({
  kept: array(practiceStepSchema.required()).nullable().defined(),
  ownStages: array(object({ id: string().required(), title: string().required() })).required(),
});
