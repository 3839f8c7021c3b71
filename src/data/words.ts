import { assertNever } from '@/core/base';
import type { Words } from '@/core/explain';
import type { StoreFault } from './door/commands';

/** Why something was not kept, and what to do, for teachers. */
export function storeFaultWords(
  { store }: Pick<Words, 'store'>,
  fault: StoreFault,
): { readonly message: string; readonly hint: string } {
  switch (fault.code) {
    case 'store.gone':
      return store.gone(store.records[fault.place.table]);
    case 'store.there':
      return store.there(store.records[fault.place.table]);
    case 'store.music-changed':
      return store.musicChanged;
    case 'store.unclear':
      return store.unclear(store.records[fault.place.table]);
    case 'store.invalid':
      return store.invalid(fault.why);
    case 'store.not-as-looked-at':
      return store.notAsLookedAt;
    case 'store.full':
      return store.full;
    case 'store.lost':
      return store.lost;
    case 'store.unreachable':
      return store.unreachable(fault.detail);
    default:
      return assertNever(fault);
  }
}
