import { number } from 'yup';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';
import { oneOf, oneOfWritten } from '@/contract/one-of';
import { INNER_SCHOOLS, LEVELS, OUTER_SCHOOLS, REPEAT_SCHOOLS } from '@/core/fingering';

/** What a hand may be asked for, how far it reaches in mm, and by which school. */
export const handFields = {
  level: oneOfWritten(LEVELS),
  spanMm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
  outer: oneOf(OUTER_SCHOOLS),
  inner: oneOf(INNER_SCHOOLS),
  repeat: oneOf(REPEAT_SCHOOLS),
};

/** What counts where nothing is said of a hand. */
export const USUAL_HAND = { level: '4', spanMm: 206, outer: 'allow', inner: 'interval', repeat: 'keep' } as const;
