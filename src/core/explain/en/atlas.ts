import type { DrillKind, DrillRhythm, FindKind, FindQuestion } from '../../practice';
import type { FiveFingers, Turning } from '../../reference';
import { signatureOf, type Key, type PitchName } from '../../pitch';
import type { Finger } from '../../score';
import { countWord, letterOf, listed } from './common';
import type { Terms } from './terms';

/** What drills are called. */
export const DRILL_NAMES: Readonly<Record<DrillKind, string>> = {
  'five-fingers': 'Five fingers',
  'triad-broken': 'Broken triad',
  'triad-blocked': 'Blocked triad',
  skips: 'Skips',
  'chord-changes': 'Chord changes',
  'finger-changes': 'Finger changes on a repeated note',
  'cross-hands': 'Crossing hands',
  'octave-ready': 'Getting an octave ready',
};

/** What each drill is for. */
export function drillAims(t: Terms): Readonly<Record<DrillKind, string>> {
  return {
    'five-fingers': 'feels where the black keys lie before the piece is played',
    'triad-broken': 'opens the hand finger by finger over the tonic triad',
    'triad-blocked': 'puts three fingers down together after they have found their keys one by one',
    skips: 'reads and plays thirds with pairs of fingers that lie side by side',
    'chord-changes': 'goes between the primary chords with the smallest movement',
    'finger-changes': 'moves the hand by one key without a gap: another finger on the same note',
    'cross-hands': 'carries the left hand over the right and back to its place',
    'octave-ready': `comes to an octave with 3 and 2 first, so that ${t.theFinger(1)} and ${t.theFinger(5)} already lie there`,
  };
}

export function rhythmNames(t: Terms): Readonly<Record<DrillRhythm, string>> {
  return {
    quarters: t.values('quarter'),
    halves: t.values('half'),
    eighths: t.values('eighth'),
    dotted: `dotted ${t.value('quarter')} and ${t.value('eighth')}`,
    waltz: `${t.values('quarter')} in three`,
    lilt: 'long and short, in six-eight',
  };
}

/** The title of a drill. */
export function drillTitle(t: Terms, kind: DrillKind, keys: readonly Key[]): string {
  const [only] = keys;
  return keys.length === 1 && only
    ? `${DRILL_NAMES[kind]} in ${t.key(only)}`
    : `${DRILL_NAMES[kind]} in ${countWord(keys.length)} keys`;
}

/** What turns black or white between two positions: “only 3 turns black”. */
export function turningWords({ toBlack, toWhite }: Turning): string {
  if (toBlack.length === 0 && toWhite.length === 0) return 'nothing changes: the hand feels the same';
  const told = (fingers: readonly Finger[], colour: string): readonly string[] =>
    fingers.length === 0 ? [] : [`${listed(fingers.map(String))} ${fingers.length === 1 ? 'turns' : 'turn'} ${colour}`];
  const isOne = toBlack.length + toWhite.length === 1;
  return `${isOne ? 'only ' : ''}${[...told(toBlack, 'black'), ...told(toWhite, 'white')].join('; ')}`;
}

/** Which fingers lie on black keys in a position, in one phrase. */
export function blackWordsOf({ black }: FiveFingers): string {
  if (black.right.length === 0) return 'no finger on black';
  return `right ${black.right.join(', ')} · left ${black.left.toReversed().join(', ')} on black`;
}

/** The order of sharps; flats come the other way round. Source: common practice. */
const SHARPS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const;

/** The signature of a key in words; from four signs on also what is left out: “all the sharps but A, E and B”. */
export function signatureWords(t: Terms, signs: readonly PitchName[], key: Key): string {
  const kind = signatureOf(key) > 0 ? 'sharp' : 'flat';
  if (signs.length === 0) return 'no sharps or flats';
  const names = signs.map(t.place).join(' ');
  const left = (kind === 'sharp' ? SHARPS : SHARPS.toReversed())
    .slice(signs.length)
    .map((letter) => letterOf(t, letter));
  const short =
    signs.length >= 4 && left.length > 0
      ? ` (all the ${kind}s but ${listed(left)})`
      : signs.length === 7
        ? ` (all the ${kind}s)`
        : '';
  return `${signs.length} ${kind}${signs.length === 1 ? '' : 's'}: ${names}${short}`;
}

export const FIND_NAMES: Readonly<Record<FindKind, string>> = {
  'all-of': 'Find every one',
  'this-note': 'This note on the keys',
  signature: 'Whose signature?',
  'guide-notes': 'How many rings?',
  'black-in-position': 'Black keys of a position',
};

/** The question as it is asked. */
export function questionWords(t: Terms, question: FindQuestion): string {
  switch (question.kind) {
    case 'all-of':
      return `Play every ${t.place(question.name)} on this keyboard.`;
    case 'this-note':
      return 'Play the key of this note.';
    case 'signature':
      return `This is the signature of a ${question.key.mode} key. Play its tonic.`;
    case 'guide-notes':
      return `How many of these notes would get a ring: every ${letterOf(t, 'C')}, the ${letterOf(t, 'F')} below middle ${letterOf(t, 'C')}, the ${letterOf(t, 'G')} above it? Play any key that many times, then hand it in.`;
    case 'black-in-position':
      return `The right ${t.finger(1)} lies on ${t.place(question.key.tonic)} in ${t.key(question.key)}. Which fingers are on black? Play their keys.`;
  }
}

/** What is said to the answer. A wrong one names the right one. */
export function verdictWords(t: Terms, question: FindQuestion, isRight: boolean): string {
  const answer = answerOf(t, question);
  return isRight ? `Right: ${answer}.` : `Not yet. It is ${answer}.`;
}

function answerOf(t: Terms, question: FindQuestion): string {
  switch (question.kind) {
    case 'all-of':
      return `${countWord(question.keys.length)} keys called ${t.place(question.name)}`;
    case 'this-note':
      return t.pitch(question.pitch);
    case 'signature':
      return t.key(question.key);
    case 'guide-notes':
      return `${countWord(question.count)} rings`.replace(/^one rings/, 'one ring');
    case 'black-in-position':
      return `finger${question.fingers.length === 1 ? '' : 's'} ${listed(question.fingers.map(String))}`;
  }
}

/** What the lines of a key card are called, and what each trains. The names are those of `job/atlas-card`. */
export function cardLines(t: Terms) {
  return {
    'scale-one': { name: 'Scale, one octave', trains: `${t.theFinger(1)} under, once` },
    'scale-two': { name: 'Scale, two octaves', trains: 'the same crossing over and over, without a bump' },
    triad: { name: 'Triad, broken and blocked', trains: 'the shape of the key under 1, 3 and 5' },
    'octave-arpeggio': { name: 'Triad over an octave', trains: 'an open hand; the finger beside 5' },
    'arpeggio-two': { name: 'Arpeggio, two octaves', trains: `the wide crossing of ${t.theFinger(1)}` },
    'primary-chords': { name: 'Primary chords, close position', trains: 'the smallest way from chord to chord' },
    'fifth-sixth': { name: 'Fifth and sixth', trains: 'an open hand that stays open; 5-1 twice where it is detached' },
  } as const;
}
