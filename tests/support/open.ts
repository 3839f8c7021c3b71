import {
  asWritten,
  moveTo,
  NO_DECISIONS,
  openPiece,
  type OpenedPiece,
  type Version,
  type MoveOptions,
} from '@/core/piece';
import { USUAL_PLAYER } from '@/core/fingering';
import { parseKey } from '@/core/pitch';
import { unwrap } from '@/core/base';
import { bytesOf } from './build-piece';

export function open(text: string): OpenedPiece {
  return unwrap(openPiece(bytesOf(text), { format: null, key: null, part: null }));
}

export const USUAL: Omit<MoveOptions, 'to'> = {
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
export function moved(piece: OpenedPiece, to: string, options: Partial<MoveOptions> = {}): Version {
  const key = parseKey(to, piece.key.key.mode);
  if (!key) throw new Error(`no key ${to}`);
  return unwrap(moveTo(piece, asWritten(piece), { ...USUAL, to: key, ...options }));
}
