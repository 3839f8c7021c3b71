'use client';

import { Fragment, memo, useMemo } from 'react';
import { drawnKeys, isBlackKey, keyCentreMm, WHITE_KEY_LENGTH_MM } from '@/core/keyboard';
import type { FingerBar, FingerPage, FingerStroke } from '@/core/views';
import type { Hand } from '@/core/score';
import { fingerLines, strokeShape } from '@/print/finger-shape';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';
import type { BenchAnswers } from '../use-bench';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface FingerPageViewProps {
  readonly answers: Pick<BenchAnswers, 'source' | 'options'>;
  readonly subject: string;
  readonly widthPx: number;
  readonly zoom: number;
  readonly now: readonly string[];
  readonly onNote: (id: string) => void;
}

/** Sizes at 100 %, in px. A quarter note takes this width; a letter up is this much higher. */
const QUARTER_PX = 46;
const LETTER_PX = 7;
/** A hand's staff is low: letters rise by a part of their height, at most so many. */
const LETTER_SHARE = 0.8;
const MOST_LETTERS = 9;
/** Where the figures of a hand's lowest letter stand in its row: the right hand has its stems over them, the left under them. */
const LOWEST_PX: Readonly<Record<Hand, number>> = { right: 72, left: 69 };
const FIGURE_PX = 22;
const STEM_PX = 30;
const KEYS_PX = 150;
const ROW_PX = 112;
const WORDS_PX = 15;

/** The piece without a staff: finger numbers with stems up for the right hand and down for the left, beside a picture of the keys they lie on. */
export const FingerPageView = memo(function FingerPageView({
  answers,
  subject,
  widthPx,
  zoom,
  now,
  onNote,
}: FingerPageViewProps) {
  const w = useWords();
  const { source, options } = answers;
  const ask = useMemo(() => () => coreWorker().fingers(source, options), [source, options]);
  const page = useAnswer(subject, ask).value;
  const scale = zoom / 100;
  const lines = useMemo(
    () => (page ? fingerLines(page.bars, widthPx / scale - KEYS_PX - 20, barWidth) : []),
    [page, widthPx, scale],
  );
  if (!page) return <div className="skeleton m-3 h-40" aria-hidden />;
  const hands = (['right', 'left'] as const).filter((hand) => page.keys[hand] !== null);
  return (
    <div
      className="flex flex-col gap-3 py-3"
      data-role="finger-page"
      role="group"
      aria-label={w.bench.pieceAsFingerNumbers}
    >
      {lines.map((bars, i) => (
        <svg
          key={bars[0]?.number}
          viewBox={`0 0 ${widthPx / scale} ${hands.length * ROW_PX + 6}`}
          className="w-full text-base-content"
          role="img"
          aria-label={lineWords(w, bars, hands)}
        >
          {hands.map((hand, row) => (
            <g key={hand} transform={`translate(0, ${row * ROW_PX})`}>
              {i === 0 ? <KeyPicture page={page} hand={hand} /> : null}
              <g transform={`translate(${KEYS_PX}, 0)`}>
                <Line bars={bars} hand={hand} now={now} onNote={onNote} />
              </g>
            </g>
          ))}
        </svg>
      ))}
    </div>
  );
});

function barWidth({ quarters }: FingerBar): number {
  return quarters * QUARTER_PX + 14;
}

function Line({
  bars,
  hand,
  now,
  onNote,
}: {
  readonly bars: readonly FingerBar[];
  readonly hand: Hand;
  readonly now: readonly string[];
  readonly onNote: (id: string) => void;
}) {
  const lefts = bars.map((_, i) => bars.slice(0, i).reduce((sum, bar) => sum + barWidth(bar), 0));
  return (
    <>
      <line x1={0} x2={0} y1={10} y2={ROW_PX - 18} stroke="currentColor" opacity={0.5} />
      {bars.map((bar, i) => (
        <Fragment key={bar.number}>
          <g transform={`translate(${lefts[i] ?? 0}, 0)`}>
            <text x={3} y={10} fontSize={12} fill="var(--color-secondary)">
              {hand === 'right' ? bar.number : ''}
            </text>
            {bar.hands[hand].map((stroke) => (
              <Stroke
                key={stroke.noteIds[0]}
                stroke={stroke}
                hand={hand}
                isNow={stroke.noteIds.some((id) => now.includes(id))}
                onNote={onNote}
              />
            ))}
          </g>
          <line
            x1={(lefts[i] ?? 0) + barWidth(bar)}
            x2={(lefts[i] ?? 0) + barWidth(bar)}
            y1={10}
            y2={ROW_PX - 18}
            stroke="currentColor"
            opacity={0.5}
          />
        </Fragment>
      ))}
    </>
  );
}

interface StrokeProps {
  readonly stroke: FingerStroke;
  readonly hand: Hand;
  readonly isNow: boolean;
  readonly onNote: (id: string) => void;
}

function Stroke({ stroke, hand, isNow, onNote }: StrokeProps) {
  const { noteIds, at, quarters, fingers, height, isBlack, words } = stroke;
  const x = 14 + at * QUARTER_PX;
  const base = LOWEST_PX[hand] - Math.min(MOST_LETTERS, height) * LETTER_PX * LETTER_SHARE;
  const way = hand === 'right' ? -1 : 1;
  const { isRinged, isDotted, hasStem, flags } = strokeShape(quarters);
  const stemFrom = base + way * FIGURE_PX * 0.62;
  const stemTo = stemFrom + way * STEM_PX * 0.7;
  const ink = isNow ? 'var(--color-primary)' : 'currentColor';
  const first = noteIds[0] ?? '';
  return (
    <g
      data-stroke={first}
      data-now={isNow}
      className="cursor-pointer"
      fill={ink}
      stroke="none"
      onClick={() => onNote(first)}
    >
      {isBlack ? (
        <rect x={x - 11} y={base - 12} width={22} height={24} rx={4} fill="currentColor" opacity={0.14} />
      ) : null}
      {isRinged ? <circle cx={x} cy={base} r={12.5} fill="none" stroke={ink} strokeWidth={1.4} /> : null}
      <text x={x} y={base + 7} textAnchor="middle" fontSize={fingers.length > 1 ? 15 : FIGURE_PX - 2} fontWeight={700}>
        {fingers.map((finger) => finger ?? '?').join('·')}
      </text>
      {isDotted ? <circle cx={x + 16} cy={base} r={2} /> : null}
      {hasStem ? <line x1={x} x2={x} y1={stemFrom} y2={stemTo} stroke={ink} strokeWidth={1.6} /> : null}
      {Array.from({ length: flags }, (_, i) => (
        <path
          key={i}
          d={`M${x} ${stemTo - way * i * 6} q8 ${-way * 4} 7 ${-way * 12}`}
          fill="none"
          stroke={ink}
          strokeWidth={1.8}
        />
      ))}
      {words ? (
        <text x={x} y={ROW_PX - 4} textAnchor="middle" fontSize={WORDS_PX}>
          {words}
        </text>
      ) : null}
    </g>
  );
}

/** The keys on which a hand begins, with its fingers. */
function KeyPicture({ page, hand }: { readonly page: FingerPage; readonly hand: Hand }) {
  const w = useWords();
  const range = page.keys[hand];
  if (!range) return null;
  const own = page.begin[hand];
  const low = Math.min(range[0], ...own.map(({ midi }) => midi));
  const high = Math.max(range[1], ...own.map(({ midi }) => midi));
  const keys = drawnKeys(whiteAt(low - 1, -1), whiteAt(high + 1, 1));
  const left = Math.min(...keys.map(({ leftMm }) => leftMm));
  const width = Math.max(...keys.map(({ leftMm, widthMm }) => leftMm + widthMm)) - left;
  const scale = Math.min(0.52, (KEYS_PX - 14) / width);
  return (
    <g transform={`translate(2, 14) scale(${scale})`} data-keys={hand}>
      {keys.map(({ midi, isBlack, leftMm, widthMm, lengthMm }) => (
        <rect
          key={midi}
          x={leftMm - left}
          y={0}
          width={widthMm}
          height={lengthMm}
          rx={1.5}
          fill={isBlack ? '#241f19' : '#fffef9'}
          stroke="#6b6152"
          strokeWidth={1}
        />
      ))}
      {own.map(({ midi, finger }) => (
        <g key={midi}>
          <circle
            cx={keyCentreMm(midi) - left}
            cy={isBlackKey(midi) ? 74 : 124}
            r={11}
            fill="#d9a441"
            stroke="#241f19"
          />
          <text
            x={keyCentreMm(midi) - left}
            y={(isBlackKey(midi) ? 74 : 124) + 6}
            textAnchor="middle"
            fontSize={17}
            fontWeight={700}
            fill="#241f19"
          >
            {finger}
          </text>
        </g>
      ))}
      <text x={0} y={WHITE_KEY_LENGTH_MM + 24} fontSize={12 / scale} fill="currentColor">
        {w.bench.handName(hand)}
      </text>
    </g>
  );
}

function whiteAt(midi: number, way: -1 | 1): number {
  return isBlackKey(midi) ? midi + way : midi;
}

function lineWords(w: Words, bars: readonly FingerBar[], hands: readonly Hand[]): string {
  const strokeWords = ({ fingers }: FingerBar['hands'][Hand][number]): string =>
    fingers.map((finger) => finger ?? w.bench.noFinger).join(' + ');
  return bars
    .map(({ number, hands: strokes }) =>
      w.bench.lineOfBar(
        number,
        hands
          .map((hand) => w.bench.strokesOf(hand, strokes[hand].map(strokeWords).join(', ') || w.bench.silent))
          .join('; '),
      ),
    )
    .join('. ');
}
