import { fiveFingers } from '../reference';
import { isBlackKey } from '../keyboard';
import {
  midiNumber,
  parseKey,
  pitchClass,
  signatureOf,
  type Key,
  type Pitch,
  type PitchName,
  type Step,
} from '../pitch';
import type { Finger } from '../score';

/** What can be asked at the keyboard. Source: handbook, section 7, Finding. */
export const FIND_KINDS = ['all-of', 'this-note', 'signature', 'guide-notes', 'black-in-position'] as const;
export type FindKind = (typeof FIND_KINDS)[number];

/** A question, and the keys that answer it. `keys` must all be played, in any order; `tonic` is any key of that name; `count` is how many keys are played. */
export type FindQuestion =
  | { readonly kind: 'all-of'; readonly name: PitchName; readonly keys: readonly number[] }
  | { readonly kind: 'this-note'; readonly pitch: Pitch; readonly keys: readonly number[] }
  | { readonly kind: 'signature'; readonly key: Key; readonly tonic: number }
  | { readonly kind: 'guide-notes'; readonly pitches: readonly Pitch[]; readonly count: number }
  | {
      readonly kind: 'black-in-position';
      readonly key: Key;
      readonly keys: readonly number[];
      readonly fingers: readonly Finger[];
    };

/** The keys of the keyboard that is played on, as MIDI numbers, both included. */
export interface FindRange {
  readonly low: number;
  readonly high: number;
}

/** Gives numbers from 0 up to 1; the same numbers make the same question. */
export type Random = () => number;

/** Notes that a pupil finds first, from which others are read: F below middle C, middle C, G above it, and the Cs beside them. Source: common practice. */
const FIRST_NOTES: readonly Pitch[] = [
  { step: 0, alter: 0, octave: 3 },
  { step: 3, alter: 0, octave: 3 },
  { step: 0, alter: 0, octave: 4 },
  { step: 4, alter: 0, octave: 4 },
  { step: 0, alter: 0, octave: 5 },
];

const SIGNS: readonly PitchName[] = [
  ...([0, 1, 2, 3, 4, 5, 6] as const).map((step) => ({ step, alter: 0 })),
  ...([3, 0, 4] as const).map((step) => ({ step, alter: 1 })),
  ...([6, 2, 5] as const).map((step) => ({ step, alter: -1 })),
];

const TONICS = ['C', 'G', 'F', 'D', 'Bb', 'A', 'Eb', 'E', 'Ab', 'B', 'Db', 'Gb'] as const;

/** How many notes the page of a counting question has. */
const PAGE_NOTES = 8;

/** Makes a question of a kind. `keys` are the positions and signatures that may be asked; all major keys where there is none. */
export function findQuestion(
  kind: FindKind,
  random: Random,
  range: FindRange,
  keys: readonly Key[] = [],
): FindQuestion {
  const pick = <T>(from: readonly T[]): T => from[Math.min(from.length - 1, Math.floor(random() * from.length))] as T;
  const known = keys.length > 0 ? keys : TONICS.flatMap((tonic) => parseKey(tonic, 'major') ?? []);
  const inRange = (midi: number): boolean => midi >= range.low && midi <= range.high;
  switch (kind) {
    case 'all-of': {
      const name = pick(SIGNS);
      return { kind, name, keys: keysOf(range).filter((midi) => midi % 12 === pitchClass(name)) };
    }
    case 'this-note': {
      const pitches = ([3, 4] as const)
        .flatMap((octave) =>
          ([0, 1, 2, 3, 4, 5, 6] as const).map((step): Pitch => ({ step: step as Step, alter: 0, octave })),
        )
        .filter((pitch) => inRange(midiNumber(pitch)));
      const pitch = pick(pitches);
      return { kind, pitch, keys: [midiNumber(pitch)] };
    }
    case 'signature': {
      const key = pick(known.filter((one) => signatureOf(one) !== 0 || known.length === 1));
      return { kind, key, tonic: pitchClass(key.tonic) };
    }
    case 'guide-notes': {
      const others = ([1, 2, 4, 5, 6] as const)
        .map((step): Pitch => ({ step, alter: 0, octave: 4 }))
        .filter(({ step }) => step !== 4);
      const pitches = Array.from({ length: PAGE_NOTES }, () => (random() < 0.5 ? pick(FIRST_NOTES) : pick(others)));
      return { kind, pitches, count: pitches.filter(isFirstNote).length };
    }
    case 'black-in-position': {
      const withBlack = known.filter((one) => fiveFingers(one).black.right.length > 0);
      const key = pick(
        withBlack.length > 0 ? withBlack : TONICS.slice(3).flatMap((tonic) => parseKey(tonic, 'major') ?? []),
      );
      const { pitches, black } = fiveFingers(key);
      return { kind, key, keys: pitches.map(midiNumber).filter(isBlackKey), fingers: black.right };
    }
  }
}

function keysOf({ low, high }: FindRange): readonly number[] {
  return Array.from({ length: high - low + 1 }, (_, i) => low + i);
}

/** Whether a note is one of those from which others are read. */
export function isFirstNote({ step, alter, octave }: Pitch): boolean {
  return FIRST_NOTES.some((guide) => guide.step === step && guide.alter === alter && guide.octave === octave);
}

/** How far an answer is: `open` while keys are still wanted, `right` once all are there, `wrong` with the first key that does not belong. */
export type Verdict = 'open' | 'right' | 'wrong';

/** Judges the keys that were played so far, each in the order in which it was struck. A counting question is judged once it is handed in. */
export function judge(question: FindQuestion, played: readonly number[], handedIn: 'handed-in' | 'playing'): Verdict {
  switch (question.kind) {
    case 'signature':
      if (played.length === 0) return 'open';
      return (played[0] as number) % 12 === question.tonic ? 'right' : 'wrong';
    case 'guide-notes':
      if (handedIn === 'playing') return 'open';
      return played.length === question.count ? 'right' : 'wrong';
    case 'all-of':
    case 'this-note':
    case 'black-in-position': {
      if (played.some((midi) => !question.keys.includes(midi))) return 'wrong';
      if (question.keys.every((midi) => played.includes(midi))) return 'right';
      return handedIn === 'handed-in' ? 'wrong' : 'open';
    }
  }
}
