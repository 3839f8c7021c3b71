import { askedOf, type AskedMusic, type AskedPart } from '../asked';
import type { OpenedPiece, Version } from './open-piece';

/** What a pupil is asked to play of a piece in a key: a hand or both, some bars or all. */
export function askedIn({ part }: Pick<OpenedPiece, 'part'>, version: Version, asked: AskedPart): AskedMusic {
  const { score, notes, positions } = version;
  const own = score.parts.find(({ id }) => id === part.id) ?? part;
  return askedOf({ part: own, notes, positions, ticksPerQuarter: score.ticksPerQuarter }, asked);
}
