import { fifteenKeys, signatureOf, signaturesAround, type Key, type Mode } from '../pitch';
import type { OpenedPiece } from '../piece';

/** The keys of a ladder in the order in which they are worked out: the piece's own first, then its neighbours. */
export function ladderKeys(piece: OpenedPiece, mode: Mode): readonly Key[] {
  const order = signaturesAround(signatureOf(piece.key.key));
  return fifteenKeys(mode).toSorted((a, b) => order.indexOf(signatureOf(a)) - order.indexOf(signatureOf(b)));
}
