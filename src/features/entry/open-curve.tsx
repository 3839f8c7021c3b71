import type { OpenCurve } from '@/core/views';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedBar, EngravedSystem } from '@/contract/engraving-questions';

/** How far a curve stands off its note, how high it bends, how thick it is, and how far it reaches back to the beginning of a line. Unit: spaces of the staff. */
const OFF = { tie: 0.5, slur: 1.1 } as const;
const HIGH = { tie: 0.7, slur: 1.1 } as const;
const THICK = 0.22;
const BACK = 2.2;

/** Half of a tie or a slur: from its note to the end of the line, or from the beginning of the line to its note. The engraver sets each line by itself and
 * draws none that has only one end. */
export function OpenCurveShape({ curve, engraved }: { readonly curve: OpenCurve; readonly engraved: EngravedSystem }) {
  const { heads, bars } = engraved;
  const head = heads.find(({ id }) => id === ID_PREFIXES.after + curve.noteId);
  const [first, last] = [bars[0], bars.at(-1)];
  if (!head || !first || !last) return null;
  const staff = staffOf(first, head.y);
  const space = (staff.bottom - staff.top) / 4;
  const way = curve.bends === 'over' ? -1 : 1;
  const [from, to] =
    curve.goes === 'on'
      ? [head.x + head.width * (curve.kind === 'tie' ? 1.1 : 0.6), last.x2 - 0.2 * space]
      : [Math.min(...heads.map(({ x }) => x)) - BACK * space, head.x + (curve.kind === 'tie' ? -0.15 : 0.5) * space];
  // A slur goes round all notes that it covers on its staff.
  const covered = heads.filter(({ x, y: at }) => x >= from && x <= to && staffOf(first, at) === staff);
  const levels = curve.kind === 'tie' ? [head.y] : [head.y, ...covered.map(({ y: at }) => at)];
  const y = (way < 0 ? Math.min(...levels) : Math.max(...levels)) + space / 2 + way * OFF[curve.kind] * space;
  const middle = (from + to) / 2;
  const [outer, inner] = [y + way * HIGH[curve.kind] * space, y + way * (HIGH[curve.kind] - THICK * 2) * space];
  return (
    <path
      d={`M${from} ${y} Q${middle} ${outer} ${to} ${y} Q${middle} ${inner} ${from} ${y} Z`}
      data-open={`${curve.kind}-${curve.goes}`}
      fill="currentColor"
      stroke="currentColor"
      strokeWidth={0.06 * space}
    />
  );
}

/** The staff that a height belongs to: the nearest. */
function staffOf({ staves }: EngravedBar, y: number): EngravedBar['staves'][number] {
  const far = ({ top, bottom }: EngravedBar['staves'][number]): number => Math.abs((top + bottom) / 2 - y);
  return staves.reduce((nearest, one) => (far(one) < far(nearest) ? one : nearest));
}
