import { array, mixed, number, object, type Schema } from 'yup';
import type { StruckKey } from '@/core/asked';
import { STRICTNESSES, type JudgeOptions, type Strictness } from '@/core/practice';
import type { Hand } from '@/core/score';
import { WEAKNESSES, type Pupil, type Weakness } from '@/core/simulation';
import type { PractisedPart } from '@/core/views';

function oneOf<T extends string>(values: readonly T[]) {
  return mixed<T>()
    .oneOf([...values])
    .required();
}

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

export const judgeOptionsSchema: Schema<JudgeOptions> = object({
  strictness: oneOf<Strictness>(STRICTNESSES),
  bpm: number().positive().max(1000).nullable().defined(),
  countIn: number().min(0).max(64).nullable().defined(),
});

export const simulatedPupilSchema: Schema<Pupil> = object({
  seed: number().required().integer(),
  bpm: number().required().positive().max(1000),
  jitterMs: number().required().min(0).max(500),
  unevenMs: number().required().min(0).max(1000),
  drift: number().required().min(0).max(0.5),
  weaknesses: array(oneOf<Weakness>(WEAKNESSES)).required(),
});
