import { degreeOf, pitchClass, signatureAlter, signatureOf, type Key, type PitchName } from '../pitch';

/** A member of a chord, by its letter above the root. */
export const MEMBERS = ['root', 'third', 'fifth', 'seventh'] as const;
export type Member = (typeof MEMBERS)[number];

/** What a triad is built of: the sizes of its third and fifth. */
export type Quality = 'major' | 'minor' | 'diminished' | 'augmented' | 'open';

/** A chord as it is named in a key. */
export interface Chord {
  readonly root: PitchName;
  /** Degree of the root in the key, 1..7. */
  readonly degree: number;
  /** How many half steps the root is above the key's own note of that degree. */
  readonly altered: number;
  readonly quality: Quality;
  readonly seventh: 'none' | 'minor' | 'major' | 'diminished';
  /** Which member lies lowest. */
  readonly bass: Member;
  /** Members of the triad or seventh chord that are not struck. */
  readonly without: readonly Member[];
}

/** Letters above the root of each member. */
const MEMBER_LETTERS: Readonly<Record<Member, number>> = { root: 0, third: 2, fifth: 4, seventh: 6 };

/** Half steps above the root of a perfect fifth, and of the sevenths. Source: common practice. */
const FIFTHS: Readonly<Record<number, 'perfect' | 'diminished' | 'augmented'>> = {
  7: 'perfect',
  6: 'diminished',
  8: 'augmented',
};
const SEVENTHS: Readonly<Record<number, Chord['seventh']>> = { 10: 'minor', 11: 'major', 9: 'diminished' };
const MAJOR_THIRD = 4;
const MINOR_THIRD = 3;

/** Names the chord that these notes make, low notes first; null where they make none. Of several readings the fullest is taken, then the one on the first, fourth or
 * fifth degree: B–F–G in C is V⁷ without its fifth. A fifth alone is a chord without its third; a third alone may be the lower or the upper one, and is none. */
export function chordOf(names: readonly PitchName[], key: Key): Chord | null {
  const distinct = names.filter(
    (name, i) => names.findIndex((other) => other.step === name.step && other.alter === name.alter) === i,
  );
  if (distinct.length < 2 || new Set(distinct.map(({ step }) => step)).size !== distinct.length) return null;
  const readings = distinct.flatMap((root) => readingOn(root, distinct, key) ?? []);
  return readings.sort((a, b) => weightOf(b) - weightOf(a))[0] ?? null;
}

function readingOn(root: PitchName, names: readonly PitchName[], key: Key): Chord | null {
  const members = names.map((name) => memberOf(name, root));
  if (members.includes(null)) return null;
  const of = (member: Member): PitchName | undefined => names[members.indexOf(member)];
  const size = (member: Member): number | null => {
    const name = of(member);
    return name ? (((pitchClass(name) - pitchClass(root)) % 12) + 12) % 12 : null;
  };
  const [third, fifth, seventh] = [size('third'), size('fifth'), size('seventh')];
  const quality = qualityOf(third, fifth);
  const kind = seventh === null ? 'none' : SEVENTHS[seventh];
  if (quality === null || kind === undefined) return null;
  // A third by itself may belong to two chords, and a seventh without its third to none.
  if ((fifth === null && seventh === null) || (third === null && seventh !== null)) return null;
  const wanted: readonly Member[] = kind === 'none' ? MEMBERS.slice(0, 3) : MEMBERS;
  return {
    root,
    degree: degreeOf(key, root.step),
    altered: root.alter - signatureAlter(signatureOf(key), root.step),
    quality,
    seventh: kind,
    bass: members[0] as Member,
    without: wanted.filter((member) => !members.includes(member)),
  };
}

function memberOf(name: PitchName, root: PitchName): Member | null {
  const letters = (name.step - root.step + 7) % 7;
  return MEMBERS.find((member) => MEMBER_LETTERS[member] === letters) ?? null;
}

function qualityOf(third: number | null, fifth: number | null): Quality | null {
  const size = fifth === null ? 'perfect' : FIFTHS[fifth];
  if (third === null) return size === 'perfect' ? 'open' : null;
  if (third === MAJOR_THIRD) return size === 'perfect' ? 'major' : size === 'augmented' ? 'augmented' : null;
  if (third === MINOR_THIRD) return size === 'perfect' ? 'minor' : size === 'diminished' ? 'diminished' : null;
  return null;
}

function weightOf({ degree, without, seventh, altered }: Chord): number {
  const isPrimary = [1, 4, 5].includes(degree);
  return (
    -10 * without.length - 4 * Number(seventh !== 'none' && degree !== 5) - 3 * Math.abs(altered) + Number(isPrimary)
  );
}

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'] as const;

/** The chord as a numeral: `V⁷`, `ii`, `vii°`. */
export function numeralOf({ degree, altered, quality, seventh }: Chord): string {
  const capital = NUMERALS[degree - 1] as string;
  const isSmall = quality === 'minor' || quality === 'diminished';
  const sign = altered > 0 ? '♯' : altered < 0 ? '♭' : '';
  const ring = quality === 'diminished' ? '°' : quality === 'augmented' ? '+' : '';
  return `${sign}${isSmall ? capital.toLowerCase() : capital}${ring}${seventh === 'none' ? '' : seventh === 'major' ? 'maj⁷' : '⁷'}`;
}
