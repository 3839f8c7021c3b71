import { asWritten, moveTo, NO_DECISIONS, openPiece, type OpenedPiece, type Version, type Wish } from '@/core/job';
import { USUAL_PLAYER } from '@/core/finger';
import { parseKey } from '@/core/pitch';
import { unwrap } from '@/core/result';
import { bytesOf } from './build-piece';

export function open(text: string): OpenedPiece {
  return unwrap(openPiece(bytesOf(text), { format: null, key: null, part: null }));
}

export const USUAL: Omit<Wish, 'to'> = {
  direction: 'nearest',
  octaves: { right: 0, left: 0 },
  spelling: 'strict',
  courtesy: 'bar',
  sixth: 'natural',
  seventh: 'raised',
  fingering: 'keep',
  player: USUAL_PLAYER,
  keyboard: 88,
  respelled: [],
  decisions: NO_DECISIONS,
};

/** Moves a piece to a key as `parseKey` reads it. */
export function moved(piece: OpenedPiece, to: string, wish: Partial<Wish> = {}): Version {
  const key = parseKey(to, piece.key.key.mode);
  if (!key) throw new Error(`no key ${to}`);
  return unwrap(moveTo(piece, asWritten(piece), { ...USUAL, to: key, ...wish }));
}
