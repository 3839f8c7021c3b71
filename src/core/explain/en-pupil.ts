import type { Flag } from '../flags';
import { namePrint } from '../pitch';
import { assertNever } from '../base';
import type { Finger, Hand } from '../score';
import { barsText, listed } from './en-common';

const HAND: Readonly<Record<Hand, string>> = { right: 'right hand', left: 'left hand' };
const FINGER: Readonly<Record<Finger, string>> = {
  1: 'thumb',
  2: 'finger 2',
  3: 'finger 3',
  4: 'finger 4',
  5: 'little finger',
};

/** A flag in one short sentence for the pupil, in English. */
export function pupilWords(flag: Flag): string {
  const { evidence } = flag;
  const [where, hand] = [barsText(flag.bars), HAND[flag.hand]];
  switch (evidence.kind) {
    case 'finger-change':
      return `In ${where}, start on ${namePrint(evidence.key)} with ${evidence.after[0] ? FINGER[evidence.after[0]] : 'the finger that is marked'}.`;
    case 'position-change':
      return `In ${where} your ${hand} moves: put ${FINGER[evidence.finger]} on ${namePrint(evidence.key)}.`;
    case 'extension':
      return `In ${where}, open your ${hand} a little wider.`;
    case 'stretch':
      return `In ${where} your ${hand} opens wide. Stop if it hurts.`;
    case 'out-of-reach':
      return `In ${where}, you need not hold all keys: ask which one to leave out.`;
    case 'hop':
      return `In ${where}, ${FINGER[evidence.finger]} hops from ${namePrint(evidence.keys[0])} to ${namePrint(evidence.keys[1])}.`;
    case 'crossing':
      return evidence.technique === 'thumb-under'
        ? `In ${where}, your thumb goes under to ${namePrint(evidence.key)}.`
        : `In ${where}, ${FINGER[evidence.finger]} goes over to ${namePrint(evidence.key)}.`;
    case 'held-finger':
      return `In ${where}, let the long note go a little early.`;
    case 'thumb-on-black':
    case 'fifth-on-black':
    case 'fourth-on-black':
      return `In ${where}, ${FINGER[evidence.finger]} plays ${blackKeys(evidence.uses.map(({ key }) => namePrint(key)))}. Move your hand in.`;
    case 'double-duty':
      return `In ${where}, ${FINGER[evidence.finger]} plays ${evidence.keys.map(namePrint).join(' and ')}.`;
    case 'shared-key':
      return `In ${where} both hands want ${namePrint(evidence.key)}: lift one to make room.`;
    case 'ledger-lines':
      return `In ${where}, count the little lines of the notes.`;
    case 'double-accidental':
      return `In ${where} there is a double sign at ${namePrint(evidence.pitch)}: ask which key it is.`;
    case 'hands-overlap':
      return `In ${where} your hands cross.`;
    case 'off-keyboard':
      return `In ${where} your keyboard does not have ${namePrint(evidence.pitch)}.`;
    default:
      return assertNever(evidence);
  }
}

/** `the black key E♭`, `the black keys E♭ and B♭`. */
function blackKeys(names: readonly string[]): string {
  const each = [...new Set(names)];
  return `the black ${each.length === 1 ? 'key' : 'keys'} ${listed(each)}`;
}
