import { lastingMemo } from '../base';
import { changeIndex, changeOf, MOVE, type ChangeTable } from './change-table';
import { shapeAt, type Form } from './stages';
import type { Step } from './step';

/** How the postures of two moments lie to each other: those that are the same, and those between which only an outer or an inner finger changes, or
 * the whole hand goes by an octave. One entry a posture of the later moment. */
export interface Near {
  /** The same posture before; -1 where there is none. */
  readonly same: Int16Array;
  /** Where the list of each posture begins in `from`, and where the last one ends. */
  readonly starts: Int32Array;
  readonly from: Int16Array;
  /** Whether a finger of a grip before keeps its letter: one entry a posture and grip before. */
  readonly pivots: Uint8Array;
}

const kept = lastingMemo<Near>(1500);

/** Which postures are near each other in a step: it does not hang on the level. */
export function nearOf({ table, before, now, shift }: Pick<Step, 'table' | 'before' | 'now' | 'shift'>): Near {
  return kept.get(`${before.name}>${now.name}@${shift}`, () => findNear(table, before, now, shift));
}

const OCTAVE = 7;

function findNear(table: ChangeTable, before: Form, now: Form, shift: number): Near {
  const same = new Int16Array(now.gripOf.length).fill(-1);
  const starts = new Int32Array(now.gripOf.length + 1);
  const from: number[] = [];
  const pivots = new Uint8Array(now.gripOf.length * before.grips.length);
  for (let q = 0; q < now.gripOf.length; q += 1) {
    for (let p = 0; p < before.gripOf.length; p += 1) {
      const by = (now.thumbs[q] as number) + shift - (before.thumbs[p] as number);
      const { isSame, kind, kept } = changeBetween(table, [before, p], [now, q], by);
      if (isSame && by === 0) same[q] = p;
      else if (kind !== MOVE || (isSame && Math.abs(by) === OCTAVE)) from.push(p);
      if ((kept & (before.fingers[p] as number)) !== 0)
        pivots[q * before.grips.length + (before.gripOf[p] as number)] = 1;
    }
    starts[q + 1] = from.length;
  }
  return { same, starts, from: Int16Array.from(from), pivots };
}

interface Between {
  readonly isSame: boolean;
  readonly kind: number;
  readonly kept: number;
}

function changeBetween(
  table: ChangeTable,
  [before, p]: readonly [Form, number],
  [now, q]: readonly [Form, number],
  by: number,
): Between {
  const [a, b] = [before.shapes[p] as number, now.shapes[q] as number];
  if (a >= 0 && b >= 0) {
    const at = changeIndex(a, b, by);
    return { isSame: a === b, kind: table.kind[at] as number, kept: table.kept[at] as number };
  }
  const [one, other] = [shapeAt(before, p), shapeAt(now, q)];
  const { kind, kept } = changeOf(one, other, by, ANY_LEVEL);
  return { isSame: one.gaps.join() === other.gaps.join(), kind, kept };
}

/** What kind of change it is does not hang on the level. */
const ANY_LEVEL = { level: 4, factor: 1 } as const;
