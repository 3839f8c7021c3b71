import { isBlackKey } from '../keyboard';
import { enharmonicKey, intervalOf, signatureOf, transposeName, type Direction, type Key } from '../pitch';
import type { HandNote } from '../score';

/** Where a tune on the groups of black keys has its white neighbour, or the other way round: half a step away, with the
 * same fingers. Source: handbook, the same tune on the groups of black keys, common practice. */
export interface GroupMove {
  readonly onto: 'black' | 'white';
  readonly key: Key;
  readonly direction: Direction;
}

/** The move between the black-key groups and the white keys beside them; null where the tune is on neither. */
export function groupMove(notes: readonly HandNote[], key: Key): GroupMove | null {
  if (notes.length === 0) return null;
  if (notes.every(({ midi }) => isBlackKey(midi))) return moveOf('white', key, 1);
  return notes.every(({ midi }) => !isBlackKey(midi) && isBlackKey(midi - 1)) ? moveOf('black', key, -1) : null;
}

/** The key half a step away, in the spelling with fewer signs. */
function moveOf(onto: GroupMove['onto'], key: Key, way: 1 | -1): GroupMove | null {
  const name = transposeName(key.tonic, intervalOf(way, way));
  if (!name.ok) return null;
  const target: Key = { tonic: name.value, mode: key.mode };
  const other = enharmonicKey(target);
  const best = other.ok && Math.abs(signatureOf(other.value)) < Math.abs(signatureOf(target)) ? other.value : target;
  return Math.abs(signatureOf(best)) <= 7 ? { onto, key: best, direction: way === 1 ? 'up' : 'down' } : null;
}
