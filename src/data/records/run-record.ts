import { array, mixed, number, object, string, type InferType } from 'yup';
import { PLAY_FAULT_KINDS, STRICTNESSES, type PlayFaultKind, type Strictness } from '@/core/practice';
import { STEP_WAYS, type StepWay } from '@/core/homework';
import type { Hand } from '@/core/score';
import type { Shape } from './understand';
import { oneOf } from '@/contract/one-of';

/** On what a run was played. */
export const PLAYED_ON = ['screen', 'midi', 'microphone', 'simulated'] as const;
export type PlayedOn = (typeof PLAYED_ON)[number];

const barIndex = number().integer().min(0).required();

/** One run through something, as it was played and judged; or a step that the pupil ticked. */
const runSchema = object({
  id: string().required(),
  form: number().integer().min(1),
  pupil: string().nullable().defined(),
  /** The piece by its id, what it was called, and which music it had. */
  piece: string().required(),
  title: string().defined(),
  edition: string().nullable().defined(),
  /** Whether it was the piece, or the five fingers of its key. */
  music: oneOf(['piece', 'warm-up']),
  /** As `D-major`. */
  key: string().required(),
  stage: string().nullable().defined(),
  /** The practice step that it was a run of, by its id; null where it was none. */
  step: string().nullable().defined(),
  hand: oneOf<Hand | 'both'>(['both', 'right', 'left']),
  bars: object({ from: barIndex, to: barIndex }).nullable().defined(),
  way: oneOf<StepWay>(STEP_WAYS),
  /** In per cent of what is written. */
  tempo: number().integer().min(1).max(300).required(),
  /** How it was listened to, so that it can be judged again: `bpm` and `countIn` as the judge wants them. */
  ear: oneOf<Strictness>(STRICTNESSES),
  bpm: number().positive().nullable().defined(),
  countIn: number().min(0).nullable().defined(),
  playedOn: oneOf<PlayedOn>(PLAYED_ON),
  atMs: number().required(),
  tookMs: number().min(0).required(),
  outcome: oneOf(['clean', 'unclean', 'ticked']),
  /** How many notes were asked for, and how many were right. */
  written: number().integer().min(0).required(),
  right: number().integer().min(0).required(),
  /** Faults by kind and place; bars as printed. */
  faults: array(
    object({
      kind: oneOf<PlayFaultKind>(PLAY_FAULT_KINDS),
      bar: string().defined(),
      beat: number().required(),
      /** Null where both hands are concerned; not there in runs that were kept before it was. */
      hand: mixed<Hand>().oneOf(['right', 'left']).nullable().optional(),
      notes: array(string().required()).required(),
    }),
  ).required(),
  /** Notes that the microphone did not hear clearly, as indexes of the asked notes; null where keys were played, not there in runs that were kept before there was an ear. */
  unclear: array(number().integer().min(0).required()).nullable().optional(),
  /** What was played, as a Standard MIDI File in base 64; null where nothing was to be heard. */
  midi: string().nullable().defined(),
});
export type RunRecord = InferType<typeof runSchema>;

export const RUN: Shape<RunRecord> = {
  schema: runSchema,
  usual: { music: 'piece', stage: null, step: null, bars: null, midi: null },
};
