/** Where each key of an octave lies by the black keys around it, from C up. Common practice in teaching before staff reading. */
export const BY_BLACK_KEYS: readonly string[] = [
  'the white key left of the two black keys',
  'the lower of the two black keys',
  'the white key between the two black keys',
  'the upper of the two black keys',
  'the white key right of the two black keys',
  'the white key left of the three black keys',
  'the lowest of the three black keys',
  'the white key right of the lowest of the three',
  'the middle one of the three black keys',
  'the white key right of the middle one of the three',
  'the highest of the three black keys',
  'the white key right of the three black keys',
];

/** Octaves from middle C on; a piano has no more to either side, a file may. */
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** An octave in words, told from middle C; 0 is the one that begins with it. */
export function octaveWords(octave: number): string {
  const side = octave < 0 ? 'below' : 'above';
  const place = octave < 0 ? -octave - 1 : octave;
  return place === 0 ? `${side} middle C` : `in the ${ORDINALS[place]} octave ${side} middle C`;
}

/** The octave that such words name; null where they name none. */
export function octaveOf(words: string): number | null {
  const found = /^(?:in the (\w+) octave )?(above|below) middle C$/.exec(words);
  const place = found?.[1] === undefined ? 0 : ORDINALS.indexOf(found[1]);
  if (!found || place < 0) return null;
  return found[2] === 'above' ? place : -place - 1;
}
