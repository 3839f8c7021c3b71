import { assertNever, type Remark } from '../../base';
import type { FaultWords } from './faults';
import { unclearWords } from './remarks';

/** What can go wrong around the core: in a worker, while entering, in the engraver. */
export type ServiceFault =
  | { readonly code: 'worker.question'; readonly why: string }
  | { readonly code: 'worker.broken' }
  | { readonly code: 'worker.died' }
  | { readonly code: 'entry.opening'; readonly opening: string }
  | { readonly code: 'entry.closed' }
  | { readonly code: 'entry.nothing-heard' }
  | { readonly code: 'entry.abc'; readonly unclear: Extract<Remark, { readonly code: 'abc-unclear' }> }
  | { readonly code: 'engrave.missing' }
  | { readonly code: 'engrave.refused' }
  | { readonly code: 'engrave.shape'; readonly what: string; readonly release: string | null };

export function serviceFaultWords(fault: ServiceFault): FaultWords {
  switch (fault.code) {
    case 'worker.question':
      return {
        message: `New Thumb asked itself something that it does not understand: ${fault.why.slice(0, 200)}.`,
        hint: 'Reload the page. Nothing was changed.',
      };
    case 'worker.broken':
      return {
        message: 'Something went wrong inside New Thumb.',
        hint: 'Everything is kept. Try it once more; if it happens again, reload the page, or save the studio in Settings.',
      };
    case 'worker.died':
      return {
        message: 'The part of New Thumb that works this out stopped twice.',
        hint: 'Everything is kept. Reload the page; a very long piece may be too much for this device.',
      };
    case 'entry.opening':
      return {
        message: `“${fault.opening}” is not a key and a time.`,
        hint: 'Write them like “G 3/4”, “Bb”, “Am 6/8”, with the beats of a pick-up behind: “G 3/4 1”.',
      };
    case 'entry.closed':
      return {
        message: 'No piece is open for entering.',
        hint: 'Reload the page; the piece is kept as it is.',
      };
    case 'entry.nothing-heard':
      return { message: 'Nothing was heard.', hint: 'Play on the keys after the count-in.' };
    case 'entry.abc':
      return {
        message: `Line ${fault.unclear.line}, place ${fault.unclear.column}: ${unclearWords(fault.unclear)}.`,
        hint: 'Everything else is entered already.',
      };
    case 'engrave.missing':
      return {
        message: 'The engraver has not come, so that no notes can be drawn.',
        hint: 'Look whether there is a network, and reload the page. Everything you did is kept.',
      };
    case 'engrave.refused':
      return { message: 'This piece could not be engraved.', hint: 'It is kept as it is; saving it still works.' };
    case 'engrave.shape':
      return {
        message: `The engraver’s picture is not as New Thumb knows it: ${fault.what}.`,
        hint:
          fault.release === null
            ? 'The piece is kept as it is. Reload the page.'
            : `Release ${fault.release} of the engraver is in place. Put back the one that New Thumb came with.`,
      };
    default:
      return assertNever(fault);
  }
}
