import { memo } from 'react';
import type { MarkKind } from '@/core/annotate';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';

interface NoteMarksProps {
  readonly system: EngravedSystem;
  readonly marks: readonly { readonly kind: MarkKind; readonly note: string }[];
  readonly unit: number;
}

/** How far a ring stands off its note head. Unit: px. */
const RING_PX = 6;

/** Rings and guide notes over the new version: a ring is round, a guide note has a lozenge. */
export const NoteMarks = memo(function NoteMarks({ system, marks, unit }: NoteMarksProps) {
  const heads = new Map(system.heads.map((head) => [head.id, head]));
  const [left, top, width, height] = system.viewBox;
  const shapes = marks.flatMap(({ kind, note }) => {
    const head = heads.get(ID_PREFIXES.after + note);
    return head && (kind === 'ring' || kind === 'guide')
      ? [{ kind, note, x: head.x + head.width / 2, y: head.y, size: head.width / 2 + RING_PX * unit }]
      : [];
  });
  return (
    <svg viewBox={`${left} ${top} ${width} ${height}`} style={{ position: 'absolute', inset: 0 }} data-role="marks">
      {shapes.map(({ kind, note, x, y, size }) =>
        kind === 'ring' ? (
          <circle
            key={`${kind}${note}`}
            cx={x}
            cy={y}
            r={size}
            fill="none"
            stroke="var(--color-error)"
            strokeWidth={1.6 * unit}
            data-ring={note}
          />
        ) : (
          <path
            key={`${kind}${note}`}
            d={`M${x - size * 1.2} ${y} L${x} ${y - size * 1.2} L${x + size * 1.2} ${y} L${x} ${y + size * 1.2} Z`}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth={1.6 * unit}
            data-guide={note}
          />
        ),
      )}
    </svg>
  );
});
