import { boolean, mixed, number, object, string, type InferType } from 'yup';
import { oneOf } from '@/contract/one-of';

/** What was found out of the piano in front of this browser's microphone: how much higher than usual it is tuned (cents), how loud a note is (as the ear
 * counts it), and how far the noise lies below it (dB). */
export const tuningSchema = object({
  id: oneOf(['microphone']),
  cents: number().min(-60).max(60).required(),
  loudness: number().positive().required(),
  clearDb: number().required(),
});
export type TuningRecord = InferType<typeof tuningSchema>;

/** The sound of a run. `asWritten`: whoever teaches says that it was played just as it is written, so that what the ear made of it can be counted. */
export const recordingSchema = object({
  run: string().required(),
  sound: mixed<Blob>((value): value is Blob => value instanceof Blob).required(),
  asWritten: boolean().optional(),
});
export type RecordingRecord = InferType<typeof recordingSchema>;
