import { assertNever, type Easier, type Remark } from '../base';
import { barsText, shortened, toldFacts } from './en-common';

/** A remark in words for teachers, in English. */
export function remarkWords(found: Remark): string {
  const remark = toldFacts(found);
  switch (remark.code) {
    case 'respelled-key':
      return `From bar ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} the key would be ${remark.from}; it is written as ${remark.to}, which sounds the same.`;
    case 'octave-proposed':
      return `The ${remark.hand} hand reads many ledger lines here; an octave ${remark.direction} it would lie better on its staff. Set it under “How it moves”.`;
    case 'respelled-note':
      return `${remark.from} is written as ${remark.to} in ${barsText(remark.bars)}.`;
    case 'other-mode':
      return `From ${remark.from} to ${remark.to} the piece goes degree by degree: letters and fingers keep their pattern, the intervals do not, and it sounds different.`;
    case 'enharmonic-proposed':
      return `The raised seventh needs a double sharp here. ${remark.to} sounds the same and needs none.`;
    case 'not-playable':
      return notPlayableWords(remark);
    case 'moves-spared':
      return `In this key the ${remark.hand} hand stays where it had to move: ${barsText(remark.bars)}.`;
    case 'bar-length':
      return `Bar ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} is ${remark.found} quarter notes long instead of ${remark.expected}; it was left as it is.`;
    case 'key-guessed':
      return `The key was taken to be ${remark.key}; it could also be ${remark.runnerUp}.`;
    case 'carried-element':
      return `<${remark.element}> in bar ${remark.bar}${remark.count > 1 ? ` and ${remark.count - 1} more` : ''} is not known here; it is carried through unchanged.`;
    case 'abc-unclear':
      return `Line ${remark.line}, column ${remark.column}: ${unclearWords(remark)}. It was left out.`;
    case 'abc-key':
      return `Line ${remark.line}: ${remark.key} is no key; ${remark.from === 'there' ? 'from there on ' : ''}the piece is taken to be in C major.`;
    case 'abc-octaves':
      return 'An accidental was taken to hold for its letter in all octaves until the bar line, as the ABC standard says; some programs hold it in its own octave only. Compare the bars with accidentals.';
    case 'more-tunes':
      return `The file holds ${remark.count} tunes; this is the first.`;
    case 'midi-grid':
      return remark.moved === 0
        ? `Every note stands on the grid of ${remark.grid}.`
        : `The rhythm was set to a grid of ${remark.grid}; ${remark.moved} notes were moved to it.`;
    case 'midi-hands':
      return remark.by === 'tracks'
        ? 'The hands were told apart by the tracks of the file.'
        : 'The file does not tell the hands apart; the notes were shared out by where the hands can reach.';
    case 'midi-key':
      return remark.by === 'file'
        ? `The file says ${remark.key}; the notes were spelled in it.`
        : `The file names no key; by its notes it is in ${remark.key}, and they were spelled in it.`;
    case 'midi-drums':
      return `${remark.count} drum notes were left out: they have no pitch.`;
    case 'duplicate-id':
      return `Two notes share the id “${remark.id}”; the one in bar ${remark.bar} got another.`;
    default:
      return assertNever(remark);
  }
}

/** Why a hand cannot play the piece so, and the least change that would make it so. */
function notPlayableWords({
  hand,
  bar,
  limit,
  atLevel,
  level,
  spanMm,
  isKeys,
  easier,
}: Extract<Remark, { code: 'not-playable' }>): string {
  const remedies = [
    ...(level === null ? [] : [`at level ${level} it can`]),
    ...(spanMm === null ? [] : [`a hand of ${spanMm} mm can`]),
  ];
  const remedy =
    remedies.length > 0
      ? `; ${remedies.join(', and ')}`
      : easier
        ? ''
        : '; let a note go, or give it to the other hand';
  return `The ${hand} hand cannot play this at level ${atLevel}${isKeys ? ' in this key, though it could on white keys' : ''}, because in bar ${bar} ${LIMITS[limit]}${remedy}.${easier ? ` Easier for now: ${easierWords(easier)}.` : ''}`;
}

/** What an easier version leaves out or changes, in the words of the stages. */
function easierWords(easier: Easier): string {
  if (easier.kind === 'one-place')
    return 'in one place, with the notes an octave off where the hand would have to move';
  const { which, of, bars } = easier;
  const one = bars.length === 1;
  if (of === 'octaves')
    return `the ${which === 'upper' ? 'lower' : 'upper'} ${one ? 'note of the octave' : 'notes of the octaves'} in ${barsText(bars)} alone`;
  return `without the ${which} note of the ${one ? 'chord' : 'chords'} in ${barsText(bars)}`;
}

const LIMITS: Readonly<Record<Extract<Remark, { code: 'not-playable' }>['limit'], string>> = {
  reach: 'the keys lie further apart than the hand reaches',
  'held-reach': 'a held key lies out of reach of the next one',
  'held-finger': 'a finger is wanted while it still holds a key',
  open: 'the hand would have to open wider than this level does',
  move: 'the hand would have to leave its one position',
  change: 'a repeated key would have to change its finger without a rest',
  cross: 'the thumb would have to cross',
};

/** The printed bar number a remark is about; null where it is about the whole piece. */
export function remarkBar(remark: Remark): string | null {
  return 'bar' in remark ? remark.bar : null;
}

/** What is not understood in an ABC file. */
export function unclearWords({ about }: Extract<Remark, { readonly code: 'abc-unclear' }>): string {
  return 'unknown' in about ? `“${about.unknown}” is not known here` : shortened(about.said);
}
