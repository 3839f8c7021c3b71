import {
  hasMinorThird,
  intervalOf,
  midiNumber,
  parseName,
  pitchClass,
  transposeBy,
  type Key,
  type Pitch,
} from '../pitch';
import type { Finger, Hand } from '../score';
import { isBlackKey } from '../keyboard';
import { PUBLISHED_ARPEGGIOS, PUBLISHED_SCALES, type PublishedFingering } from '../fingering';

/** Notes from the bottom up, with the fingers of one hand. */
export interface FingeredLine {
  readonly pitches: readonly Pitch[];
  readonly fingers: readonly Finger[];
}

/** Which of the two schools: the finger beside 5 by the gap, or 3 where it falls on a black key. */
export type OctaveSchool = 'interval' | 'black';

/** Half steps above the tonic, by letters. Minor is harmonic, as in the table. */
const SCALE = { major: [0, 2, 4, 5, 7, 9, 11], minor: [0, 2, 3, 5, 7, 8, 11] } as const;
const TRIAD = {
  major: [
    [0, 0],
    [2, 4],
    [4, 7],
  ],
  minor: [
    [0, 0],
    [2, 3],
    [4, 7],
  ],
} as const;

type Kind = keyof typeof SCALE;

/** The scale of a key over one octave or more, with the published fingering of a hand. Source: Hanon 1873, no. 39, from memory. */
export function scaleOf(key: Key, hand: Hand, octaves: number, octave: number): FingeredLine {
  return line(key, hand, {
    octaves,
    octave,
    places: SCALE[kindOf(key)].map((halfSteps, letters) => [letters, halfSteps] as const),
    table: PUBLISHED_SCALES,
  });
}

/** The tonic triad broken over one octave or more, with the published fingering. Source: Hanon 1873, no. 41, from memory. */
export function arpeggioOf(key: Key, hand: Hand, octaves: number, octave: number): FingeredLine {
  return line(key, hand, { octaves, octave, places: TRIAD[kindOf(key)], table: PUBLISHED_ARPEGGIOS });
}

function kindOf({ mode }: Key): Kind {
  return hasMinorThird(mode) ? 'minor' : 'major';
}

type Place = readonly [letters: number, halfSteps: number];

function line(
  key: Key,
  hand: Hand,
  {
    octaves,
    octave,
    places,
    table,
  }: {
    readonly octaves: number;
    readonly octave: number;
    readonly places: readonly Place[];
    readonly table: readonly PublishedFingering[];
  },
): FingeredLine {
  const count = places.length * octaves + 1;
  const published = publishedFor(key, hand, table);
  const pitches = Array.from({ length: count }, (_, i) => {
    const [letters, halfSteps] = places[i % places.length] as Place;
    return raised({ ...key.tonic, octave: octave + Math.floor(i / places.length) }, letters, halfSteps);
  });
  const fingers = pitches.map((_, i) => {
    if (i === 0) return Number(published.first) as Finger;
    if (i === count - 1) return Number(published.top) as Finger;
    return Number(published.degrees[i % places.length]) as Finger;
  });
  return { pitches, fingers };
}

function raised(tonic: Pitch, letters: number, halfSteps: number): Pitch {
  const pitch = transposeBy(tonic, intervalOf(letters, halfSteps));
  return pitch.ok ? pitch.value : tonic;
}

/** The table has twelve keys of each mode: C♯ takes the fingers of D♭. */
function publishedFor(key: Key, hand: Hand, table: readonly PublishedFingering[]): PublishedFingering {
  const mode = kindOf(key);
  const found = table.find((entry) => {
    const name = parseName(entry.tonic);
    return (
      entry.hand === hand && entry.mode === mode && name !== undefined && pitchClass(name) === pitchClass(key.tonic)
    );
  });
  return found as PublishedFingering;
}

/** The tonic triad broken over one octave, four notes under one hand, by school. Source: handbook, octave patterns (common practice). */
export function octaveArpeggio(key: Key, hand: Hand, school: OctaveSchool, octave: number): FingeredLine {
  const tonic: Pitch = { ...key.tonic, octave };
  const pitches = [
    ...TRIAD[kindOf(key)].map(([letters, halfSteps]) => raised(tonic, letters, halfSteps)),
    raised(tonic, 7, 12),
  ];
  const midis = pitches.map(midiNumber) as [number, number, number, number];
  const gap = hand === 'right' ? midis[3] - midis[2] : midis[1] - midis[0];
  const isOnBlack = isBlackKey(hand === 'right' ? midis[2] : midis[1]);
  const inner: Finger = gap >= WIDE_GAP || (school === 'black' && isOnBlack) ? 3 : 4;
  return { pitches, fingers: hand === 'right' ? [1, 2, inner, 5] : [5, inner, 2, 1] };
}

/** A fourth, in half steps: from here on finger 3 stands beside 5. */
const WIDE_GAP = 5;

/** The left hand's root with its fifth, then with its sixth, and the fingers for a hand that is open from the start. Source: handbook (common practice). */
export function fifthSixth(
  key: Key,
  octave: number,
): readonly {
  readonly pitches: readonly [Pitch, Pitch];
  readonly legato: readonly [Finger, Finger];
  readonly detached: readonly [Finger, Finger];
}[] {
  const tonic: Pitch = { ...key.tonic, octave };
  const sixth = kindOf(key) === 'minor' ? 8 : 9;
  return [
    { pitches: [tonic, raised(tonic, 4, 7)], legato: [5, 2], detached: [5, 1] },
    { pitches: [tonic, raised(tonic, 5, sixth)], legato: [5, 1], detached: [5, 1] },
  ];
}
