import type { PartnerKey, Partner } from '@/core/survey';
import { type Words } from '@/features/shared/words/use-words';

/** Who sings or plays along. */
export const instruments = (w: Words): Readonly<Record<Partner, string>> => ({
  concert: w.shared.singerOrInstrumentInC,
  'b-flat': w.shared.instrumentInB,
  'e-flat': w.shared.instrumentInE,
  f: w.shared.instrumentInF,
  a: w.shared.instrumentIn,
});

/** By how many half steps a tune goes beyond what is comfortable: `fits`, `half a step too high`. */
export function fitWords(w: Words, { fit }: Pick<PartnerKey, 'fit'>): string {
  if (fit.below === 0 && fit.above === 0) return w.shared.fits;
  return [
    ...(fit.below > 0 ? [w.shared.tooLow(halfSteps(w, fit.below))] : []),
    ...(fit.above > 0 ? [w.shared.tooHigh(halfSteps(w, fit.above))] : []),
  ].join(', ');
}

function halfSteps(w: Words, count: number): string {
  return count === 1 ? w.shared.halfStep : w.shared.halfSteps(count);
}

/** The key that the partner reads. One with more signs than print has is told as such. */
export function readsWords(w: Words, { reads, isReadable }: Pick<PartnerKey, 'reads' | 'isReadable'>): string {
  return isReadable ? w.says.key(reads) : w.shared.tooManySigns(w.says.key(reads));
}
