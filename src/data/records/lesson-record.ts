import { number, object, string, type InferType } from 'yup';
import { oneOf } from '@/contract/one-of';
import { FORM } from './form';
import { day } from './pupil-record';
import type { Shape } from './understand';

/** So much may stand in the note of one lesson. */
export const MOST_LESSON_LETTERS = 10_000;

/** What was noted in a lesson. A pupil has one such record a day; it is named by both. */
export const lessonSchema = object({
  id: string().required(),
  form: number().integer().min(1),
  origin: oneOf<'demo' | 'own'>(['demo', 'own']),
  pupil: string().required(),
  day,
  note: string().defined().max(MOST_LESSON_LETTERS),
});
export type LessonRecord = InferType<typeof lessonSchema>;

export const LESSON: Shape<LessonRecord> = { schema: lessonSchema, usual: { form: FORM, origin: 'own', note: '' } };

export function lessonId(pupil: string, onDay: string): string {
  return `${pupil}/${onDay}`;
}
