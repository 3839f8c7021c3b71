import { CROSSING_LEVEL, notesInRuns, PUBLISHED_CHROMATIC, runsOf, type Passage, type Player } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Hand } from '../score';
import type { Moment } from './moments';
import { wishFor, type Wish } from './wish';
import { WISH } from './weights.table';

/** What the keys of a key add: the published fingers of runs, and of the groups of black keys. */
export interface KeyWishes {
  readonly wishes: readonly Wish[];
  /** Moments inside a run of a scale, an arpeggio or half steps: 1, or 2 inside half steps. One entry a moment. */
  readonly inRun: Uint8Array;
  /** Whether the hand plays on black keys alone. */
  readonly allBlack: boolean;
}

const LEAST_SCALE = 8;
const LEAST_HALF_STEPS = 5;

/** Source: the project's posture model, section 5: black keys in groups of two and three, by pitch class. */
const ON_BLACK: Readonly<Record<Hand, Readonly<Record<number, string>>>> = {
  right: { 1: '2', 3: '3', 6: '2', 8: '3', 10: '4' },
  left: { 1: '3', 3: '2', 6: '4', 8: '3', 10: '2' },
};

/** Moments that lie in a run in some key: one entry a moment, 1 or 0. */
export function maybeInRun(passage: Passage, moments: readonly Moment[], { level }: Player): Uint8Array {
  const notes = level >= CROSSING_LEVEL ? notesInRuns(passage, LEAST_SCALE) : new Set<number>();
  return Uint8Array.from(moments, ({ struck }) => Number(struck.some((note) => notes.has(note))));
}

/** Where nothing is wished. */
export function noWishes(moments: number): KeyWishes {
  return { wishes: [], inRun: new Uint8Array(moments), allBlack: false };
}

export function keyWishes(
  passage: Passage,
  moments: readonly Moment[],
  midis: readonly number[],
  { player, isHome }: { readonly player: Player; readonly isHome: boolean },
): KeyWishes {
  const { level } = player;
  const inRun = new Uint8Array(moments.length);
  const allBlack = midis.length > 0 && midis.every(isBlackKey);
  const wishes: Wish[] = [];
  const momentOf = new Map(moments.flatMap(({ struck }, t) => struck.map((note) => [note, t] as const)));
  if (level >= CROSSING_LEVEL) {
    for (const { kind, fingers } of runsOf(passage, midis)) {
      if (kind === 'scale' && fingers.size < LEAST_SCALE) continue;
      for (const [note, mask] of fingers) {
        const t = momentOf.get(note);
        if (t === undefined) continue;
        inRun[t] = 1;
        wishes.push({ t, fingers: [mask], weight: kind === 'scale' ? WISH.run : WISH.arpeggio });
      }
    }
    wishes.push(...halfSteps(passage, moments, midis, inRun));
  }
  // In other keys the fingers of the piece's own key say it.
  if (allBlack && isHome)
    moments.forEach(({ struck }, t) => {
      const [note] = struck;
      const finger = struck.length === 1 ? ON_BLACK[passage.hand][(midis[note as number] as number) % 12] : undefined;
      if (finger) wishes.push(wishFor(passage, t, [finger], WISH.black));
    });
  if (player.inner === 'black') wishes.push(...innerOnBlack(passage, moments, midis));
  return { wishes, inRun, allBlack };
}

function halfSteps(
  passage: Passage,
  moments: readonly Moment[],
  midis: readonly number[],
  inRun: Uint8Array,
): readonly Wish[] {
  const midiAt = moments.map(({ struck, held }) =>
    struck.length === 1 && held.length === 0 ? (midis[struck[0] as number] as number) : NaN,
  );
  const found: Wish[] = [];
  let from = 0;
  for (let t = 1; t <= midiAt.length; t += 1) {
    const step = (midiAt[t] as number) - (midiAt[t - 1] as number);
    const before = t - from >= 2 ? (midiAt[t - 1] as number) - (midiAt[t - 2] as number) : step;
    if (Math.abs(step) === 1 && step === before) continue;
    if (t - from > LEAST_HALF_STEPS)
      for (let at = from; at < t; at += 1) {
        inRun[at] = 2;
        found.push(
          wishFor(
            passage,
            at,
            [PUBLISHED_CHROMATIC[passage.hand][(midiAt[at] as number) % 12] as string],
            WISH.chromatic,
          ),
        );
      }
    from = Math.abs(step) === 1 ? t - 1 : t;
  }
  return found;
}

const OCTAVE = 7;
const OCTAVE_KEYS = 4;

/** In the school that rests the third finger on black keys it takes the key beside 5 in octave chords, struck or broken. */
function innerOnBlack(passage: Passage, moments: readonly Moment[], midis: readonly number[]): readonly Wish[] {
  return octavePatterns(moments).flatMap((notes): readonly Wish[] => {
    const inner = notes[2] as number;
    if (!isBlackKey(midis[inner] as number)) return [];
    const t = moments.findIndex(({ struck }) => struck.includes(inner));
    const fingers = (moments[t] as Moment).struck.map((note) => (note === inner ? THREE : ANY));
    return [{ t, fingers, weight: WISH.innerBlack }];
  });
}

const THREE = 0b00100;
const ANY = 0b11111;

/** The notes of four keys over an octave, from the thumb's side: at one moment, or one after the other in one direction. */
function octavePatterns(moments: readonly Moment[]): readonly (readonly number[])[] {
  return moments.flatMap(({ struck, letters }, t): readonly (readonly number[])[] => {
    if (struck.length === OCTAVE_KEYS) return spans(letters) ? [struck] : [];
    const line = moments.slice(t, t + OCTAVE_KEYS);
    const own = line.map((moment) => moment.letters[0] as number);
    if (line.length < OCTAVE_KEYS || line.some((moment) => moment.struck.length > 1 || moment.held.length > 0))
      return [];
    const notes = line.map((moment) => moment.struck[0] as number);
    if (spans(own)) return [notes];
    return spans(own.toReversed()) ? [notes.toReversed()] : [];
  });
}

/** Whether letters rise over an octave. */
function spans(letters: readonly number[]): boolean {
  const rises = letters.every((letter, i) => i === 0 || letter > (letters[i - 1] as number));
  return rises && (letters.at(-1) as number) - (letters[0] as number) === OCTAVE;
}
