import type { Finger, Hand } from '@/core/score';
import { useWords } from '@/features/shared/words/use-words';

/** Heights of the five strokes, thumb first, in glyph units. Our own drawing of a hand's outline. */
const LENGTHS: Readonly<Record<Finger, number>> = { 1: 25, 2: 36, 3: 41, 4: 37, 5: 26 };
const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];
const STROKE = 7;
const GAP = 10;
const LIFT = 6;
const BASE = 50;
const WIDTH = 54;
const HEIGHT = 56;

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
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={(size * WIDTH) / HEIGHT}
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
    <g transform={`scale(${size / HEIGHT})`}>
      <Strokes hand={hand} onBlack={onBlack} width={SMALL_WIDTH} />
    </g>
  );
}

/** Lines of the glyph, and how much bolder they are where it is small. */
const LINE_WIDTH = 1.6;
const SMALL_WIDTH = 4;

function Strokes({ hand, onBlack, width = LINE_WIDTH }: Omit<HandGlyphProps, 'size'> & { readonly width?: number }) {
  const order = hand === 'right' ? FINGERS : FINGERS.toReversed();
  return (
    <>
      {order.map((finger, i) => (
        <Stroke
          key={finger}
          x={3 + i * GAP}
          length={LENGTHS[finger]}
          onBlack={onBlack.includes(finger)}
          width={width}
        />
      ))}
      <line x1={1} x2={WIDTH - 1} y1={BASE + 4} y2={BASE + 4} stroke="currentColor" strokeWidth={width} />
    </>
  );
}

function Stroke({
  x,
  length,
  onBlack,
  width,
}: {
  readonly x: number;
  readonly length: number;
  readonly onBlack: boolean;
  readonly width: number;
}) {
  const top = BASE - length - (onBlack ? LIFT : 0);
  const fill = onBlack ? 'currentColor' : 'none';
  return (
    <rect
      x={x}
      y={top}
      width={STROKE}
      height={length}
      rx={STROKE / 2}
      fill={fill}
      stroke="currentColor"
      strokeWidth={width}
    />
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
