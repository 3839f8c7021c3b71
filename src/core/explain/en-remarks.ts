import { assertNever, type Remark } from '../result';
import { barsText } from './en-flags';

/** A remark in words for teachers, in English. */
export function remarkWords(remark: Remark): string {
  switch (remark.code) {
    case 'respelled-key':
      return `From bar ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} the key would be ${remark.from}; it is written as ${remark.to}, which sounds the same.`;
    case 'octave-proposed':
      return `The ${remark.hand} hand reads many ledger lines here; an octave ${remark.way} it would lie better on its staff. Set it under “How it moves”.`;
    case 'respelled-note':
      return `${remark.from} is written as ${remark.to} in ${barsText(remark.bars)}.`;
    case 'other-mode':
      return `From ${remark.from} to ${remark.to} the piece goes degree by degree: letters and fingers keep their pattern, the intervals do not, and it sounds different.`;
    case 'enharmonic-proposed':
      return `The raised seventh needs a double sharp here. ${remark.to} sounds the same and reads more easily.`;
    case 'not-planned':
      return 'Fingers are carried over as printed; this version does not look for new fingering.';
    case 'no-fingers':
      return `The ${remark.hand} hand has no finger numbers, so where it sits is not told.`;
    case 'bar-length':
      return `Bar ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} is ${remark.found} quarter notes long instead of ${remark.expected}; it was left as it is.`;
    case 'key-guessed':
      return `The key was taken to be ${remark.key}; it could also be ${remark.runnerUp}.`;
    case 'carried-element':
      return `<${remark.element}> in bar ${remark.bar}${remark.count > 1 ? ` and ${remark.count - 1} more` : ''} is not known here; it is carried through unchanged.`;
    case 'abc-unclear':
      return `Line ${remark.line}, column ${remark.column}: ${remark.detail}. It was left out.`;
    case 'abc-octaves':
      return 'An accidental was taken to hold for its letter in all octaves until the bar line, as the ABC standard says; some programs hold it in its own octave only. Compare the bars with accidentals.';
    case 'more-tunes':
      return `The file holds ${remark.count} tunes; this is the first.`;
    case 'midi-grid':
      return remark.moved === 0 ? `Every note stands on the grid of ${remark.grid}.` : `The rhythm was set to a grid of ${remark.grid}; ${remark.moved} notes were moved to it.`;
    case 'midi-hands':
      return remark.by === 'tracks' ? 'The hands were told apart by the tracks of the file.' : 'The file does not tell the hands apart; the notes were shared out by where the hands can reach.';
    case 'midi-key':
      return remark.by === 'file' ? `The file says ${remark.key}; the notes were spelled in it.` : `The file names no key; by its notes it is in ${remark.key}, and they were spelled in it.`;
    case 'midi-drums':
      return `${remark.count} drum notes were left out: they have no pitch.`;
    case 'duplicate-id':
      return `Two notes share the id “${remark.id}”; the one in bar ${remark.bar} got another.`;
    default:
      return assertNever(remark);
  }
}

/** The printed bar number a remark is about; null where it is about the whole piece. */
export function remarkBar(remark: Remark): string | null {
  return 'bar' in remark ? remark.bar : null;
}
