import type { Flag } from '../../flags';
import { assertNever } from '../../base';
import { barsText, HAND, listed } from './common';
import type { Terms } from './terms';

/** A flag in one short sentence for the pupil, in English. */
export function pupilWords(t: Terms, flag: Flag): string {
  const { evidence } = flag;
  const [where, hand] = [barsText(t, flag.bars), HAND[flag.hand]];
  switch (evidence.kind) {
    case 'finger-change':
      return `In ${where}, start on ${t.name(evidence.key)} with ${evidence.after[0] ? t.yourFinger(evidence.after[0]) : 'the finger that is marked'}.`;
    case 'position-change':
      return `In ${where} your ${hand} moves: put ${t.yourFinger(evidence.finger)} on ${t.name(evidence.key)}.`;
    case 'extension':
      return `In ${where}, open your ${hand} a little wider.`;
    case 'stretch':
      return `In ${where} your ${hand} opens wide. Stop if it hurts.`;
    case 'out-of-reach':
      return `In ${where}, you need not hold all keys: ask which one to leave out.`;
    case 'hop':
      return `In ${where}, ${t.yourFinger(evidence.finger)} hops from ${t.name(evidence.keys[0])} to ${t.name(evidence.keys[1])}.`;
    case 'crossing':
      return evidence.technique === 'thumb-under'
        ? `In ${where}, ${t.yourFinger(1)} goes under to ${t.name(evidence.key)}.`
        : `In ${where}, ${t.yourFinger(evidence.finger)} goes over to ${t.name(evidence.key)}.`;
    case 'held-finger':
      return `In ${where}, let the long note go a little early.`;
    case 'thumb-on-black':
    case 'fifth-on-black':
    case 'fourth-on-black':
      return `In ${where}, ${t.yourFinger(evidence.finger)} plays ${blackKeys(evidence.uses.map(({ key }) => t.name(key)))}. Move your hand in.`;
    case 'double-duty':
      return `In ${where}, ${t.yourFinger(evidence.finger)} plays ${evidence.keys.map(t.name).join(' and ')}.`;
    case 'shared-key':
      return `In ${where} both hands want ${t.name(evidence.key)}: lift one to make room.`;
    case 'ledger-lines':
      return `In ${where}, count the little lines of the notes.`;
    case 'double-accidental':
      return `In ${where} there is a double sign at ${t.name(evidence.pitch)}: ask which key it is.`;
    case 'hands-overlap':
      return `In ${where} your hands cross.`;
    case 'off-keyboard':
      return `In ${where} your keyboard does not have ${t.name(evidence.pitch)}.`;
    default:
      return assertNever(evidence);
  }
}

/** `the black key E♭`, `the black keys E♭ and B♭`. */
function blackKeys(names: readonly string[]): string {
  const each = [...new Set(names)];
  return `the black ${each.length === 1 ? 'key' : 'keys'} ${listed(each)}`;
}
