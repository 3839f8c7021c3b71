import { CHORD_SHAPES, figuresOf, type FifthSixthSchool, type Passage, type Player } from '../fingering';
import { groupBy } from '../base';
import { octaveArpeggios, octaveFingers, rocking, stepFigures, triads } from './line-wishes';
import { WISH } from './weights.table';
import { wishFor, type Sounding, type Wish } from './wish';

/** Wishes for struck chords, accompaniments, octaves, triads and keys in turn: everything that rests on letters alone. */
export function shapeWishes(passage: Passage, sounding: Sounding, { level, fifthSixth }: Player): readonly Wish[] {
  const byBar = accompaniments(sounding, fifthSixth);
  const inBars = new Set(byBar.map(({ t }) => t));
  const accompaniment = [...byBar, ...figures(passage, sounding, fifthSixth).filter(({ t }) => !inBars.has(t))];
  const octaves = octaveArpeggios(sounding, level);
  const taken = new Set([...accompaniment, ...octaves].map(({ t }) => t));
  const written = [...accompaniment, ...octaves, ...rocking(sounding)];
  return [
    ...chords(sounding),
    ...written,
    ...lastBass(sounding, written),
    ...triads(sounding, level, taken),
    ...stepFigures(sounding),
  ];
}

/** The last key is played as it was in the figures before it, where it was their bass. */
function lastBass(sounding: Sounding, written: readonly Wish[]): readonly Wish[] {
  const last = sounding.letters.length - 1;
  const letters = sounding.letters[last] ?? [];
  if (sounding.hand === 'right' || letters.length !== 1 || written.some(({ t }) => t === last)) return [];
  if (!written.some(({ t }) => t === last - 1)) return [];
  const isBass = written.some(
    ({ t, fingers }) => fingers.length === 1 && fingers[0] === FINGER_5 && sounding.letters[t]?.[0] === letters[0],
  );
  return isBass ? [wishFor(sounding, last, ['5'], WISH.left)] : [];
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
const FINGER_5 = 0b10000;

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
    const isParallel = [t - 1, t + 1].some((at) => {
      const [low = 0, high = 0] = sounding.letters[at] ?? [];
      return high - low === width && low !== letters[0];
    });
    if (width >= SIXTH) return [wishFor(sounding, t, outer, isParallel ? WISH.parallelPairs : WISH.widePair)];
    return [wishFor(sounding, t, outer, WISH.pair)];
  });
}

const OCTAVE_KEYS = 4;

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
        hasTwoBasses(sounding, own) ? WISH.basses : weight,
      ),
    );
  });
  const basses = found.flatMap((fingers) => (fingers ? [Math.min(...fingers.keys())] : []));
  if (sounding.hand === 'right') return wishes;
  if (basses.length < 2) return [...wishes, ...rootsAndFifths(sounding, bars)];
  const alone = bars.flatMap((own, i) => {
    const [t] = own;
    const letters = t === undefined ? [] : (sounding.letters[t] as readonly number[]);
    const isBass = own.length === 1 && letters.length === 1 && !found[i] && basses.includes(letters[0] as number);
    return isBass ? [wishFor(sounding, t as number, ['5'], weight)] : [];
  });
  return [...wishes, ...alone, ...rootsAndFifths(sounding, bars)];
}

/** A root and its fifth in each bar: one fingering for the shape. */
function rootsAndFifths(sounding: Sounding, bars: readonly (readonly number[])[]): readonly Wish[] {
  const found = bars.filter(([first = -1, second = -1, ...others]) => {
    const [low, high] = [sounding.letters[first] ?? [], sounding.letters[second] ?? []];
    const isPair = others.length === 0 && low.length === 1 && high.length === 1;
    return isPair && (high[0] as number) - (low[0] as number) === FIFTH;
  });
  if (found.length < 2) return [];
  return found.flatMap(([first, second]) => [
    wishFor(sounding, first as number, ['5'], WISH.left),
    wishFor(sounding, second as number, ['1'], WISH.left),
  ]);
}

/** Two basses in turn under the same pair: the arm goes to each of them. */
function hasTwoBasses({ hand, letters }: Sounding, own: readonly number[]): boolean {
  const bar = own.map((t) => letters[t] as readonly number[]);
  const basses = new Set(bar.filter(({ length }) => length === 1).map(([bass]) => bass));
  return hand === 'left' && basses.size === 2 && bar.some(({ length }) => length === 2);
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

/** Bass notes and the same pair over them again and again: one bass, or two in turn as in a march. */
function overBass(
  bar: readonly (readonly number[])[],
  distinct: readonly number[],
): ReadonlyMap<number, string> | null {
  const basses = bar.filter(({ length }) => length === 1).map(([bass]) => bass as number);
  const pairs = bar.filter(({ length }) => length === 2);
  const [low, high] = pairs[0] ?? [];
  const isOne = basses.length + pairs.length === bar.length && pairs.every(([a, b]) => a === low && b === high);
  const isInTurn = basses.length === 1 || bar.every(({ length }, i) => length === 1 + (i % 2));
  if (!isOne || !isInTurn || bar[0]?.length !== 1 || low === undefined || high === undefined) return null;
  if (distinct.length !== 2 + new Set(basses).size || basses.some((bass) => bass >= low)) return null;
  const fingers = PAIRS[high - low]?.split(' ');
  return fingers
    ? new Map([
        ...basses.map((bass) => [bass, '5'] as const),
        [low, fingers[0] as string],
        [high, fingers[1] as string],
      ])
    : null;
}
