import { HAND_SHAPE, handShape } from '@/core/keyboard';
import type { Finger, Hand } from '@/core/score';
import { useWords } from '@/features/shared/words/use-words';

interface HandGlyphProps {
  readonly hand: Hand;
  readonly onBlack: readonly Finger[];
  readonly size?: number;
}

/** New Thumb's own sign: a hand as five upright strokes, dark and raised where the finger is on a black key. */
export function HandGlyph({ hand, onBlack, size = 28 }: HandGlyphProps) {
  const w = useWords();
  const said = onBlack.length === 0 ? w.shared.noFingerOnBlack : w.shared.onBlack(onBlack.join(', '));
  return (
    <svg
      viewBox={`0 0 ${HAND_SHAPE.width} ${HAND_SHAPE.height}`}
      width={(size * HAND_SHAPE.width) / HAND_SHAPE.height}
      height={size}
      role="img"
      aria-label={w.shared.handGlyph(hand, said)}
      className="shrink-0"
    >
      <Strokes hand={hand} onBlack={onBlack} />
    </svg>
  );
}

/** The same inside another picture, `size` of its units high. */
export function HandStrokes({ hand, onBlack, size }: Required<HandGlyphProps>) {
  return (
    <g transform={`scale(${size / HAND_SHAPE.height})`}>
      <Strokes hand={hand} onBlack={onBlack} width={SMALL_WIDTH} />
    </g>
  );
}

/** Lines of the glyph, and how much bolder they are where it is small. */
const LINE_WIDTH = 1.6;
const SMALL_WIDTH = 4;

function Strokes({ hand, onBlack, width = LINE_WIDTH }: Omit<HandGlyphProps, 'size'> & { readonly width?: number }) {
  return (
    <>
      {handShape(hand, onBlack).map((stroke) => (
        <rect
          key={stroke.finger}
          x={stroke.x}
          y={stroke.y}
          width={stroke.width}
          height={stroke.height}
          rx={stroke.width / 2}
          fill={stroke.isOnBlack ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth={width}
        />
      ))}
      <line
        x1={1}
        x2={HAND_SHAPE.width - 1}
        y1={HAND_SHAPE.base}
        y2={HAND_SHAPE.base}
        stroke="currentColor"
        strokeWidth={width}
      />
    </>
  );
}

interface HandsGlyphProps {
  readonly right: readonly Finger[];
  readonly left: readonly Finger[];
  readonly size?: number;
}

/** Both hands as they lie on the keyboard: left hand first. */
export function HandsGlyph({ right, left, size = 28 }: HandsGlyphProps) {
  return (
    <span className="inline-flex items-end gap-1">
      <HandGlyph hand="left" onBlack={left} size={size} />
      <HandGlyph hand="right" onBlack={right} size={size} />
    </span>
  );
}
