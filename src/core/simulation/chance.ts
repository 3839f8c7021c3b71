/** Numbers that look like chance and are the same for the same seed. */
export interface Chance {
  /** From 0 up to 1. */
  readonly number: () => number;
  readonly between: (low: number, high: number) => number;
  /** A whole number from 0 up to, not including, `end`. */
  readonly below: (end: number) => number;
  readonly of: <T>(choices: readonly T[]) => T;
  readonly shuffled: <T>(list: readonly T[]) => readonly T[];
  /** Of the normal distribution around 0. */
  readonly normal: (deviation: number) => number;
}

export function chanceOf(seed: number): Chance {
  let state = (seed * 2654435761 + 1) | 0;
  const number = (): number => {
    // mulberry32, a public-domain generator.
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (end: number): number => Math.floor(number() * end);
  return {
    number,
    below,
    between: (low, high) => low + number() * (high - low),
    of: (choices) => choices[below(choices.length)] as (typeof choices)[number],
    shuffled: (list) => {
      const left = [...list];
      for (let i = left.length - 1; i > 0; i -= 1) {
        const other = below(i + 1);
        [left[i], left[other]] = [left[other] as (typeof left)[number], left[i] as (typeof left)[number]];
      }
      return left;
    },
    // Box and Muller's transformation, in the public domain.
    normal: (deviation) => deviation * Math.sqrt(-2 * Math.log(1 - number())) * Math.cos(2 * Math.PI * number()),
  };
}
