import {
  CHORD_SHAPES,
  CROSSING_LEVEL,
  figuresOf,
  type FifthSixthSchool,
  type Passage,
  type Player,
} from '../fingering';
import { groupBy } from '../base';
import type { Hand } from '../score';
import type { Moment } from './moments';
import { WISH } from './weights.table';

/** Fingers that are written for a shape at one moment, and what any others cost. */
export interface Wish {
  readonly t: number;
  /** One entry a struck note, from the thumb's side: fingers as bits, finger 1 the lowest. */
  readonly fingers: readonly number[];
  readonly weight: number;
}

/** A hand with the letters of each moment as they sound, the lowest first. */
export interface Sounding {
  readonly hand: Hand;
  readonly moments: readonly Moment[];
  readonly letters: readonly (readonly number[])[];
}

export function soundingOf(hand: Hand, moments: readonly Moment[]): Sounding {
  const letters = moments.map(({ letters: own }) =>
    hand === 'left' ? own.map((letter) => -letter).toReversed() : own,
  );
  return { hand, moments, letters };
}

/** A wish for fingers told low note first, `/` where either is written. */
export function wishFor(
  { hand }: Pick<Sounding, 'hand'>,
  t: number,
  lowFirst: readonly string[],
  weight: number,
): Wish {
  const masks = lowFirst.map((word) => word.split('/').reduce((mask, digit) => mask | (1 << (Number(digit) - 1)), 0));
  return { t, fingers: hand === 'left' ? masks.toReversed() : masks, weight };
}

/** Wishes for struck chords, accompaniments, octaves, triads and keys in turn: everything that rests on letters alone. */
export function shapeWishes(passage: Passage, sounding: Sounding, { level, fifthSixth }: Player): readonly Wish[] {
  const byBar = accompaniments(sounding, fifthSixth);
  const inBars = new Set(byBar.map(({ t }) => t));
  const accompaniment = [...byBar, ...figures(passage, sounding, fifthSixth).filter(({ t }) => !inBars.has(t))];
  const octaves = octaveArpeggios(sounding, level);
  const taken = new Set([...accompaniment, ...octaves].map(({ t }) => t));
  return [...chords(sounding), ...accompaniment, ...octaves, ...triads(sounding, level, taken), ...rocking(sounding)];
}

/** Figures that are told by their order and not by bars. */
function figures(passage: Passage, sounding: Sounding, fifthSixth: FifthSixthSchool): readonly Wish[] {
  const momentOf = new Map(sounding.moments.flatMap(({ struck }, t) => struck.map((note) => [note, t] as const)));
  const found = figuresOf(passage).flatMap(({ kind, fingers }) => {
    if (kind === 'chord' || kind === 'rocking') return [];
    const isMoved = kind === 'fifth-and-sixth' && fifthSixth === 'move';
    const moments = [...new Set([...fingers.keys()].map((note) => momentOf.get(note) as number))];
    return moments.map((t) => ({
      t,
      fingers: (passage.events[t]?.struck ?? []).map((note) => {
        const written = fingers.get(note) ?? ANY;
        return isMoved && written === FINGER_2 ? THUMB : written;
      }),
      weight: WISH.left,
    }));
  });
  return [...found, ...endOfFigures(sounding, new Set(found.map(({ t }) => t)))];
}

/** The last key after figures is a bass like theirs where it is one of their lowest. */
function endOfFigures(sounding: Sounding, inFigures: ReadonlySet<number>): readonly Wish[] {
  const last = sounding.letters.length - 1;
  const letters = sounding.letters[last] ?? [];
  if (!inFigures.has(last - 1) || inFigures.has(last) || letters.length !== 1) return [];
  const lowest = Math.min(...sounding.letters.filter((_, t) => inFigures.has(t)).flat());
  const isBass = (letters[0] as number) - lowest <= 1;
  return isBass ? [wishFor(sounding, last, ['5'], WISH.left)] : [];
}

const ANY = 0b11111;
const THUMB = 0b00001;
const FINGER_2 = 0b00010;

const FIFTH = 4;
const SIXTH = 5;
const OCTAVE = 7;

function above(letters: readonly number[]): string {
  return letters
    .slice(1)
    .map((letter) => letter - (letters[0] as number))
    .join();
}

function chords(sounding: Sounding): readonly Wish[] {
  return sounding.letters.flatMap((letters, t) => {
    const fingers = CHORD_SHAPES[above(letters)]?.[sounding.hand];
    if (fingers) return [wishFor(sounding, t, fingers.split(' '), WISH.chord)];
    if (letters.length === OCTAVE_KEYS && (letters[3] as number) - (letters[0] as number) === OCTAVE)
      return [wishFor(sounding, t, octaveFingers(sounding.hand, letters), WISH.chord)];
    const width = (letters[1] ?? 0) - (letters[0] ?? 0);
    if (letters.length !== 2 || width < FIFTH) return [];
    const outer = sounding.hand === 'left' ? ['5', '1'] : ['1', '5'];
    return [wishFor(sounding, t, outer, width >= SIXTH ? WISH.widePair : WISH.pair)];
  });
}

const OCTAVE_KEYS = 4;
const THIRD = 2;

/** The fingers of four keys over an octave, the lowest first: beside 5 the fourth up to a third, else the third (handbook, octave patterns). */
export function octaveFingers(hand: Hand, letters: readonly number[]): readonly string[] {
  const [a, b, c, d] = letters as [number, number, number, number];
  return hand === 'right' ? ['1', '2', d - c <= THIRD ? '4' : '3', '5'] : ['5', b - a <= THIRD ? '4' : '3', '2', '1'];
}

/** From so many moments on a bar is looked at in halves. */
const HALVED = 8;
const LEAST_MOMENTS = 3;

function stretches({ moments }: Sounding): readonly (readonly number[])[] {
  const bars = [
    ...groupBy(
      moments.map(({ bar }, t) => ({ bar, t })),
      ({ bar }) => String(bar),
    ).values(),
  ];
  return bars
    .map((own) => own.map(({ t }) => t))
    .flatMap((own) => {
      const half = Math.ceil(own.length / 2);
      return own.length >= HALVED ? [own.slice(0, half), own.slice(half)] : [own];
    });
}

function accompaniments(sounding: Sounding, fifthSixth: FifthSixthSchool): readonly Wish[] {
  const weight = WISH[sounding.hand];
  const bars = stretches(sounding);
  const found = bars.map((own) => fingersByLetter(sounding, own, fifthSixth));
  const wishes = bars.flatMap((own, i) => {
    const fingers = found[i];
    if (!fingers) return [];
    return own.map((t) =>
      wishFor(
        sounding,
        t,
        (sounding.letters[t] as readonly number[]).map((letter) => fingers.get(letter) ?? '1/2/3/4/5'),
        weight,
      ),
    );
  });
  const basses = found.flatMap((fingers) => (fingers ? [Math.min(...fingers.keys())] : []));
  if (sounding.hand === 'right' || basses.length < 2) return wishes;
  const alone = bars.flatMap((own, i) => {
    const [t] = own;
    const letters = t === undefined ? [] : (sounding.letters[t] as readonly number[]);
    const isBass = own.length === 1 && letters.length === 1 && !found[i] && basses.includes(letters[0] as number);
    return isBass ? [wishFor(sounding, t as number, ['5'], weight)] : [];
  });
  return [...wishes, ...alone];
}

/** The fingers of the letters of a bar of accompaniment; null where it is none. */
function fingersByLetter(
  { hand, letters, moments }: Sounding,
  own: readonly number[],
  fifthSixth: FifthSixthSchool,
): ReadonlyMap<number, string> | null {
  // Pairs that are detached have time to open anew.
  const isDetached = own.slice(1).every((t) => moments[t]?.join === 'dyad' && moments[t]?.tempo === 2);
  if (own.length < LEAST_MOMENTS || isDetached) return null;
  const bar = own.map((t) => letters[t] as readonly number[]);
  const distinct = [...new Set(bar.flat())].toSorted((a, b) => a - b);
  const chord = CHORD_SHAPES[above(distinct)]?.[hand];
  const by = (fingers: string): ReadonlyMap<number, string> => {
    const digits = fingers.split(' ');
    return new Map(distinct.map((letter, i) => [letter, digits[i] as string]));
  };
  if (hand === 'left' && fifthSixth === 'move' && above(distinct) === `${FIFTH},${SIXTH}`) return by('5 1 1');
  if (chord) return by(chord);
  if (hand === 'right') return null;
  if (above(distinct) === `${FIFTH},${OCTAVE}`) return by('5 2 1');
  return overBass(bar, distinct);
}

const PAIRS: Readonly<Record<number, string>> = { 1: '2 1', 2: '3 1', 4: '5 1', 5: '5 1' };

/** A bass note and the same pair over it again and again. */
function overBass(
  bar: readonly (readonly number[])[],
  distinct: readonly number[],
): ReadonlyMap<number, string> | null {
  const [[bass], ...pairs] = bar as [readonly number[], ...(readonly number[])[]];
  const [low, high] = pairs[0] ?? [];
  const isOne = bar[0]?.length === 1 && pairs.every((pair) => pair.length === 2 && pair[0] === low && pair[1] === high);
  if (!isOne || bass === undefined || low === undefined || high === undefined || bass !== distinct[0] || bass >= low)
    return null;
  const fingers = PAIRS[high - low]?.split(' ');
  return fingers
    ? new Map([
        [bass, '5'],
        [low, fingers[0] as string],
        [high, fingers[1] as string],
      ])
    : null;
}

/** The letter of a moment with a single key and none held; NaN elsewhere. */
export function singleLetters({ letters, moments }: Sounding): readonly number[] {
  return letters.map((own, t) => (own.length === 1 && moments[t]?.held.length === 0 ? (own[0] as number) : NaN));
}

const isSkip = (step: number): boolean => Math.abs(step) === 2 || Math.abs(step) === 3;

function octaveArpeggios(sounding: Sounding, level: number): readonly Wish[] {
  const single = singleLetters(sounding);
  const step = (t: number): number => (single[t] as number) - (single[t - 1] as number);
  const found: Wish[] = [];
  for (let t = 3; t < single.length; t += 1) {
    const steps = [step(t - 2), step(t - 1), step(t)];
    const direction = Math.sign(steps[0] as number);
    const isOne = steps.every((one) => isSkip(one) && Math.sign(one) === direction);
    if (!isOne || Math.abs((single[t] as number) - (single[t - 3] as number)) !== OCTAVE) continue;
    if ([t - 2, t - 1, t].some((at) => sounding.moments[at]?.join === 'rest1')) continue;
    const goesOn = [step(t - 3), step(t + 1)].some((one) => isSkip(one) && Math.sign(one) === direction);
    if (level >= CROSSING_LEVEL && goesOn) continue;
    const keys = [t - 3, t - 2, t - 1, t].map((at) => single[at] as number);
    const low = octaveFingers(
      sounding.hand,
      keys.toSorted((a, b) => a - b),
    );
    const inTime = direction > 0 ? low : low.toReversed();
    inTime.forEach((finger, i) => found.push(wishFor(sounding, t - 3 + i, [finger], WISH.octave)));
  }
  return found;
}

function triads(sounding: Sounding, level: number, taken: ReadonlySet<number>): readonly Wish[] {
  const single = singleLetters(sounding);
  const weight = WISH.triad * (level <= 2 ? 1.5 : 0.5);
  const low = sounding.hand === 'right' ? ['1', '3', '5'] : ['5', '3', '1'];
  return single.flatMap((letter, t) => {
    const direction = Math.sign((single[t + 1] as number) - letter);
    const isTriad =
      single[t + 1] === letter + 2 * direction && single[t + 2] === letter + 4 * direction && direction !== 0;
    if (!isTriad || [t, t + 1, t + 2].some((at) => taken.has(at))) return [];
    return (direction > 0 ? low : low.toReversed()).map((finger, i) => wishFor(sounding, t + i, [finger], weight));
  });
}

/** Two keys in turn: so many notes at least. */
const IN_TURN = 4;

function rocking(sounding: Sounding): readonly Wish[] {
  const single = singleLetters(sounding);
  const found: Wish[] = [];
  for (let t = 0; t + 1 < single.length;) {
    const [first, second] = [single[t] as number, single[t + 1] as number];
    const width = Math.abs(second - first);
    let end = t + 2;
    while (single[end] === single[end - 2] && end < single.length) end += 1;
    const least = width === OCTAVE && sounding.hand === 'left' ? 2 : IN_TURN;
    if ([FIFTH, SIXTH, OCTAVE].includes(width) && end - t >= least) {
      for (let at = t; at < end; at += 1) {
        const isLow = single[at] === Math.min(first, second);
        found.push(wishFor(sounding, at, [isLow === (sounding.hand === 'right') ? '1' : '5'], WISH.rocking));
      }
      t = end - 1;
    } else t += 1;
  }
  return found;
}

/** Wishes by their moments: one list a moment. */
export function groupWishes(wishes: readonly Wish[], moments: number): readonly (readonly Wish[])[] {
  const at = Array.from({ length: moments }, (): Wish[] => []);
  for (const wish of wishes) at[wish.t]?.push(wish);
  return at;
}
