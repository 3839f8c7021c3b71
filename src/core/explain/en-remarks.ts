import { assertNever, type Remark } from '../result';

/** A remark in words for teachers, in English. */
export function remarkWords(remark: Remark): string {
  switch (remark.code) {
    case 'respelled-key':
      return `From bar ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} the key would be ${remark.from}; it is written as ${remark.to}, which sounds the same.`;
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
