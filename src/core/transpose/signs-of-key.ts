import { fifthsOf, hasMinorThird, pitchClass, profileFit, signatureOf, type Key } from '../pitch';
import type { HandNote } from '../score';

/** The signs by which a key is known, each 0..1 but for the profile, -1..1. */
export interface SignsOfKey {
  /** Agreement with the key's profile. Source: Krumhansl & Kessler 1982. */
  readonly profile: number;
  /** Share of the time that scale tones sound; the raised sixth and seventh of minor count in part. */
  readonly scale: number;
  /** Share of the time of pitches whose spelling no key so near would use. */
  readonly far: number;
  readonly lastBass: number;
  readonly lastTop: number;
  readonly lastTriad: number;
  readonly firstBass: number;
  readonly downbeatBass: number;
  readonly downbeatTriad: number;
  readonly raisedSeventh: number;
  readonly isMajor: number;
  readonly tonicShare: number;
  readonly signs: number;
}

/** How much each sign counts where the signature is known, and where only notes speak. Our own estimate within the order
 * of the handbook, fitted by a random search on 66 published tunes and the demo pieces, so their figures are no proof.
 * Checked by: find-key.test.ts on pieces of the handbook's kind; npm run bench prints the tunes and which are missed. */
export const WITH_SIGNATURE: SignsOfKey = {
  profile: 0.58,
  scale: 0.75,
  far: -0.91,
  lastBass: 0.09,
  lastTop: 0.1,
  lastTriad: 0.1,
  firstBass: 0.11,
  downbeatBass: 0.17,
  downbeatTriad: 0.11,
  raisedSeventh: 0.2,
  isMajor: 0.15,
  tonicShare: 0.29,
  signs: -0.05,
};
export const NOTES_ALONE: SignsOfKey = {
  profile: 0.71,
  scale: 1.85,
  far: -0.91,
  lastBass: 0.16,
  lastTop: 0.1,
  lastTriad: 0.1,
  firstBass: 0.16,
  downbeatBass: 0.1,
  downbeatTriad: 0.1,
  raisedSeventh: 0.14,
  isMajor: 0.1,
  tonicShare: 0.21,
  signs: -0.04,
};

export function weightOf(signs: SignsOfKey, weights: SignsOfKey): number {
  return (Object.keys(weights) as (keyof SignsOfKey)[]).reduce((sum, name) => sum + weights[name] * signs[name], 0);
}

/** What is heard of a piece, once for all keys. */
export interface Heard {
  readonly semitones: readonly number[];
  /** How long each spelled name sounds, by its place on the line of fifths. */
  readonly names: ReadonlyMap<number, number>;
  readonly total: number;
  readonly first: readonly HandNote[];
  readonly downbeat: readonly HandNote[];
  readonly last: readonly HandNote[];
}

export function hear(all: readonly HandNote[]): Heard {
  const notes = all.filter(({ isGrace }) => !isGrace);
  const semitones = Array.from({ length: 12 }, () => 0);
  const names = new Map<number, number>();
  for (const { pitch, duration } of notes) {
    const place = fifthsOf(pitch);
    semitones[pitchClass(pitch)] = (semitones[pitchClass(pitch)] as number) + duration;
    names.set(place, (names.get(place) ?? 0) + duration);
  }
  const end = notes.reduce((latest, { onset, duration }) => Math.max(latest, onset + duration), 0);
  const together = (moment: number | undefined): readonly HandNote[] =>
    notes.filter(({ onset }) => onset === moment).toSorted((a, b) => a.midi - b.midi);
  return {
    semitones,
    names,
    total: Math.max(
      1,
      notes.reduce((sum, { duration }) => sum + duration, 0),
    ),
    first: together(notes[0]?.onset),
    downbeat: together(notes.find(({ beat }) => beat === 1)?.onset),
    last: notes.filter(({ onset, duration }) => onset + duration === end).toSorted((a, b) => a.midi - b.midi),
  };
}

/** Scale tones as fifths from the tonic. Source: the scales, common practice. */
const SCALES = { major: [-1, 0, 1, 2, 3, 4, 5], minor: [-4, -3, -2, -1, 0, 1, 2] } as const;

/** The raised sixth and seventh of minor, as fifths from the tonic. */
const RAISED: readonly number[] = [3, 5];
const RAISED_COUNT = 0.7;

export function signsOfKey(key: Key, heard: Heard): SignsOfKey {
  const mode = hasMinorThird(key.mode) ? 'minor' : 'major';
  const tonic = fifthsOf(key.tonic);
  const scale: readonly number[] = SCALES[mode];
  const third = mode === 'minor' ? -3 : 4;
  const shareOf = (worth: (place: number) => number): number =>
    [...heard.names].reduce((sum, [place, time]) => sum + worth(place - tonic) * time, 0) / heard.total;
  const place = (note: HandNote | undefined): number | null => (note ? fifthsOf(note.pitch) - tonic : null);
  const isTonic = (note: HandNote | undefined): number => Number(place(note) === 0);
  const isTriad = (notes: readonly HandNote[]): number =>
    Number(notes.every((note) => [0, 1, third].includes(place(note) ?? Number.NaN)));
  return {
    profile: profileFit(heard.semitones, pitchClass(key.tonic), mode),
    scale: shareOf((at) => (scale.includes(at) ? 1 : mode === 'minor' && RAISED.includes(at) ? RAISED_COUNT : 0)),
    far: shareOf((at) => Number(at < -5 || at > 6)),
    lastBass: isTonic(heard.last[0]),
    lastTop: isTonic(heard.last.at(-1)),
    lastTriad: isTriad(heard.last),
    firstBass: isTonic(heard.first[0]),
    downbeatBass: isTonic(heard.downbeat[0]),
    downbeatTriad: isTriad(heard.downbeat),
    raisedSeventh: Number(mode === 'minor' && (heard.names.get(tonic + 5) ?? 0) > 0),
    isMajor: Number(mode === 'major'),
    tonicShare: (heard.names.get(tonic) ?? 0) / heard.total,
    signs: Math.abs(signatureOf(key)) / 7,
  };
}
