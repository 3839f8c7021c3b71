import type { Flag, FlagEvidence } from '../../flags';
import { assertNever } from '../../base';
import type { Finger } from '../../score';
import { barsText, capital, countWord, HAND, type FlagWords } from './common';
import { priceWords, reasonWords } from './rules';
import type { Terms } from './terms';

/** The flags that come from planning the hand. */
type HandEvidence = Extract<
  FlagEvidence,
  {
    kind:
      | 'finger-change'
      | 'position-change'
      | 'extension'
      | 'stretch'
      | 'out-of-reach'
      | 'hop'
      | 'crossing'
      | 'held-finger';
  }
>;

/** Stretching must never hurt (handbook, cautions). */
const CAUTION = 'Never stretch until it hurts: roll the chord, leave a note out or move the hand.';
const CAUTION_IN_LINE = 'Never stretch until it hurts: let the hand move along to the wide note.';

/** A flag of the planned hand in words for teachers, in English. */
export function handFlagWords(t: Terms, flag: Flag, evidence: HandEvidence): FlagWords {
  const where = barsText(t, flag.bars);
  const hand = HAND[flag.hand];
  switch (evidence.kind) {
    case 'finger-change':
      return changeWords(t, flag, evidence);
    case 'position-change':
      return positionChangeWords(t, flag, evidence);
    case 'extension':
      return extensionWords(t, flag, evidence);
    case 'stretch':
      return {
        title: `Stretch from ${evidence.fingers[0]} to ${evidence.fingers[1]}`,
        message: `In ${where} the ${hand}’s ${t.finger(evidence.fingers[0])} and ${t.finger(evidence.fingers[1])} are ${t.length(evidence.mm)} apart, from ${t.pitch(evidence.keys[0])} to ${t.pitch(evidence.keys[1])}: more than is comfortable for this hand.`,
        suggestion: evidence.inLine ? CAUTION_IN_LINE : CAUTION,
      };
    case 'out-of-reach':
      return {
        title: `Out of reach: ${t.pitch(evidence.keys[0])}–${t.pitch(evidence.keys[1])}`,
        message: `In ${where} ${evidence.isHeld ? 'a held key and the next one' : evidence.inLine ? 'one key and the next' : 'the outer keys'} are ${t.length(evidence.needsMm)} apart; this ${hand} reaches ${t.length(evidence.spanMm)}.`,
        suggestion: evidence.canShare
          ? 'The other hand is free to take the outer note.'
          : evidence.isHeld
            ? 'Let the held key go, or hold it with the pedal.'
            : evidence.inLine
              ? 'Let the hand jump without stretching, or leave the upper key out for now.'
              : CAUTION,
      };
    case 'hop':
      return {
        title: `${capital(t.finger(evidence.finger))} hops to ${t.name(evidence.keys[1])}`,
        message: `In ${where} the ${hand}’s ${t.finger(evidence.finger)} plays ${t.pitch(evidence.keys[0])} and then ${t.pitch(evidence.keys[1])}${evidence.inChords ? ' from chord to chord' : ', which breaks the line'}.`,
        suggestion: evidence.inChords
          ? 'Aim with the finger that stays nearest; the hand follows.'
          : 'A rest, a repeated note or a crossing would bring the hand there without a break.',
      };
    case 'crossing':
      return {
        title:
          evidence.technique === 'thumb-under'
            ? `${capital(t.finger(1))} under to ${t.name(evidence.key)}`
            : `${capital(t.finger(evidence.finger))} over to ${t.name(evidence.key)}`,
        message: `In ${where} the ${hand} crosses: ${evidence.technique === 'thumb-under' ? `${t.theFinger(1)} goes under to` : `${t.theFinger(evidence.finger)} goes over to`} ${t.pitch(evidence.key)}.`,
        suggestion: 'Let the arm carry the hand along, and prepare the crossing as soon as the finger is free.',
      };
    case 'held-finger':
      return {
        title: `${capital(t.finger(evidence.finger))} is still holding`,
        message: `In ${where} a finger of the ${hand} is wanted on ${t.pitch(evidence.key)} while it still holds another key.`,
        suggestion: 'Let the held key go a little early, or give one of the notes to the other hand.',
      };
    default:
      return assertNever(evidence);
  }
}

const CAUSES = {
  colour: 'because of which keys are black',
  spacing: 'because the keys lie closer or wider here than white ones',
  both: 'because of which keys are black and how far apart they lie',
  none: 'not because of black keys: the printed fingers lie less well in any key',
} as const;

function changeWords(
  t: Terms,
  { bars, hand, severity, costs }: Flag,
  evidence: Extract<HandEvidence, { kind: 'finger-change' }>,
): FlagWords {
  const [was, now] = [evidence.before[0], evidence.after[0]];
  const reasons = costs ? reasonWords(t, costs) : '';
  const old =
    severity === 'must'
      ? 'The old fingers cannot be played here at this level and reach'
      : reasons
        ? `The old fingers would bring ${reasons}`
        : 'The new fingers lie better';
  if (evidence.isOffer)
    return {
      title: `As printed: ${fingersText(evidence.before)}`,
      message: `In ${barsText(t, bars)} the ${HAND[hand]} plays ${fingersText(evidence.before)}, as printed. ${fingersText(evidence.after)} would do as well${reasons ? `; the printed fingers bring ${reasons}` : ''}.`,
      suggestion:
        'In its own key a piece keeps the fingers that are printed. Choose others at the note if the pupil finds them easier.',
    };
  const others = evidence.alternatives.map(({ finger, price }) => `${t.theFinger(finger)} (${priceWords(price)})`);
  const also = others.length > 0 ? ` To begin with ${others.join(' or ')} also works.` : '';
  return {
    title:
      was === now
        ? `Other fingers from ${t.name(evidence.key)} on`
        : `${now ?? 'No finger'} for ${was ?? 'none'} on ${t.name(evidence.key)}`,
    message: `In ${barsText(t, bars)} the ${HAND[hand]} ${evidence.isApplied ? 'plays' : 'would better play'} ${fingersText(evidence.after)} instead of ${fingersText(evidence.before)}, ${CAUSES[evidence.cause]}. ${old}.`,
    suggestion: `${severity === 'watch' ? 'The old fingers can stay if the pupil knows them well.' : 'Pencil the new fingers in before the passage is played for the first time.'}${also}`,
  };
}

/** So many fingers are told one by one. */
const TOLD_FINGERS = 8;

function fingersText(fingers: readonly (Finger | null)[]): string {
  const shown = fingers.slice(0, TOLD_FINGERS).map((finger) => finger ?? '–');
  return `${shown.join(' ')}${fingers.length > TOLD_FINGERS ? ' …' : ''}`;
}

function positionChangeWords(
  t: Terms,
  { bars, hand }: Flag,
  { finger, key, because }: Extract<HandEvidence, { kind: 'position-change' }>,
): FlagWords {
  const lands = `${t.theFinger(finger)} lands on ${t.pitch(key)}`;
  if (because === 'black-keys') {
    return {
      title: `New position at ${t.name(key)}`,
      message: `In ${barsText(t, bars)} the ${HAND[hand]} has to move, which it would not on white keys: ${lands}.`,
      suggestion: `Play the way there alone first: aim with ${t.theFinger(finger)}.`,
    };
  }
  return {
    title: `The hand must move at ${t.name(key)}`,
    message: `In ${barsText(t, bars)} the ${HAND[hand]} ${NOT_AT_THIS_LEVEL[because]}, which this level does not: ${lands}.`,
    suggestion: 'Choose a higher level for this piece, or an easier form of it.',
  };
}

const NOT_AT_THIS_LEVEL = {
  move: 'would have to leave its one position',
  change: 'would have to change fingers on a repeated key',
  cross: 'would have to cross',
} as const;

function extensionWords(
  t: Terms,
  { bars, hand }: Flag,
  { letters, because }: Extract<HandEvidence, { kind: 'extension' }>,
): FlagWords {
  const wide = `The hand opens by ${countWord(letters)}`;
  if (because === 'open') {
    return {
      title: wide,
      message: `In ${barsText(t, bars)} the ${HAND[hand]} would have to open by ${countWord(letters)} ${letters === 1 ? 'letter' : 'letters'}, which this level does not.`,
      suggestion: 'Leave the outer note out for now, or choose a higher level. Never stretch until it hurts.',
    };
  }
  return {
    title: wide,
    message: `In ${barsText(t, bars)} the ${HAND[hand]} opens to ${countWord(5 + letters)} letters${because === 'black-keys' ? ', which it would not on white keys' : ''}.`,
    suggestion: 'Let the hand open before the wide note comes, and close again after it.',
  };
}
