import { isBlackKey } from '../keyboard';
import {
  hasMinorThird,
  intervalOf,
  midiNumber,
  parallelKey,
  relativeKey,
  signatureOf,
  signatureSigns,
  transposeBy,
  type Key,
  type Pitch,
  type PitchName,
} from '../pitch';
import type { Finger } from '../score';

/** Fingers on keys, low keys first. */
export interface FingeredChord {
  readonly degree: 1 | 4 | 5;
  readonly seventh: 'none' | 'minor';
  readonly pitches: readonly Pitch[];
  readonly left: readonly Finger[];
}

/** What a pupil should know of a key before playing in it. */
export interface KeyCard {
  readonly key: Key;
  /** The signs of its signature, in the order in which they are written. */
  readonly signs: readonly PitchName[];
  /** Relative key; null where it cannot be written. */
  readonly relative: Key | null;
  readonly parallel: Key;
  /** The five-finger pattern from the tonic, low keys first. */
  readonly pattern: readonly Pitch[];
  /** The fingers that lie on black keys in it. */
  readonly black: Readonly<Record<'right' | 'left', readonly Finger[]>>;
  readonly triad: readonly Pitch[];
  /** Tonic, subdominant and dominant seventh in close position for the left hand. */
  readonly primary: readonly FingeredChord[];
}

/** Octave in which the card is written: around middle C for the right hand. */
const OCTAVE = 4;

/** Half steps and letters above the tonic of the pattern in major and minor. Source: handbook, five-finger patterns. */
const PATTERN = { major: [0, 2, 4, 5, 7], minor: [0, 2, 3, 5, 7] } as const;

/** The primary chords in close position, as letters and half steps from the tonic, with the left hand's fingers: C-E-G, C-F-A, B-F-G.
 * Source: handbook, primary chords. The sixth degree follows the mode; the leading note is a half step below the tonic in both. */
const PRIMARY = { major: primaryWith({ third: 4, sixth: 9 }), minor: primaryWith({ third: 3, sixth: 8 }) };

/** A chord as letters and half steps above the tonic, low notes first. */
interface PlacedChord {
  readonly degree: 1 | 4 | 5;
  readonly seventh: 'none' | 'minor';
  readonly places: readonly (readonly [letters: number, halfSteps: number])[];
  readonly left: readonly Finger[];
}

function primaryWith({ third, sixth }: { readonly third: number; readonly sixth: number }): readonly PlacedChord[] {
  const chord = (
    degree: PlacedChord['degree'],
    seventh: PlacedChord['seventh'],
    places: PlacedChord['places'],
    left: PlacedChord['left'],
  ): PlacedChord => ({ degree, seventh, places, left });
  return [
    chord(
      1,
      'none',
      [
        [0, 0],
        [2, third],
        [4, 7],
      ],
      [5, 3, 1],
    ),
    chord(
      4,
      'none',
      [
        [0, 0],
        [3, 5],
        [5, sixth],
      ],
      [5, 2, 1],
    ),
    chord(
      5,
      'minor',
      [
        [-1, -1],
        [3, 5],
        [4, 7],
      ],
      [5, 2, 1],
    ),
  ];
}

/** The card of a key. Church modes get the chords of major or minor, by their third. */
export function keyCard(key: Key): KeyCard {
  const relative = relativeKey(key);
  const kind = hasMinorThird(key.mode) ? 'minor' : 'major';
  const tonic: Pitch = { ...key.tonic, octave: OCTAVE };
  const above = (letters: number, halfSteps: number, octave: number): Pitch => {
    const pitch = transposeBy({ ...tonic, octave: OCTAVE + octave }, intervalOf(letters, halfSteps));
    return pitch.ok ? pitch.value : tonic;
  };
  const pattern = PATTERN[kind].map((halfSteps, letters) => above(letters, halfSteps, 0));
  const isBlack = pattern.map((pitch) => isBlackKey(midiNumber(pitch)));
  const fingers = ([1, 2, 3, 4, 5] as const).filter((_, i) => isBlack[i]);
  return {
    key,
    signs: signatureSigns(signatureOf(key)),
    relative: relative.ok ? relative.value : null,
    parallel: parallelKey(key),
    pattern,
    black: { right: fingers, left: fingers.map((finger) => (6 - finger) as Finger).toReversed() },
    triad: [pattern[0], pattern[2], pattern[4]] as readonly Pitch[],
    primary: PRIMARY[kind].map(({ degree, seventh, places, left }) => ({
      degree,
      seventh,
      left,
      pitches: places.map(([letters, halfSteps]) => above(letters, halfSteps, -1)),
    })),
  };
}
