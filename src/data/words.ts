import { assertNever } from '@/core/base';
import type { StoreFault } from './door/commands';
import type { TableName } from './records/tables';

/** What a record of each table is, in words. */
export const RECORD_NAMES: Readonly<Record<TableName, string>> = {
  pieces: 'piece',
  pupils: 'pupil',
  plan: 'entry of a plan',
  answers: 'answer of a finding game',
  kept: 'setting',
  aside: 'thing from elsewhere',
};

/** Why something was not kept, and what to do, for teachers. */
export function storeFaultWords(fault: StoreFault): { readonly message: string; readonly hint: string } {
  switch (fault.code) {
    case 'store.gone':
      return {
        message: `This ${RECORD_NAMES[fault.place.table]} is not there any more: it was taken away meanwhile, perhaps in another tab.`,
        hint: 'Undo, in the tab where that was done, brings it back.',
      };
    case 'store.there':
      return { message: `This ${RECORD_NAMES[fault.place.table]} is there already.`, hint: 'Nothing was changed.' };
    case 'store.music-changed':
      return {
        message: 'The notes of this piece were changed elsewhere meanwhile.',
        hint: 'It is shown as it is now; do it once more where it is still wanted.',
      };
    case 'store.unclear':
      return {
        message: `Something in this ${RECORD_NAMES[fault.place.table]} cannot be understood, and is not written over.`,
        hint: 'It is listed in Settings under “Set aside”: save it there as a file, delete it, and do this once more.',
      };
    case 'store.invalid':
      return { message: `This cannot be kept: ${fault.why}.`, hint: 'Nothing was changed.' };
    case 'store.full':
      return {
        message: 'There is no room left on this device.',
        hint: 'Make room, or save the studio to a file in Settings.',
      };
    case 'store.unreachable':
      return {
        message: `The browser’s store cannot be reached (${fault.detail}).`,
        hint: 'Reload the page. If that does not help, look whether this browser may keep data, and that it is no private window.',
      };
    default:
      return assertNever(fault);
  }
}
