import type { FingerBar } from '@/core/views';

/** How a length is drawn at a finger number: long ones are ringed as hollow heads are, whole notes have no stem, those shorter than a quarter have flags. */
export interface StrokeShape {
  readonly isRinged: boolean;
  readonly isDotted: boolean;
  readonly hasStem: boolean;
  readonly flags: number;
}

const DOTTED = [0.75, 1.5, 3, 6];

export function strokeShape(quarters: number): StrokeShape {
  return {
    isRinged: quarters >= 2,
    isDotted: DOTTED.includes(quarters),
    hasStem: quarters < 4,
    flags: quarters < 0.5 ? 2 : quarters < 1 ? 1 : 0,
  };
}

/** Bars by the lines on which they find room, each line as full as it can be. Widths in one unit. */
export function fingerLines(
  bars: readonly FingerBar[],
  width: number,
  widthOf: (bar: FingerBar) => number,
): readonly (readonly FingerBar[])[] {
  const lines: FingerBar[][] = [];
  let used = Infinity;
  for (const bar of bars) {
    const own = widthOf(bar);
    if (used + own > width) {
      lines.push([]);
      used = 0;
    }
    lines.at(-1)?.push(bar);
    used += own;
  }
  return lines;
}
