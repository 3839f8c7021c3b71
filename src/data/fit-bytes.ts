import { array, mixed, string, tuple } from 'yup';
import type { Finger, Hand } from '@/core/score';
import type { FitHand, FitKey, PieceFit } from '@/core/survey';

/** What is known of a piece, and the state of the piece that it holds for. */
export interface KeptFit {
  readonly stamp: string;
  readonly fit: PieceFit;
}

/** A shelf of a thousand pieces is read at once, so what is kept is written short: lists without names, as bytes. */
type ShortHand = readonly [hand: 'r' | 'l', moves: number, positions: string, onBlack: string, opens: number];
type ShortKey = readonly [key: string, limits: number, ...hands: ShortHand[]];
type ShortFit = readonly [stamp: string, piece: string, title: string, own: string, keys: readonly ShortKey[]];

/** The first piece is looked at for all: they were written together, by the same core. */
const shortFitSchema = tuple([
  string().required(),
  string().required(),
  string().defined(),
  string().required(),
  array(mixed().required()).required(),
]);

export function fitBytes(fits: readonly KeptFit[]): Uint8Array {
  const short = fits.map(({ stamp, fit }): ShortFit => [stamp, fit.piece, fit.title, fit.own, fit.keys.map(shortKey)]);
  return new TextEncoder().encode(JSON.stringify(short));
}

function shortKey({ key, limits, hands }: FitKey): ShortKey {
  return [
    key,
    limits,
    ...hands.map(({ hand, moves, positions, onBlack, opens }): ShortHand => [
      hand === 'right' ? 'r' : 'l',
      moves,
      positions.join(' '),
      onBlack.join(''),
      opens,
    ]),
  ];
}

/** Reads what was written; nothing where it cannot be read. */
export function fitsFromBytes(bytes: Uint8Array): readonly KeptFit[] {
  try {
    const value: unknown = JSON.parse(new TextDecoder().decode(bytes));
    if (!Array.isArray(value) || value.length === 0) return [];
    shortFitSchema.validateSync(value[0], { strict: true });
    return (value as readonly ShortFit[]).map(fullFit);
  } catch {
    return [];
  }
}

function fullFit([stamp, piece, title, own, keys]: ShortFit): KeptFit {
  return {
    stamp,
    fit: {
      piece,
      title,
      own,
      keys: keys.map(([key, limits, ...hands]) => ({ key, limits, hands: hands.map(fullHand) })),
    },
  };
}

const HANDS: Readonly<Record<ShortHand[0], Hand>> = { r: 'right', l: 'left' };

function fullHand([hand, moves, positions, onBlack, opens]: ShortHand): FitHand {
  return {
    hand: HANDS[hand],
    moves,
    positions: positions === '' ? [] : positions.split(' '),
    onBlack: Array.from(onBlack, (finger) => Number(finger) as Finger),
    opens,
  };
}
