import type { Finger, Hand } from '@/core/score';

/** Heights of the five strokes, thumb first, in glyph units. Our own drawing of a hand's outline. */
const LENGTHS: Readonly<Record<Finger, number>> = { 1: 25, 2: 36, 3: 41, 4: 37, 5: 26 };
const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];
const STROKE = 7;
const GAP = 10;
const LIFT = 6;
const BASE = 50;

interface HandGlyphProps {
  readonly hand: Hand;
  readonly onBlack: readonly Finger[];
  readonly size?: number;
}

/** New Thumb's own sign: a hand as five upright strokes, dark and raised where the finger is on a black key. */
export function HandGlyph({ hand, onBlack, size = 28 }: HandGlyphProps) {
  const order = hand === 'right' ? FINGERS : FINGERS.toReversed();
  const said = onBlack.length === 0 ? 'no finger on black' : `${onBlack.join(', ')} on black`;
  return (
    <svg viewBox="0 0 54 56" width={(size * 54) / 56} height={size} role="img" aria-label={`${hand} hand: ${said}`} className="shrink-0">
      {order.map((finger, i) => (
        <Stroke key={finger} x={3 + i * GAP} length={LENGTHS[finger]} onBlack={onBlack.includes(finger)} />
      ))}
      <line x1={1} x2={53} y1={BASE + 4} y2={BASE + 4} stroke="currentColor" strokeWidth={1.6} />
    </svg>
  );
}

function Stroke({ x, length, onBlack }: { readonly x: number; readonly length: number; readonly onBlack: boolean }) {
  const top = BASE - length - (onBlack ? LIFT : 0);
  const fill = onBlack ? 'currentColor' : 'none';
  return <rect x={x} y={top} width={STROKE} height={length} rx={STROKE / 2} fill={fill} stroke="currentColor" strokeWidth={1.6} />;
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
