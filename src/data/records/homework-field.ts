import { array, object } from 'yup';
import { practiceStepSchema } from '@/contract/practice-schemas';
import { forWhom } from './stage-fields';

/** The teacher's steps for practising a piece: for a pupil and a key, or for all. */
export const homeworkSchema = array(
  object({ ...forWhom, steps: array(practiceStepSchema.required()).required() }),
).required();
