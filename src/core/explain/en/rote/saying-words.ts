import type { Pitch } from '../../../pitch';
import {
  isNextAbove,
  keyPlace,
  type RoteNote,
  type RoteSeat,
  type RoteWay,
  type Saying,
  type Strike,
} from '../../../rote';
import type { Finger, Hand } from '../../../score';
import { capital, listed } from '../common';
import type { Terms } from '../terms';
import { BY_BLACK_KEYS, octaveWords } from './key-places';
import { lengthSaid, type LengthWord } from './lengths';
import type { NamesRead } from './names-read';
import type { RoteStyle } from './rote-told';

/** What the sentences of a hand are made with. `beat` is the length of a beat in ticks. */
export interface SayingTerms {
  readonly t: Terms;
  readonly style: RoteStyle;
  /** The names that can be read back. */
  readonly names: NamesRead;
  readonly beat: number;
  readonly hand: Hand;
}

export function lengthWordOf({ voice }: RoteStyle): LengthWord {
  return voice === 'child' ? 'count' : 'beat';
}

function lengthOf({ style, beat }: SayingTerms, ticks: number): string {
  return lengthSaid(ticks, beat, lengthWordOf(style));
}

/** What a hand does in a bar, as sentences. Where all its notes are of one length, that is said once. */
export function rowSentences(terms: SayingTerms, sayings: readonly Saying[]): readonly string[] {
  const lengths = sayings.flatMap((saying) =>
    saying.kind === 'strike' ? saying.strike.notes.map(({ ticks }) => ticks) : [],
  );
  const [length] = lengths;
  const strikes = sayings.filter(({ kind }) => kind === 'strike').length;
  const isEven = length !== undefined && strikes > 1 && new Set(lengths).size === 1;
  const told = sayings.flatMap((saying, i) => sayingSentences(terms, saying, { isEven, next: sayings[i + 1] }));
  return isEven ? [`Each note ${lengthOf(terms, length)}.`, ...told] : told;
}

interface Around {
  readonly isEven: boolean;
  readonly next: Saying | undefined;
}

function sayingSentences(terms: SayingTerms, saying: Saying, around: Around): readonly string[] {
  switch (saying.kind) {
    case 'rest':
      return [`Rest ${lengthOf(terms, saying.ticks)}.`];
    case 'hold':
      return [`Keep holding ${lengthOf(terms, saying.ticks)}.`];
    case 'grace':
      return [`Quick ${noteWords(terms, saying.note)} first.`];
    case 'move':
      return [moveSentence(saying, around.next), ...seatSentences(terms, saying.seat, 'Now')];
    case 'strike':
      return strikeSentences(terms, saying.strike, around.isEven);
  }
}

/** Where the hand goes and with which finger it lands; or which finger stays while the hand opens or closes. */
function moveSentence(
  { direction, keeps }: Extract<Saying, { readonly kind: 'move' }>,
  next: Saying | undefined,
): string {
  if (keeps !== null) return `Leave ${keeps} where it is.`;
  const first = next?.kind === 'strike' ? next.strike.notes[0] : next?.kind === 'grace' ? next.note : undefined;
  const where = direction === 'same' ? 'Set the hand anew' : `Move the hand ${direction}`;
  return first?.finger ? `${where}, land with ${first.finger}.` : `${where}.`;
}

/** Where a hand sits: the first finger from the left with its place, then the others. */
export function seatSentences(terms: SayingTerms, seat: RoteSeat, opening: 'Put' | 'Now'): readonly string[] {
  const fingers: readonly Finger[] = terms.hand === 'right' ? [1, 2, 3, 4, 5] : [5, 4, 3, 2, 1];
  const keys = fingers.flatMap((finger) => {
    const key = seat[finger - 1];
    return key ? [{ finger, key }] : [];
  });
  const [first, ...rest] = keys;
  if (!first) return [];
  const told = rest.map(({ finger, key }, i) => {
    const below = keys[i]?.key ?? key;
    const place = isNextAbove(key, below) ? nameWords(terms, key) : placeWords(terms, key);
    return `${finger} on ${place}`;
  });
  const begin = `${opening} ${first.finger} on ${placeWords(terms, first.key)}.`;
  if (told.length === 0) return [begin];
  return terms.style.names === 'none'
    ? [begin, ...told.map((one) => `Then ${one}.`)]
    : [begin, `Then ${told.join(', ')}.`];
}

function strikeSentences(terms: SayingTerms, strike: Strike, isEven: boolean): readonly string[] {
  const lengths = [...new Set(strike.notes.map(({ ticks }) => ticks))];
  const told = lengths.map((ticks, i) => {
    const notes = strike.notes.filter((note) => note.ticks === ticks);
    const parts = [
      listed(notes.map((note) => noteWords(terms, note))) + (notes.length > 1 ? ' together' : ''),
      ...(strike.way && i === 0 ? wayWords(terms.style, strike.way) : []),
      ...(isEven ? [] : [lengthOf(terms, ticks)]),
    ];
    const sentence = parts.join(', ');
    return i === 0 ? `${capital(sentence)}.` : `With it ${sentence}.`;
  });
  return strike.next === null ? told : [...told, `The next comes after ${lengthOf(terms, strike.next)}.`];
}

/** A key that is struck: `2 on E`; from elsewhere than the hand sits `4 on F above middle C`; where keys have no names `2 on white`. */
function noteWords(terms: SayingTerms, { finger, pitch, isSeated }: RoteNote): string {
  const who = finger === null ? 'any finger' : terms.style.voice === 'child' ? `finger ${finger}` : String(finger);
  if (!isSeated || !hasName(terms, pitch)) return `${who} on ${placeWords(terms, pitch)}`;
  if (terms.style.names === 'none') return `${who} on ${keyPlace(pitch).isBlack ? 'black' : 'white'}`;
  return `${who} on ${terms.t.name(pitch)}`;
}

/** Whether a key can be called by its name here: a syllable of movable do may stand for two. */
function hasName({ t, style, names }: SayingTerms, pitch: Pitch): boolean {
  if (style.names === 'none') return true;
  const read = names.get(t.name(pitch));
  return read !== undefined && read.step === pitch.step && read.alter === pitch.alter;
}

function nameWords(terms: SayingTerms, pitch: Pitch): string {
  const isNamed = terms.style.names !== 'none' && hasName(terms, pitch);
  return isNamed ? terms.t.name(pitch) : (BY_BLACK_KEYS[keyPlace(pitch).place] ?? '');
}

/** A key with its place on the keyboard: `D above middle C`, `middle C`. */
function placeWords(terms: SayingTerms, pitch: Pitch): string {
  const { place, octave } = keyPlace(pitch);
  if (place > 0 || octave !== 0) return `${nameWords(terms, pitch)} ${octaveWords(octave)}`;
  return pitch.step === 0 ? 'middle C' : `${nameWords(terms, pitch)} at middle C`;
}

const WIDER = { 3: 'fourth', 4: 'fifth', 5: 'sixth', 6: 'seventh', 7: 'octave' } as const;

/** How a note comes from the note before; none where letters and keys go different ways. */
function wayWords({ voice }: RoteStyle, { letters, semitones }: RoteWay): readonly string[] {
  if (letters === 0 && semitones === 0) return ['again'];
  if (letters * semitones < 0 || semitones === 0) return [];
  const direction = semitones > 0 ? 'up' : 'down';
  const size = Math.abs(letters);
  const keys = Math.abs(semitones);
  if (keys <= 2 && size <= 1) return [`${STEPS[voice][keys as 1 | 2]} ${direction}`];
  if (size <= 1) return [`${keys} keys ${direction}`];
  if (size === 2) return [`skip ${direction}`];
  return [`${(voice === 'teacher' && WIDER[size as 3]) || (size === 7 ? 'octave' : 'jump')} ${direction}`];
}

const STEPS = {
  teacher: { 1: 'half step', 2: 'whole step' },
  child: { 1: 'small step', 2: 'big step' },
} as const;
