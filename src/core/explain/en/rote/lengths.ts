import { gcd } from '../../../time';
import { countWord } from '../common';

/** What a length is counted in: beats for teachers, counts for children. */
export type LengthWord = 'beat' | 'count';

const PARTS: readonly (readonly [parts: number, of: number, words: string])[] = [
  [1, 2, 'half a'],
  [1, 4, 'a quarter of a'],
  [3, 4, 'three quarters of a'],
  [1, 3, 'a third of a'],
  [2, 3, 'two thirds of a'],
];

/** A length in words: `one beat`, `half a beat`, `one and a half beats`, `1 and 5/6 beats`. Both numbers in the same unit. */
export function lengthSaid(ticks: number, beat: number, word: LengthWord): string {
  const shared = gcd(ticks, beat);
  const [parts, of] = [ticks / shared, beat / shared];
  if (of === 1) return parts === 1 ? `one ${word}` : `${countWord(parts)} ${word}s`;
  const whole = Math.floor(parts / of);
  const rest = parts - whole * of;
  if (whole === 0) {
    const found = PARTS.find(([some, all]) => some === parts && all === of);
    return found ? `${found[2]} ${word}` : `${parts}/${of} of a ${word}`;
  }
  return of === 2 ? `${countWord(whole)} and a half ${word}s` : `${whole} and ${rest}/${of} ${word}s`;
}

/** A length in words, read back, in beats as parts of so many; null where it is none. */
export function lengthRead(words: string): { readonly parts: number; readonly of: number } | null {
  const whole = /^(\S+) (?:beats?|counts?)$/.exec(words);
  if (whole) return wholeRead(whole[1] ?? '', 0, 1);
  const half = /^(\S+) and a half (?:beats|counts)$/.exec(words);
  if (half) return wholeRead(half[1] ?? '', 1, 2);
  const more = /^(\S+) and (\d+)\/(\d+) (?:beats|counts)$/.exec(words);
  if (more) return wholeRead(more[1] ?? '', Number(more[2]), Number(more[3]));
  const part = /^(\d+)\/(\d+) of a (?:beat|count)$/.exec(words);
  if (part) return { parts: Number(part[1]), of: Number(part[2]) };
  const named = PARTS.find(([, , said]) => words === `${said} beat` || words === `${said} count`);
  return named ? { parts: named[0], of: named[1] } : null;
}

function wholeRead(word: string, parts: number, of: number): { readonly parts: number; readonly of: number } | null {
  const whole = /^\d+$/.test(word) ? Number(word) : WHOLE.findIndex((one) => one === word);
  return whole < 0 ? null : { parts: whole * of + parts, of };
}

/** Numbers up to these are said as words. */
const WHOLE = Array.from({ length: 10 }, (_, i) => countWord(i));
