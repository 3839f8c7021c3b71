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

/** An octave in words, told from middle C; 0 is the one that begins with it. */
export function octaveWords(octave: number): string {
  if (octave === 0) return 'above middle C';
  if (octave === -1) return 'below middle C';
  return octave > 0 ? `in octave ${octave + 1} above middle C` : `in octave ${-octave} below middle C`;
}

/** The octave that such words name; null where they name none. */
export function octaveOf(words: string): number | null {
  if (words === 'above middle C') return 0;
  if (words === 'below middle C') return -1;
  const found = /^in octave (\d+) (above|below) middle C$/.exec(words);
  if (!found) return null;
  return found[2] === 'above' ? Number(found[1]) - 1 : -Number(found[1]);
}
