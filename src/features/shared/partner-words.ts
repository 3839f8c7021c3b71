import type { PartnerKey, Partner } from '@/core/survey';

/** Who sings or plays along. */
export const INSTRUMENTS: Readonly<Record<Partner, string>> = {
  concert: 'a singer, or an instrument in C',
  'b-flat': 'an instrument in B♭',
  'e-flat': 'an instrument in E♭',
  f: 'an instrument in F',
  a: 'an instrument in A',
};

/** By how many half steps a tune goes beyond what is comfortable: `fits`, `half a step too high`. */
export function fitWords({ fit }: Pick<PartnerKey, 'fit'>): string {
  if (fit.below === 0 && fit.above === 0) return 'fits';
  return [
    ...(fit.below > 0 ? [`${halfSteps(fit.below)} too low`] : []),
    ...(fit.above > 0 ? [`${halfSteps(fit.above)} too high`] : []),
  ].join(', ');
}

function halfSteps(count: number): string {
  return count === 1 ? 'half a step' : `${count} half steps`;
}

/** The key that the partner reads. One with more signs than print has is told as such. */
export function readsWords({ reads, isReadable }: Pick<PartnerKey, 'reads' | 'isReadable'>): string {
  return isReadable ? reads : `${reads}: too many signs`;
}
