'use client';

import { memo, useMemo } from 'react';
import { drawnKeys, HIGHEST_KEY, keyCentreMm, LOWEST_KEY, WHITE_KEY_LENGTH_MM, type DrawnKey } from '@/core/keyboard';
import type { Moment } from '@/core/views';
import { Fingers, KeyLetter, NextFingers, OldFingerTip, Reach, type OldFinger } from './on-the-keys';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface KeyboardMapProps {
  readonly moment: Moment | null;
  /** Lowest and highest key of both versions, so that the keyboard does not jump between them. */
  readonly range: readonly [number, number];
  /** What is struck after this moment: where each finger will be next. */
  readonly next?: Moment | null;
  /** Fingers brought along that are not used here any more. */
  readonly old?: readonly OldFinger[];
  /** How far the hand reaches, in mm: shown as a band from the thumb. */
  readonly reachMm?: number;
  /** The keys whole, only as much of them as shows where the fingers are, or whole and wide enough to be played on. */
  readonly part?: 'whole' | 'front' | 'playing';
  readonly onKey?: (midi: number) => void;
  /** What stands on a key: the computer's key that plays it. */
  readonly letterOn?: ((midi: number) => string | null) | undefined;
}

/** The keys from C to B around a range, at least three octaves where the keyboard has them. */
export function keyboardRange(moments: readonly Moment[]): readonly [number, number] {
  const played = moments.flatMap(({ keys, keysUnderFingers: frames }) => [
    ...keys.map(({ midi }) => midi),
    ...restingKeys(frames.right),
    ...restingKeys(frames.left),
  ]);
  const lowest = Math.min(60, ...played);
  const highest = Math.max(71, ...played);
  const from = Math.floor(lowest / 12) * 12;
  const to = Math.max(from + 35, Math.ceil((highest + 1) / 12) * 12 - 1);
  return [Math.max(LOWEST_KEY, from), Math.min(HIGHEST_KEY, to)];
}

function restingKeys(frame: readonly (number | null)[] | null): readonly number[] {
  return (frame ?? []).filter((midi): midi is number => midi !== null);
}

/** Room under the keys for the bands of reach. Unit: mm. */
const BAND_ROOM_MM = 16;

/** From where to where keys are seen where only their front is. Unit: mm from the fallboard. */
const FRONT_MM = [64, 138] as const;

const HEIGHTS = { whole: 'max-h-32', front: 'max-h-14', playing: 'max-h-44 pointer-coarse:max-h-60' } as const;

/** So wide a white key is at least where it is played on. Unit: px. */
const PLAYED_KEY_PX = 30;

/** The keyboard in true proportions (mm), with the fingers on their keys at one moment: filled where a key is down,
 * hollow where a finger only rests. Right-hand fingers are round, left-hand ones square. */
export function KeyboardMap({
  moment,
  range,
  next = null,
  old = [],
  reachMm,
  part = 'whole',
  onKey,
  letterOn,
}: KeyboardMapProps) {
  const w = useWords();
  const keys = useMemo(() => drawnKeys(...range), [range]);
  const left = Math.min(...keys.map(({ leftMm }) => leftMm));
  const right = Math.max(...keys.map(({ leftMm, widthMm }) => leftMm + widthMm));
  const isFront = part === 'front';
  const [top, bottom] = isFront ? FRONT_MM : [-2, WHITE_KEY_LENGTH_MM + 2 + (reachMm ? BAND_ROOM_MM : 0)];
  return (
    <svg
      viewBox={`${left - 2} ${top} ${right - left + 4} ${bottom - top}`}
      role="img"
      aria-label={moment ? wordsOf(w, moment) : w.shared.keyboard}
      className={`mx-auto w-full ${HEIGHTS[part]}`}
      style={
        part === 'playing' ? { minWidth: keys.filter(({ isBlack }) => !isBlack).length * PLAYED_KEY_PX } : undefined
      }
      data-role="keyboard"
    >
      {keys.map((key) => (
        <KeyShape
          key={key.midi}
          shape={key}
          nameAt={bottom - (isFront ? 4 : 7 + (reachMm ? BAND_ROOM_MM : 0))}
          onKey={onKey}
        />
      ))}
      {letterOn ? keys.map(({ midi }) => <KeyLetter key={midi} midi={midi} letter={letterOn(midi)} />) : null}
      {moment && reachMm && !isFront ? <Reach moment={moment} reachMm={reachMm} /> : null}
      {next && !isFront ? <NextFingers moment={next} /> : null}
      {old.map((one) => (
        <OldFingerTip key={`${one.hand}${one.midi}`} {...one} />
      ))}
      {moment ? <Fingers moment={moment} /> : null}
    </svg>
  );
}

const KeyShape = memo(function KeyShape({
  shape,
  nameAt,
  onKey,
}: {
  readonly shape: DrawnKey;
  /** The foot of the name of middle C. Unit: mm from the fallboard. */
  readonly nameAt: number;
  readonly onKey: ((midi: number) => void) | undefined;
}) {
  const w = useWords();
  const { midi, isBlack, leftMm, widthMm, lengthMm } = shape;
  const isMiddleC = midi === 60;
  return (
    <>
      <rect
        x={leftMm}
        y={0}
        width={widthMm}
        height={lengthMm}
        rx={1.5}
        fill={isBlack ? '#241f19' : '#fffef9'}
        stroke="#6b6152"
        strokeWidth={0.7}
        data-key-midi={midi}
        className={onKey ? 'cursor-pointer' : undefined}
        onPointerDown={onKey ? () => onKey(midi) : undefined}
      />
      {isMiddleC ? (
        <text x={keyCentreMm(midi)} y={nameAt} textAnchor="middle" fontSize={15} fill="#5d5243">
          {w.says.pitch(MIDDLE_C)}
        </text>
      ) : null}
    </>
  );
});

const MIDDLE_C = { step: 0, alter: 0, octave: 4 } as const;

function wordsOf(w: Words, moment: Moment): string {
  const keys = moment.keys.map(({ hand, finger, name, isBlack }) => w.shared.handKey(name, hand, finger, isBlack));
  return w.shared.keyboardAtBarBeat(moment.bar, moment.beat, keys.join('; '));
}
