import { mixed, number } from 'yup';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';

/** What a hand may be asked for, how far it reaches in mm, and by which school. */
export const handFields = {
  level: mixed<'1' | '2' | '3' | '4'>().oneOf(['1', '2', '3', '4']).required(),
  spanMm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
  outer: mixed<'allow' | 'avoid'>().oneOf(['allow', 'avoid']).required(),
  inner: mixed<'interval' | 'black'>().oneOf(['interval', 'black']).required(),
  repeat: mixed<'keep' | 'change'>().oneOf(['keep', 'change']).required(),
};

/** What counts where nothing is said of a hand. */
export const USUAL_HAND = { level: '4', spanMm: 206, outer: 'allow', inner: 'interval', repeat: 'keep' } as const;
