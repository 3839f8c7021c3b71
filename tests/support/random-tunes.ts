import fc from 'fast-check';

/** Letters of the closed positions of a hand in some major keys, lowest first; fingers 1 to 5 from the thumb's side. */
const FIVE: Readonly<Record<string, string>> = {
  C: 'C4 D4 E4 F4 G4',
  G: 'G4 A4 B4 C5 D5',
  D: 'D4 E4 F#4 G4 A4',
  A: 'A3 B3 C#4 D4 E4',
  F: 'F4 G4 A4 Bb4 C5',
  E: 'E4 F#4 G#4 A4 B4',
};

const LENGTHS = ['', '', '', ':2', ':0.5'];

/** A tune in one closed position, from bottom to top at least once, as text for `handLine`. */
export function closedTune(key: string): fc.Arbitrary<string> {
  const five = (FIVE[key] as string).split(' ');
  const note = fc.tuple(fc.nat(4), fc.constantFrom(...LENGTHS));
  return fc
    .array(note, { minLength: 10, maxLength: 20 })
    .map((notes) =>
      [...notes, [0, ''] as const, [4, ':2'] as const].map(([at, length]) => `${five[at]}${length}`).join(' '),
    );
}

/** A tune over nine letters that goes by steps, skips and a few leaps. */
export const widerTune: fc.Arbitrary<string> = fc
  .tuple(
    fc.nat(8),
    fc.array(fc.tuple(fc.constantFrom(1, 1, 1, 2, 2, 3, 4), fc.boolean(), fc.constantFrom(...LENGTHS, ' r', ' |')), {
      minLength: 10,
      maxLength: 18,
    }),
  )
  .map(([start, moves]) => {
    const letters = ['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4', 'C5', 'D5'];
    let at = start;
    return moves
      .map(([step, isUp, length]) => {
        at = Math.max(0, Math.min(8, at + (isUp ? step : -step)));
        return `${letters[at]}${length}`;
      })
      .join(' ');
  });
