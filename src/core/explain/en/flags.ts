import { groupBy } from '../../base';
import type { Flag, FlagEvidence } from '../../flags';
import { barsText, capital, countWord, HAND, listed, type FlagWords } from './common';
import { handFlagWords } from './hand-flags';
import type { Terms } from './terms';

/** A flag in words for teachers, in English. Bars are given by their printed numbers. */
// eslint-disable-next-line max-lines-per-function -- one case a code: all of them are wanted, in one place
export function flagWords(t: Terms, flag: Flag): FlagWords {
  const { evidence } = flag;
  const where = barsText(t, flag.bars);
  switch (evidence.kind) {
    case 'thumb-on-black':
    case 'fifth-on-black':
      return {
        ...onBlackWords(t, evidence, where),
        suggestion:
          evidence.school === 'avoid'
            ? 'Leave this key out for now, or begin from another finger.'
            : 'Let the whole hand move in to the fallboard, so that the short finger reaches the black key without twisting.',
      };
    case 'fourth-on-black':
      return {
        ...onBlackWords(t, evidence, where),
        suggestion: `Play ${t.finger(4)} alone there first, and keep the wrist from twisting outwards.`,
      };
    case 'double-duty':
      return {
        title: `${capital(t.finger(evidence.finger))} serves ${evidence.keys.map(t.name).join(' and ')}`,
        message: `In ${where} the ${HAND[flag.hand]}’s ${t.finger(evidence.finger)} has two keys of one letter to play: ${evidence.keys.map(t.pitch).join(', ')}.`,
        suggestion: 'Ring both notes. The finger slides to the other key; the hand does not move along.',
      };
    case 'shared-key':
      return {
        title: `Both hands want ${t.pitch(evidence.key)}`,
        message: evidence.isHeld
          ? `In ${where} one hand needs ${t.pitch(evidence.key)} while the other still holds it.`
          : `In ${where} both hands use ${t.pitch(evidence.key)} within one beat.`,
        suggestion: evidence.isHeld
          ? 'Let one hand play the key for both, or put one hand an octave away.'
          : 'The hand that played it lifts at once and makes room.',
      };
    case 'ledger-lines':
      return {
        title: `${capital(countWord(evidence.lines))} ledger lines`,
        message: `The ${HAND[flag.hand]} reads notes on up to ${countWord(evidence.lines)} ledger lines in ${where}.`,
        suggestion: 'Move this hand by an octave, or choose the other direction.',
      };
    case 'double-accidental':
      return {
        title: `${t.name(evidence.pitch)} to read`,
        message: `The ${HAND[flag.hand]} reads a double accidental, ${t.pitch(evidence.pitch)}, in ${where}.`,
        suggestion:
          'The key with the same sound and fewer signs has none; so has the plain spelling, but for a raised sixth or seventh.',
      };
    case 'hands-overlap':
      return {
        title: `Hands cross: ${t.pitch(evidence.left)} over ${t.pitch(evidence.right)}`,
        message: `In ${where} the left hand plays ${t.pitch(evidence.left)} while the right is below it, on ${t.pitch(evidence.right)}.`,
        suggestion: 'Say which hand goes over, or put the hands an octave apart.',
      };
    case 'off-keyboard':
      return {
        title: `${t.pitch(evidence.pitch)} is off the keyboard`,
        message: `The ${HAND[flag.hand]} would need ${t.pitch(evidence.pitch)} in ${where}, a key that a keyboard of ${evidence.keyboard} does not have.`,
        suggestion: 'Move this hand back by an octave.',
      };
    default:
      return handFlagWords(t, flag, evidence);
  }
}

/** Which black keys a finger plays, hand by hand: `the right hand’s thumb plays the black key E♭4, the left hand’s B♭3`. */
function onBlackWords(
  t: Terms,
  { finger, uses }: Extract<FlagEvidence, { readonly uses: unknown }>,
  where: string,
): Pick<FlagWords, 'title' | 'message'> {
  const names = [...new Set(uses.map(({ key }) => t.name(key)))];
  const hands = [...groupBy(uses, ({ hand }) => hand)].map(([hand, own]) => {
    const keys = listed(own.map(({ key }) => t.pitch(key)));
    return { hand: HAND[hand], keys, isOne: own.length === 1 };
  });
  const told = hands.map(({ hand, keys, isOne }, i) =>
    i === 0
      ? `the ${hand}’s ${t.finger(finger)} plays the black ${isOne ? 'key' : 'keys'} ${keys}`
      : `the ${hand}’s ${keys}`,
  );
  return {
    title: `${capital(t.finger(finger))} on ${listed(names)}`,
    message: `${capital(told.join(', '))} in ${where}.`,
  };
}
