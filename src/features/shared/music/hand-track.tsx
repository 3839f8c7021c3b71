import { memo } from 'react';
import type { PositionView } from '@/core/views';
import { HandStrokes } from './hand-glyph';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem } from '@/contract/engraving-questions';
import { fitted, trackLines, type TrackLineLayout, type TrackSegment } from '@/print/track-layout';

interface HandTracksProps {
  readonly system: EngravedSystem;
  readonly before: readonly PositionView[];
  readonly after: readonly PositionView[];
  /** Units of the picture to a pixel of the screen. */
  readonly unit: number;
  readonly onPress: (noteId: string) => void;
}

/** Heights of a track in pixels: the old track behind, the bar, the words of a move. Text is never smaller than 12. */
const OLD_PX = 4;
const BAR_PX = 17;
const TEXT_PX = 12;
const GLYPH_PX = 13;
/** How far the top of a line is above the baseline of its first free line. */
const RISE_PX = 11;

/** The hand tracks of a system, in line with its notes: one bar a position, a joint where the hand moves and the move in words. */
export const HandTracks = memo(function HandTracks({ system, before, after, unit, onPress }: HandTracksProps) {
  const [left, top, width, height] = system.viewBox;
  const lanesBefore = trackLines(system, ID_PREFIXES.before, before, before);
  const lanesAfter = trackLines(system, ID_PREFIXES.after, after, before);
  return (
    <svg viewBox={`${left} ${top} ${width} ${height}`} data-role="tracks">
      {lanesBefore.map((line) => (
        <TrackLine
          key={line.y}
          line={{ ...line, old: [] }}
          version="before"
          unit={unit}
          width={width}
          onPress={onPress}
        />
      ))}
      {lanesAfter.map((line) => (
        <TrackLine key={line.y} line={line} version="after" unit={unit} width={width} onPress={onPress} />
      ))}
    </svg>
  );
});

interface LaneProps {
  readonly line: TrackLineLayout;
  readonly version: 'before' | 'after';
  readonly unit: number;
  readonly width: number;
  readonly onPress: (noteId: string) => void;
}

function TrackLine({ line, version, unit, width, onPress }: LaneProps) {
  const top = line.y - RISE_PX * unit;
  const hasOld = version === 'after' && !sameEnds(line.old, line.segments);
  const barTop = top + (hasOld ? (OLD_PX + 1) * unit : 0);
  return (
    <g data-line={version}>
      {hasOld
        ? line.old.map(({ x1, x2, noteId }) => (
            <rect
              key={noteId}
              x={x1}
              y={top}
              width={x2 - x1}
              height={OLD_PX * unit}
              rx={2 * unit}
              fill="var(--color-secondary)"
              opacity={0.35}
              data-old
            />
          ))
        : null}
      {line.segments.map((segment, i) => (
        <Segment
          key={segment.noteId}
          segment={segment}
          next={line.segments[i + 1]}
          top={barTop}
          version={version}
          unit={unit}
          width={width}
          onPress={onPress}
        />
      ))}
    </g>
  );
}

/** Where both tracks are the same, the old one would only be a double line. */
function sameEnds(a: readonly TrackSegment[], b: readonly TrackSegment[]): boolean {
  return a.length === b.length && a.every(({ x1, x2 }, i) => x1 === b[i]?.x1 && x2 === b[i].x2);
}

const DASHES: Readonly<Record<PositionView['kind'], readonly number[]>> = {
  closed: [],
  extended: [5, 3],
  crossed: [1.5, 2.5],
};

interface SegmentProps extends Omit<LaneProps, 'line'> {
  readonly segment: TrackSegment;
  readonly next: TrackSegment | undefined;
  readonly top: number;
}

function Segment({ segment, next, top, version, unit, width, onPress }: SegmentProps) {
  const { x1, x2, short, kind, onBlack, hand, move, noteId, words } = segment;
  const text = TEXT_PX * unit;
  const glyph = GLYPH_PX * unit;
  const bar = BAR_PX * unit;
  const isFirm = version === 'after';
  const hasGlyph = x2 - x1 > glyph * 1.5;
  const label = fitted(short, x2 - x1 - (hasGlyph ? glyph * 1.4 : 0) - 6 * unit, text);
  return (
    <g data-press data-track={noteId} data-hand={hand} onClick={() => onPress(noteId)}>
      <title>{words}</title>
      <rect
        x={x1}
        y={top}
        width={x2 - x1}
        height={bar}
        rx={4 * unit}
        fill={isFirm ? 'var(--color-base-200)' : 'none'}
        stroke={isFirm ? 'var(--color-base-content)' : 'var(--color-secondary)'}
        strokeWidth={(isFirm ? 1.2 : 0.8) * unit}
        strokeDasharray={DASHES[kind].map((dash) => dash * unit).join(' ')}
        data-bar
      />
      {hasGlyph ? (
        <g transform={`translate(${x1 + 4 * unit}, ${top + 2 * unit})`} fill="none" color="var(--color-base-content)">
          <HandStrokes hand={hand} onBlack={onBlack} size={glyph} />
        </g>
      ) : null}
      <text
        x={x1 + (hasGlyph ? glyph * 1.4 : 0) + 4 * unit}
        y={top + bar * 0.73}
        fontSize={text}
        fontWeight={isFirm ? 600 : 400}
        fill={isFirm ? 'var(--color-base-content)' : 'var(--color-secondary)'}
      >
        {label}
      </text>
      {move && isFirm ? (
        <Joint move={move} x={x1} top={top} room={(next?.move ? next.x1 : width) - x1} unit={unit} />
      ) : null}
    </g>
  );
}

/** A joint stands in the gap before its bar. */
const BESIDE_PX = 6;

interface JointProps {
  readonly move: { readonly words: string; readonly isNew: boolean };
  readonly x: number;
  readonly top: number;
  readonly room: number;
  readonly unit: number;
}

/** Where the hand moves: a lozenge where it did not move before, else a point; under it the move in words. */
function Joint({ move, x, top, room, unit }: JointProps) {
  const ink = move.isNew ? 'var(--color-error)' : 'var(--color-base-content)';
  const [middle, size, at] = [top + (BAR_PX / 2) * unit, 5.5 * unit, x - BESIDE_PX * unit];
  const text = TEXT_PX * unit;
  return (
    <g data-joint={move.isNew ? 'new' : 'old'}>
      {move.isNew ? (
        <path d={`M${at - size} ${middle} l${size} ${-size} l${size} ${size} l${-size} ${size} z`} fill={ink} />
      ) : (
        <circle cx={at} cy={middle} r={3.5 * unit} fill={ink} />
      )}
      <text
        x={x - 2 * unit}
        y={top + (BAR_PX + TEXT_PX - 1) * unit}
        fontSize={text}
        fontWeight={move.isNew ? 700 : 400}
        fill={ink}
      >
        {fitted(move.words, room - 8 * unit, text)}
      </text>
    </g>
  );
}
