import { FIXED_SYLLABLES, movableSyllable } from '../annotate';
import { LETTERS, namePrint, type Key, type Pitch, type PitchName } from '../pitch';
import type { Wording } from './wording';

type Names = Wording['names'];

/** The letter B; H is another name for it. */
const B = LETTERS.indexOf('B');

/** A place on the keyboard by its letter, as keys, positions and signatures have it: `F♯`; where B is called H, `H` and `B`; in fixed do `fa♯`. */
export function placeSaid(name: PitchName, names: Names): string {
  return names === 'fixed-do' ? `${FIXED_SYLLABLES[name.step]}${signsOf(name)}` : letterSaid(name, names);
}

/** The letter of a pitch, also where notes are called by syllables. */
export function letterSaid(name: PitchName, names: Names): string {
  if (names !== 'letters-h' || name.step !== B) return namePrint(name);
  return name.alter === -1 ? 'B' : `H${signsOf(name)}`;
}

/** A note in the music: as its place is called or, where do is movable and the key is known, by its syllable. */
export function noteSaid(name: PitchName, names: Names, key: Key | null): string {
  const isMovable = names === 'do-minor' || names === 'la-minor';
  return isMovable && key ? movableSyllable(names, name, key) : placeSaid(name, names);
}

/** A note with its octave: `F♯4`; where do is movable `mi (F♯4)`, since a syllable has no place on the keyboard. */
export function pitchSaid(pitch: Pitch, names: Names, key: Key | null): string {
  const place = `${placeSaid(pitch, names)}${pitch.octave}`;
  const note = noteSaid(pitch, names, key);
  return note === placeSaid(pitch, names) ? place : `${note} (${place})`;
}

function signsOf(name: PitchName): string {
  return namePrint(name).slice(1);
}

/** What a teacher typed, with the name at its beginning as machines read it: where B is called H, `H4` is `B4` and `B4` is `Bb4`; in fixed do `fa#4` is `F#4`.
 * What begins with no name is left as it is. */
export function typedAsLetters(typed: string, names: Names): string {
  const text = typed.trim();
  if (names === 'letters-h') {
    if (/^h/i.test(text)) return `B${text.slice(1)}`;
    return /^b(?!b|♭|flat|#|♯|sharp)/i.test(text) ? `Bb${text.slice(1)}` : text;
  }
  if (names !== 'fixed-do') return text;
  const syllable = /^(?:do|re|mi|fa|sol?|la|[st]i)(?=$|[^a-z]|b(?![a-z])|flat|sharp)/i.exec(text)?.[0].toLowerCase();
  const step = FIXED_SYLLABLES.findIndex((one) => one === (OTHER_SYLLABLES[syllable ?? ''] ?? syllable));
  return step < 0 ? text : `${LETTERS[step]}${text.slice(syllable?.length)}`;
}

/** Syllables that are said in some places for those of fixed do. Source: common practice. */
const OTHER_SYLLABLES: Readonly<Record<string, string>> = { so: 'sol', ti: 'si' };
