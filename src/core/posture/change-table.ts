import { DIAL_FACTOR, type Level, type Player } from '../fingering';
import { lastingMemo } from '../base';
import { SHAPES, type Shape } from './shapes';
import { POSTURE, type Tempo } from './weights.table';

/** How the hand gets from one posture to another. Outer: 2, 3 and 4 stay and an outer finger opens or closes; inner: one inner finger moves; move: all else. */
export const OUTER = 0;
export const INNER = 1;
export const MOVE = 2;

/** What any two shapes, so many letters apart, mean for the hand: one entry a pair of shapes and shift. */
export interface ChangeTable {
  readonly kind: Uint8Array;
  /** Fingers that keep their letter, as bits. */
  readonly kept: Uint8Array;
  /** What the change costs by its geometry, one array a tempo. */
  readonly cost: readonly Float64Array[];
}

/** Beyond so many letters all changes are alike. */
export const FARTHEST = 14;
const SHIFTS = 2 * FARTHEST + 1;

export function changeIndex(from: number, to: number, shift: number): number {
  const clamped = shift > FARTHEST ? FARTHEST : shift < -FARTHEST ? -FARTHEST : shift;
  return (from * SHAPES.length + to) * SHIFTS + clamped + FARTHEST;
}

/** At which level the hand opens, and how much that weighs for this teacher. */
export interface Opening {
  readonly level: Level;
  readonly factor: number;
}

export function openingOf({ level, moveOverStretch }: Player): Opening {
  return { level, factor: DIAL_FACTOR[moveOverStretch] };
}

const tables = lastingMemo<ChangeTable>(8);

export function changeTable(opening: Opening): ChangeTable {
  return tables.get(`${opening.level}/${opening.factor}`, () => makeTable(opening));
}

function makeTable(opening: Opening): ChangeTable {
  const size = SHAPES.length ** 2 * SHIFTS;
  const kind = new Uint8Array(size);
  const kept = new Uint8Array(size);
  const cost = [0, 1, 2].map(() => new Float64Array(size));
  SHAPES.forEach((from, a) =>
    SHAPES.forEach((to, b) => {
      for (let shift = -FARTHEST; shift <= FARTHEST; shift += 1) {
        const at = changeIndex(a, b, shift);
        const change = changeOf(from, to, shift, opening);
        kind[at] = change.kind;
        kept[at] = change.kept;
        change.cost.forEach((one, tempo) => ((cost[tempo] as Float64Array)[at] = one));
      }
    }),
  );
  return { kind, kept, cost };
}

export interface Change {
  readonly kind: number;
  readonly kept: number;
  readonly cost: readonly number[];
}

/** What lies between two postures. The cost of a move does not have that of entering the new posture. */
export function changeOf(from: Shape, to: Shape, shift: number, hand: Opening): Change {
  const moved = to.offsets.map((offset, i) => offset + shift - (from.offsets[i] as number));
  const kept = moved.reduce((mask, by, i) => (by === 0 ? mask | (1 << i) : mask), 0);
  const count = moved.filter((by) => by !== 0).length;
  const [first, second, third, fourth, fifth] = moved as [number, number, number, number, number];
  const change = POSTURE.change[hand.level - 1] as number;
  const kind = second === 0 && third === 0 && fourth === 0 ? OUTER : count === 1 ? INNER : MOVE;
  if (kind === MOVE) {
    const distance = Math.min(POSTURE.furthest, Math.abs((second + third + fourth) / 3));
    const isOctave = Math.abs(shift) === 7 && from.offsets.every((offset, i) => offset === to.offsets[i]);
    return {
      kind,
      kept,
      cost: [0, 1, 2].map(
        (tempo) =>
          change +
          POSTURE.moveDistance[tempo as Tempo] * distance +
          POSTURE.movedFinger[tempo as Tempo] * count +
          (isOctave ? POSTURE.octaveMove : 0),
      ),
    };
  }
  const opening = enteringCost(to, hand, from);
  const far = kind === OUTER ? Math.abs(first) + Math.abs(fifth) : 0;
  return { kind, kept, cost: [0, 1, 2].map((tempo) => change + opening + POSTURE.outerDistance[tempo as Tempo] * far) };
}

/** What it costs to take a shape: all of it, or only what differs from the one before. */
export function enteringCost(to: Shape, { level, factor }: Opening, from: Shape | null = null): number {
  const gap = (i: number, prices: readonly number[]): number => {
    const width = to.gaps[i] as number;
    if (width < 2 || width === from?.gaps[i]) return 0;
    return prices[Math.min(width - 2, prices.length - 1)] as number;
  };
  const wider = Math.max(0, to.excess - Math.max(0, from?.excess ?? 0));
  const overOctave = to.excess > 3 && (from?.excess ?? 0) <= 3 ? POSTURE.overOctave : 0;
  const gaps = gap(0, POSTURE.gap12) + gap(1, POSTURE.gap23) + gap(2, POSTURE.gap34) + gap(3, POSTURE.gap45);
  return factor * (gaps + wider * (POSTURE.excess[level - 1] as number) + overOctave);
}
