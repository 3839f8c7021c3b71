import { number } from 'yup';
import type { Wording } from '@/core/explain';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';

const MM_PER_INCH = 25.4;

const reach = number().integer().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required();

/** A reach as it was typed, in whole mm; null where it is none. In inches tenths are enough, a comma is as good as a point. */
export function reachTyped({ lengths }: Pick<Wording, 'lengths'>, typed: string): number | null {
  const said = Number(typed.trim().replace(',', '.'));
  const mm = lengths === 'mm' ? said : Math.round(said * MM_PER_INCH);
  return typed.trim() !== '' && reach.isValidSync(mm) ? mm : null;
}
