import { assertNever } from '../../base';
import type { HeardFact, Judgement, NextThing, PlayFault } from '../../practice';
import { barRanges, capital, countWord, HAND } from './common';
import { causeWords } from './causes';
import { spanText } from './hands';
import type { Terms } from './terms';

/** What went wrong in playing, in a sentence, as a teacher would say it. */
export function playFaultWords(t: Terms, fault: PlayFault): string {
  const { kind, notes, bar, beat } = fault;
  const at = `${t.Bar} ${bar}`;
  const onBeat = `${at}, beat ${Number(beat.toFixed(2))}`;
  // Where the name alone says it, nobody names the octave.
  const nameOf = kind === 'octave' ? t.pitch : t.name;
  const note = fault.written ? nameOf(fault.written) : '';
  const played = fault.played ? nameOf(fault.played) : '';
  const instead = `${played} instead of ${note}`;
  const handAt = fault.hand ? `${at}, ${HAND[fault.hand]}` : at;
  switch (kind) {
    case 'forgot-signature':
      return `${at}: ${instead}${timesWord(notes.length)}: the signature has ${note}.`;
    case 'forgot-accidental':
      return `${at}: ${instead}: the sign in the ${t.bar} was forgotten.`;
    case 'neighbour-key':
      return `${at}: ${instead}, the key beside it.`;
    case 'wrong-key':
      return `${at}: ${instead}.`;
    case 'octave':
      return `${at}: ${instead}: the right name in another octave.`;
    case 'missing':
      return notes.length > 1
        ? `${handAt}: ${countWord(notes.length)} notes are missing.`
        : `${at}: ${note} is missing.`;
    case 'extra':
      return fault.keys.length > 1
        ? `${at}: ${countWord(fault.keys.length)} keys too many.`
        : `${at}: one key too many, ${played}.`;
    case 'early':
      return `${onBeat}: ${note} comes too early, by ${msWords(fault.offMs)}.`;
    case 'late':
      return `${onBeat}: ${note} comes too late, by ${msWords(fault.offMs)}.`;
    case 'hesitation':
      return `${onBeat}: the pulse stops before it, for ${msWords(fault.offMs)}.`;
    case 'stopped':
      return fault.againAt === null
        ? `${onBeat}: it stops here.`
        : `${onBeat}: it stops, and begins again at ${t.bar} ${fault.againAt}.`;
    case 'too-short':
      return `${at}: ${note} is tied on, and was let go.`;
    case 'too-long':
      return `${at}: ${note} was held on through the rest.`;
    case 'old-position':
      return `${handAt}: ${countWord(notes.length)} notes from where the hand was before. It moves here.`;
    case 'finger-off':
      return `${handAt}: ${countWord(notes.length)} notes, all one key beside. The whole hand sits one off.`;
    case 'other-hand':
      return fault.hand ? `The ${HAND[fault.hand]} was heard. It rests here.` : 'The other hand was heard.';
    case 'spread-chord':
      return `${onBeat}: the keys are not struck together, ${msWords(fault.offMs)} apart.`;
    case 'corrected':
      return `${at}: ${played}, then ${note}: heard and put right.`;
    case 'transposed':
    case 'one-hand':
    case 'hand-late':
      return causeWords(t, fault, kind);
    default:
      return assertNever(kind);
  }
}

function timesWord(count: number): string {
  return count > 1 ? `, ${countWord(count)} times` : '';
}

/** A time that somebody was off, as one says it. */
function msWords(ms: number | null): string {
  const size = Math.abs(ms ?? 0);
  return size < 1000 ? `${Math.round(size / 10) * 10} ms` : `${(size / 1000).toFixed(1)} s`;
}

/** What was right, which is said first; and then what the pulse was. */
export function rightWords(_: Terms, { clean, right, written, pulse, runs }: Judgement): readonly string[] {
  if (runs.length === 0) return ['Nothing was heard.'];
  const notes = right === written ? `All ${written} notes right` : `${right} of ${written} notes right`;
  const tempo = pulse.bpm === null ? '' : `, at ${Math.round(pulse.bpm)}`;
  if (clean) return [`Clean: ${notes.toLowerCase()}, with a steady pulse${tempo}.`];
  return [`${notes}.`, pulse.steady ? `The pulse was steady${tempo}.` : `The pulse was not steady yet${tempo}.`];
}

/** One thing to do next: where, with which hand, how fast, and how. */
export function nextThingWords(t: Terms, next: NextThing): string {
  const where = spanText(t, [next.from, next.to]);
  const hand = next.hand === 'both' ? 'both hands' : `${HAND[next.hand]} alone`;
  const tempo = next.bpm === null ? '' : `, at ${next.bpm}`;
  return `${capital(where)}, ${hand}${tempo}: ${wayWords(t, next)}.`;
}

function wayWords(t: Terms, { way, about }: NextThing): string {
  const key = about.written ? t.name(about.written) : null;
  switch (way) {
    case 'find-first':
      if (about.kind === 'other-hand') return 'let the other hand rest';
      if (key === null) return 'find the first keys before you start';
      return about.finger === null
        ? `find ${key} before you start`
        : `find ${key} with ${t.finger(about.finger)} before you start`;
    case 'slowly':
      return 'so slowly that nothing stops';
    case 'through':
      return 'once more through';
    default:
      return assertNever(way);
  }
}

/** What is told beside and never counts. */
export function heardFactWords(t: Terms, fact: HeardFact): string {
  switch (fact.kind) {
    case 'detached-held':
      return `${capital(HAND[fact.hand])}: notes with a dot were held on in ${barRanges(t, fact.bars)}.`;
    case 'hand-behind':
      return `The ${HAND[fact.hand]} came a little after the ${fact.hand === 'left' ? 'right' : 'left'}, by ${msWords(fact.ms)}.`;
    case 'swung':
      return fact.first === 'long'
        ? `The halves of the beat were uneven: long and short, about ${fact.times} to 1.`
        : `The halves of the beat were uneven: short and long, about 1 to ${fact.times}.`;
    default:
      return assertNever(fact);
  }
}

/** What went wrong, by its kind alone. */
export function playFaultNames(t: Terms): Readonly<Record<PlayFault['kind'], string>> {
  return {
    'forgot-signature': 'signature forgotten',
    'forgot-accidental': `sign in the ${t.bar} forgotten`,
    'neighbour-key': 'key beside',
    'wrong-key': 'wrong key',
    octave: 'other octave',
    missing: 'note missing',
    extra: 'key too many',
    early: 'too early',
    late: 'too late',
    hesitation: 'pulse stopped',
    stopped: 'stopped',
    'too-short': 'tie let go',
    'too-long': 'held through a rest',
    'old-position': 'hand not moved',
    'finger-off': 'hand one key off',
    'other-hand': 'other hand heard',
    'spread-chord': 'chord spread',
    transposed: 'played too high or too low',
    'one-hand': 'one hand left out',
    'hand-late': 'hands apart',
    corrected: 'heard and put right',
  };
}
