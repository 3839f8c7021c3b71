import { mixed, object, string, type Schema } from 'yup';
import { oneOf } from '@/contract/one-of';

/** What can be asked of the scripting interface with a piece. */
export const JOB_NAMES = ['transpose', 'report', 'ladder', 'stages', 'rote', 'handout', 'judge'] as const;
export type JobName = (typeof JOB_NAMES)[number];

/** One request as it is handed to a thread: everything that its answer depends on. */
export interface Job {
  readonly name: JobName;
  /** The query, as it stands in the address. */
  readonly search: string;
  /** The media type of the body; empty where none was said. */
  readonly type: string;
  readonly body: Uint8Array<ArrayBuffer>;
}

/** What a thread answers: a response in parts that can be handed over. */
export interface Answered {
  readonly status: number;
  readonly headers: readonly (readonly [name: string, value: string])[];
  readonly body: Uint8Array<ArrayBuffer>;
}

const jobSchema: Schema<Job> = object({
  name: oneOf(JOB_NAMES),
  search: string().defined(),
  type: string().defined(),
  body: mixed<Uint8Array<ArrayBuffer>>(
    (value): value is Uint8Array<ArrayBuffer> => value instanceof Uint8Array,
  ).required(),
});

/** The job that was handed over. Throws what Yup throws where it is none. */
export function readJob(message: unknown): Job {
  return jobSchema.validateSync(message, { strict: true });
}
