import { keyText } from '../pitch';
import { flaggedBars, linesOf, phrasesOf, subjectOf } from '../stages';
import type { PieceParts } from '../teaching';
import type { PractisedPiece } from './practice-view';

/** What weeks can be made of in a piece where it was moved to, its bars by their printed numbers, and the key in which it stands, as `D-major`. */
export interface PartsView extends PieceParts {
  readonly numbers: readonly string[];
  readonly own: string;
}

export function partsView({ piece, after }: PractisedPiece): PartsView {
  const subject = subjectOf(piece, after);
  const numbers = piece.part.measures.map(({ number }) => number);
  return {
    numbers,
    own: keyText(piece.key.key),
    bars: numbers.length,
    lines: linesOf(subject),
    phrases: phrasesOf(subject),
    hard: [...flaggedBars(subject)],
  };
}
