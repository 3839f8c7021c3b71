import { CROSSING_LEVEL } from '../fingering';
import type { Hand } from '../score';
import { WISH } from './weights.table';
import { wishFor, type Sounding, type Wish } from './wish';

const FIFTH = 4;
const SIXTH = 5;
const OCTAVE = 7;

const THIRD = 2;

/** The fingers of four keys over an octave, the lowest first: beside 5 the fourth up to a third, else the third (handbook, octave patterns). */
export function octaveFingers(hand: Hand, letters: readonly number[]): readonly string[] {
  const [a, b, c, d] = letters as [number, number, number, number];
  return hand === 'right' ? ['1', '2', d - c <= THIRD ? '4' : '3', '5'] : ['5', b - a <= THIRD ? '4' : '3', '2', '1'];
}

/** The letter of a moment with a single key and none held; NaN elsewhere. */
export function singleLetters({ letters, moments }: Sounding): readonly number[] {
  return letters.map((own, t) => (own.length === 1 && moments[t]?.held.length === 0 ? (own[0] as number) : NaN));
}

const isSkip = (step: number): boolean => Math.abs(step) === 2 || Math.abs(step) === 3;

/** Four keys in one direction over an octave lie under one open hand. */
export function octaveArpeggios(sounding: Sounding, level: number): readonly Wish[] {
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

/** The keys of a triad, one after the other. */
export function triads(sounding: Sounding, level: number, taken: ReadonlySet<number>): readonly Wish[] {
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

/** Two keys in turn, a fifth, a sixth or an octave from each other: thumb and fifth finger. */
export function rocking(sounding: Sounding): readonly Wish[] {
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

const FIGURE_NOTES = 4;

/** Whether the four keys after these begin a step higher or lower, with a breath before them. */
function isNextStep({ moments }: Sounding, single: readonly number[], from: number): boolean {
  const next = from + FIGURE_NOTES;
  const hasTime = (moments[next]?.tempo ?? 0) > 0;
  return hasTime && Math.abs((single[next] as number) - (single[from] as number)) === 1;
}

/** Four keys step by step, and again from the last of them on or a step further, the same way: the thumb goes where 4 was, or 5 where 2 was (handbook, figures). */
export function stepFigures(sounding: Sounding): readonly Wish[] {
  const single = singleLetters(sounding);
  const directionAt = (from: number): number => {
    const step = (single[from + 1] as number) - (single[from] as number);
    const isFigure = [1, 2, 3].every((i) => (single[from + i] as number) - (single[from + i - 1] as number) === step);
    return isFigure && Math.abs(step) === 1 && single[from - 1] !== (single[from] as number) - step ? step : 0;
  };
  const endsAt = (t: number): boolean =>
    t >= single.length || single[t] === single[t - 1] || (sounding.moments[t]?.tempo ?? 0) > 0;
  const found = new Map<number, number>();
  for (let t = 0; t + 2 * FIGURE_NOTES <= single.length; t += 1) {
    const next = t + FIGURE_NOTES;
    const direction = directionAt(t);
    const begins = single[next] === single[next - 1] || isNextStep(sounding, single, t);
    const goesOn = begins && directionAt(next) === direction && endsAt(next + FIGURE_NOTES);
    if (direction !== 0 && goesOn) [t, next].forEach((from) => found.set(from, direction));
  }
  return [...found].flatMap(([from, direction]) => {
    const inTime = direction > 0 === (sounding.hand === 'right') ? ['1', '2', '3', '4'] : ['5', '4', '3', '2'];
    return inTime.map((finger, i) => wishFor(sounding, from + i, [finger], WISH.stepFigure));
  });
}
