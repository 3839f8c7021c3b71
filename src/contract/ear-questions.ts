import { array, mixed, number, object, type Schema } from 'yup';
import type { Ears, HeardByOne, PossibleStroke, TunedNote, Tuning, TuningHeard } from '@/core/hearing';
import type { Answer } from './answer';
import { CALLED_BACK, type Checks } from './checks';

/** How it is listened: the rate of what comes from the microphone (samples a second), and what tuning in has found out; `loudness` null where nothing is known of it. */
export interface Listening {
  readonly rate: number;
  readonly cents: number;
  readonly loudness: number | null;
}

/** All that may have been struck in a run, and which ears heard it: where the second one could not be had, the first is alone. `gaps`: where sound may be lost, in ms. */
export interface HeardRun {
  readonly strokes: readonly PossibleStroke[];
  readonly ears: Extract<Ears, 'live' | 'both'>;
  readonly gaps: readonly number[];
}

/** What is asked of the ear. Sound comes piece by piece, in order. */
export interface EarService {
  /** Begins to listen to a run. */
  begin(how: Listening): Promise<Answer<null>>;
  /** The next piece of sound; answers what was heard, with times in ms from the first piece on. */
  hear(chunk: Float32Array): Answer<readonly HeardByOne[]>;
  /** The run is over: the other ear listens to all of it. `onPart` is told how far it is, from 0 to 1. */
  end(onPart: (share: number) => void): Promise<Answer<HeardRun>>;
  /** Begins to tune in. */
  tune(rate: number): Answer<null>;
  /** The next piece of sound while a named note is waited for. */
  hearNote(chunk: Float32Array, midi: number): Answer<TuningHeard>;
  /** What the named notes together say; null where there are none. */
  tuningOf(notes: readonly TunedNote[]): Answer<Tuning | null>;
}

/** Microphones give between these. Unit: samples a second. */
const rateSchema: Schema<number> = number().required().min(8000).max(192_000);
const listeningSchema: Schema<Listening> = object({
  rate: rateSchema,
  cents: number().required().min(-60).max(60),
  loudness: number().positive().nullable().defined(),
});
/** A piece of sound is at most some seconds long. */
const MOST_SAMPLES = 1 << 20;
const chunkSchema: Schema<Float32Array> = mixed<Float32Array>(
  (value): value is Float32Array => value instanceof Float32Array && value.length <= MOST_SAMPLES,
).required();
const keySchema: Schema<number> = number().required().integer().min(21).max(108);
const level = number().required().min(0);
const tunedNotesSchema: Schema<readonly TunedNote[]> = array(
  object({ cents: number().required(), loudness: level, noise: level }),
)
  .required()
  .max(100);

/** What may be said in each question that the ear is asked. */
export const EAR_CHECKS: Checks<EarService> = {
  begin: [listeningSchema],
  hear: [chunkSchema],
  end: [CALLED_BACK],
  tune: [rateSchema],
  hearNote: [chunkSchema, keySchema],
  tuningOf: [tunedNotesSchema],
};
