import { assertNever, type Easier, type Remark } from '../../base';
import { keyOfSignature, parseName, type Mode } from '../../pitch';
import { barsText, shortened, toldFacts } from './common';
import { signsWords } from './edits';
import { gridWords } from './values';
import type { Terms } from './terms';

/** A remark in words for teachers, in English. */
export function remarkWords(t: Terms, found: Remark): string {
  const remark = toldFacts(found);
  switch (remark.code) {
    case 'respelled-key':
      return `From ${t.bar} ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} the key would ${strictSaid(t, remark)}; it is written as ${keySaid(t, remark.to)}, which sounds the same.`;
    case 'octave-proposed':
      return `The ${remark.hand} hand reads many ledger lines here; an octave ${remark.direction} it would lie better on its staff. Set it under “How it moves”.`;
    case 'respelled-note':
      return `${nameSaid(t, remark.from)} is written as ${nameSaid(t, remark.to)} in ${barsText(t, remark.bars)}.`;
    case 'other-mode':
      return `From ${keySaid(t, remark.from)} to ${keySaid(t, remark.to)} the piece goes degree by degree: letters and fingers keep their pattern, the intervals do not, and it sounds different.`;
    case 'enharmonic-proposed':
      return `The raised seventh needs a double sharp here. ${keySaid(t, remark.to)} sounds the same and needs none.`;
    case 'not-playable':
      return notPlayableWords(t, remark);
    case 'moves-spared':
      return `In this key the ${remark.hand} hand stays where it had to move: ${barsText(t, remark.bars)}.`;
    case 'bar-length':
      return `${t.Bar} ${remark.bar}${remark.part ? ` in ${remark.part}` : ''} is ${remark.found} ${t.valueNote('quarter')}s long instead of ${remark.expected}; it was left as it is.`;
    case 'key-guessed':
      return `The key was taken to be ${keySaid(t, remark.key)}; it could also be ${keySaid(t, remark.runnerUp)}.`;
    case 'carried-element':
      return `<${remark.element}> in ${t.bar} ${remark.bar}${remark.count > 1 ? ` and ${remark.count - 1} more` : ''} is not known here; it is carried through unchanged.`;
    case 'abc-unclear':
      return `Line ${remark.line}, column ${remark.column}: ${unclearWords(remark)}. It was left out.`;
    case 'abc-key':
      return `Line ${remark.line}: ${remark.key} is no key; ${remark.from === 'there' ? 'from there on ' : ''}the piece is taken to be in C major.`;
    case 'abc-octaves':
      return `An accidental was taken to hold for its letter in all octaves until the ${t.bar} line, as the ABC standard says; some programs hold it in its own octave only. Compare the ${t.bars} with accidentals.`;
    case 'more-tunes':
      return `The file holds ${remark.count} tunes; this is the first.`;
    case 'midi-grid':
      return remark.moved === 0
        ? `Every note stands on the grid of ${gridWords(t, remark.grid)}.`
        : `The rhythm was set to a grid of ${gridWords(t, remark.grid)}; ${remark.moved} notes were moved to it.`;
    case 'midi-hands':
      return remark.by === 'tracks'
        ? 'The hands were told apart by the tracks of the file.'
        : 'The file does not tell the hands apart; the notes were shared out by where the hands can reach.';
    case 'midi-key':
      return remark.by === 'file'
        ? `The file says ${keySaid(t, remark.key)}; the notes were spelled in it.`
        : `The file names no key; by its notes it is in ${keySaid(t, remark.key)}, and they were spelled in it.`;
    case 'midi-drums':
      return `${remark.count} drum notes were left out: they have no pitch.`;
    case 'duplicate-id':
      return `Two notes share the id “${remark.id}”; the one in ${t.bar} ${remark.bar} got another.`;
    default:
      return assertNever(remark);
  }
}

/** Why a hand cannot play the piece so, and the least change that would make it so. */
function notPlayableWords(
  t: Terms,
  { hand, bar, limit, atLevel, level, spanMm, isKeys, easier }: Extract<Remark, { code: 'not-playable' }>,
): string {
  const remedies = [
    ...(level === null ? [] : [`at level ${level} it can`]),
    ...(spanMm === null ? [] : [`a hand of ${t.length(spanMm)} can`]),
  ];
  const remedy =
    remedies.length > 0
      ? `; ${remedies.join(', and ')}`
      : easier
        ? ''
        : '; let a note go, or give it to the other hand';
  return `The ${hand} hand cannot play this at level ${atLevel}${isKeys ? ' in this key, though it could on white keys' : ''}, because in ${t.bar} ${bar} ${LIMITS[limit]}${remedy}.${easier ? ` Easier for now: ${easierWords(t, easier)}.` : ''}`;
}

/** What an easier version leaves out or changes, in the words of the stages. */
function easierWords(t: Terms, easier: Easier): string {
  if (easier.kind === 'one-place')
    return 'in one place, with the notes an octave off where the hand would have to move';
  const { which, of, bars } = easier;
  const one = bars.length === 1;
  if (of === 'octaves')
    return `the ${which === 'upper' ? 'lower' : 'upper'} ${one ? 'note of the octave' : 'notes of the octaves'} in ${barsText(t, bars)} alone`;
  return `without the ${which} note of the ${one ? 'chord' : 'chords'} in ${barsText(t, bars)}`;
}

const LIMITS: Readonly<Record<Extract<Remark, { code: 'not-playable' }>['limit'], string>> = {
  reach: 'the keys lie further apart than the hand reaches',
  'held-reach': 'a held key lies out of reach of the next one',
  'held-finger': 'a finger is wanted while it still holds a key',
  open: 'the hand would have to open wider than this level does',
  move: 'the hand would have to leave its one position',
  change: 'a repeated key would have to change its finger without a rest',
  cross: 'the hand would have to cross',
};

/** The key that a signature of too many signs would name. */
function strictSaid(t: Terms, { fromSigns, to }: Extract<Remark, { code: 'respelled-key' }>): string {
  const key = keyOfSignature(fromSigns, modeIn(to));
  return key.ok ? `be ${t.key(key.value)}` : `have ${signsWords(fromSigns)}`;
}

function modeIn(key: string): Mode {
  return (key.split('-')[1] ?? 'major') as Mode;
}

/** A key of a remark, `Bb-major`, as it is called. */
function keySaid(t: Terms, text: string): string {
  const tonic = parseName(text.split('-')[0] ?? '');
  return tonic ? t.key({ tonic, mode: modeIn(text) }) : text;
}

function nameSaid(t: Terms, text: string): string {
  const name = parseName(text);
  return name ? t.name(name) : text;
}

/** The printed bar number a remark is about; null where it is about the whole piece. */
export function remarkBar(remark: Remark): string | null {
  return 'bar' in remark ? remark.bar : null;
}

/** What is not understood in an ABC file. */
export function unclearWords({ about }: Extract<Remark, { readonly code: 'abc-unclear' }>): string {
  return 'unknown' in about ? `“${about.unknown}” is not known here` : shortened(about.said);
}
