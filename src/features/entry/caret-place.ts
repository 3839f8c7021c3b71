import type { CaretView, EnteredView } from '@/core/views';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedBar, EngravedSystem } from '@/contract/engraving-questions';

/** A place on a line, in the units of its picture. */
export interface CaretPlace {
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
}

/** How far the caret stands in front of a note, and behind the last one. Unit: note heads. */
const BEFORE_HEADS = 0.45;
const BEHIND_HEADS = 1.7;

/** A note head, where no note says how wide it is; and what the clef, the time at the beginning and each sign take at the front of a line. Unit: of the picture.
 * Our own measure. */
const HEAD = 212;
const CLEF = 840;
const TIME = 450;
const SIGN = 190;

/** How far the caret reaches over its staff and under it. Unit: of the picture. */
const REACH = 250;

/** Where the caret is on the line that holds it. `from` is the line's first bar; `signs` how many signs its signature has; `soon` what is entered
 * and not engraved yet: the caret stands behind it. */
export function caretPlace(
  system: EngravedSystem,
  caret: CaretView,
  { from, signs, soon }: { readonly from: number; readonly signs: number; readonly soon: SoonPlace | null },
): CaretPlace | null {
  const { bars } = system;
  const index = Math.min(caret.bar - from, bars.length - 1);
  const bar = bars[index];
  const staff = bar?.staves[caret.staff - 1];
  if (!bar || !staff) return null;
  const isBehindAll = caret.bar - from > index;
  const isBehindSoon = soon !== null && soon.bar === caret.bar && caret.at === null;
  const x = isBehindSoon
    ? soon.x + BEHIND_HEADS * HEAD
    : isBehindAll
      ? bar.x2 + HEAD
      : xIn(system, bar, caret, index === 0 ? frontOf(from, signs) : HEAD);
  return { x, top: staff.top - REACH, bottom: staff.bottom + REACH };
}

/** How far behind its beginning the notes of a line begin. */
function frontOf(from: number, signs: number): number {
  return CLEF + SIGN * signs + (from === 0 ? TIME : 0);
}

function xIn(system: EngravedSystem, bar: EngravedBar, { at, behind }: CaretView, front: number): number {
  const headOf = (id: string | null) =>
    id === null ? undefined : system.heads.find((head) => head.id === ID_PREFIXES.after + id);
  const here = headOf(at);
  if (here) return here.x - BEFORE_HEADS * here.width;
  const before = headOf(behind);
  if (before) return before.x + BEHIND_HEADS * before.width;
  // Nothing of this hand is in the bar yet: where the other hand begins, else behind the front of the bar.
  const others = system.heads.filter(({ x }) => x > bar.x1 && x < bar.x2).map(({ x }) => x);
  return others.length > 0 ? Math.min(...others) - BEFORE_HEADS * HEAD : Math.min(bar.x1 + front, bar.x2 - HEAD / 2);
}

/** Where something that was just entered will stand: the left edge of its heads, and the middle of each. */
export interface SoonPlace {
  readonly bar: number;
  readonly x: number;
  readonly heads: readonly { readonly id: string; readonly y: number; readonly finger: number | null }[];
  readonly staff: { readonly top: number; readonly bottom: number };
  readonly space: number;
}

/** How far apart notes are where no others tell. Unit: note heads. Our own measure. */
const APART_HEADS = 2.7;

/** Where what was just entered is to be drawn until the engraver has it; null once it stands there. */
export function soonPlace(system: EngravedSystem, entered: EnteredView, from: number, signs: number): SoonPlace | null {
  const index = entered.bar - from;
  const bar = system.bars[Math.min(index, system.bars.length - 1)];
  const staff = bar?.staves[entered.staff - 1];
  if (!bar || !staff || index < 0) return null;
  const space = (staff.bottom - staff.top) / 4;
  const headOf = (id: string | null | undefined) =>
    id ? system.heads.find((head) => head.id === ID_PREFIXES.after + id) : undefined;
  const heads = entered.notes.map(({ id, place, finger }) => ({ id, y: staff.bottom - (place * space) / 2, finger }));
  const isThere = heads.every(({ id, y }) => Math.abs((headOf(id)?.y ?? Infinity) - y) < space / 4);
  if (isThere) return null;
  const own = headOf(entered.notes[0]?.id) ?? headOf(entered.under);
  const behind = headOf(entered.behind);
  const [first, second] = [headOf(entered.apart?.[0]), headOf(entered.apart?.[1])];
  const apart = first && second && second.x > first.x ? second.x - first.x : APART_HEADS * HEAD;
  const front = index === 0 ? frontOf(from, signs) : HEAD;
  const x = own?.x ?? (behind ? behind.x + apart : index >= system.bars.length ? bar.x2 + HEAD : bar.x1 + front);
  return { bar: entered.bar, x, heads, staff, space };
}
