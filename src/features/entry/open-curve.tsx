import type { OpenCurve } from '@/core/views';
import { ID_PREFIXES, type EngravedSystem } from '@/workers/protocol';

/** How far a curve stands off its note, how high it bends, how thick it is, and how far it reaches back to the beginning of a line. Unit: spaces of the staff. */
const OFF = { tie: 0.5, slur: 1.1 } as const;
const HIGH = { tie: 0.7, slur: 1.1 } as const;
const THICK = 0.22;
const BACK = 2.2;

/** Half of a tie or a slur: from its note to the end of the line, or from the beginning of the line to its note. The engraver sets each line by itself and
 * draws none that has only one end. */
export function OpenCurveShape({ curve, engraved }: { readonly curve: OpenCurve; readonly engraved: EngravedSystem }) {
  const head = engraved.heads.find(({ id }) => id === ID_PREFIXES.after + curve.noteId);
  const staff = engraved.bars[0]?.staves[0];
  const end = engraved.bars.at(-1)?.x2;
  if (!head || !staff || end === undefined) return null;
  const space = (staff.bottom - staff.top) / 4;
  const way = curve.bends === 'over' ? -1 : 1;
  const y = head.y + space / 2 + way * OFF[curve.kind] * space;
  const [from, to] =
    curve.goes === 'on'
      ? [head.x + head.width * (curve.kind === 'tie' ? 1.1 : 0.6), end - 0.2 * space]
      : [head.x - BACK * space, head.x - (curve.kind === 'tie' ? 0.15 : -0.4) * space];
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
