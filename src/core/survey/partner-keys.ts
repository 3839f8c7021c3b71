import {
  DIRECTIONS,
  intervalToKey,
  intervalSemitones,
  transposeBy,
  type Direction,
  type Key,
  type Mode,
  type Pitch,
} from '../pitch';
import { fitRange, isReadable, partnersKey, type Partner, type Range, type RangeFit } from './partner';
import type { Hand } from '../score';
import { ladderKeys } from './ladder-keys';
import type { OpenedPiece } from '../piece';

/** Who sings or plays along: which notes (a hand's, or all), the comfortable range, and the instrument. */
export interface PartnerOptions {
  readonly voice: Hand | 'both';
  readonly comfortable: Range;
  readonly partner: Partner;
}

/** A key as the partner meets it: the way that fits best, the range there, and the key that the partner reads. */
export interface PartnerKey {
  readonly key: Key;
  readonly direction: Direction;
  readonly low: Pitch;
  readonly high: Pitch;
  readonly fit: RangeFit;
  /** The key that the partner reads. */
  readonly reads: Key;
  readonly isReadable: boolean;
}

/** All keys of a mode, the piece's own where none is named, for a singer or another instrument, the piece's own first, then its neighbours. */
export function partnerKeys(
  piece: OpenedPiece,
  options: PartnerOptions,
  mode: Mode = piece.key.key.mode,
): readonly PartnerKey[] {
  const own = piece.notes
    .filter(({ hand }) => options.voice === 'both' || hand === options.voice)
    .toSorted((a, b) => a.midi - b.midi);
  const [low, high] = [own[0], own.at(-1)];
  if (!low || !high) return [];
  return ladderKeys(piece, mode).map((key) => {
    const fits = DIRECTIONS.map((direction) =>
      fitBy(piece.key.key, key, direction, { low, high, comfortable: options.comfortable }),
    );
    // Of directions that fit equally well the nearest comes first.
    const best = fits.toSorted((a, b) => missOf(a.fit) - missOf(b.fit))[0] as (typeof fits)[number];
    const reads = partnersKey(key, options.partner);
    return { key, ...best, reads, isReadable: isReadable(reads) };
  });
}

interface Placed {
  readonly pitch: Pitch;
  readonly midi: number;
}

function fitBy(
  from: Key,
  to: Key,
  direction: Direction,
  { low, high, comfortable }: { readonly low: Placed; readonly high: Placed; readonly comfortable: Range },
): Pick<PartnerKey, 'direction' | 'low' | 'high' | 'fit'> {
  const interval = intervalToKey(from, to, direction);
  const by = intervalSemitones(interval);
  const movedPitch = (pitch: Pitch): Pitch => {
    const moved = transposeBy(pitch, interval);
    return moved.ok ? moved.value : pitch;
  };
  return {
    direction,
    low: movedPitch(low.pitch),
    high: movedPitch(high.pitch),
    fit: fitRange({ low: low.midi + by, high: high.midi + by }, comfortable),
  };
}

function missOf({ below, above }: RangeFit): number {
  return below + above;
}
