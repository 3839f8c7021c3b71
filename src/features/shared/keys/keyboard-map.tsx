'use client';

import { memo, useMemo } from 'react';
import {
  drawnKeys,
  HIGHEST_KEY,
  isBlackKey,
  keyCentreMm,
  LOWEST_KEY,
  WHITE_KEY_LENGTH_MM,
  type DrawnKey,
} from '@/core/keyboard';
import type { Moment } from '@/core/views';
import type { Hand } from '@/core/score';
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

/** A finger that the note had before it changed. */
export interface OldFinger {
  readonly hand: Hand;
  readonly midi: number;
  readonly finger: number;
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

/** Where the letter of the computer's key stands, above the fingers. Unit: mm from the fallboard. */
const LETTER_ON_BLACK_MM = 62;
const LETTER_ON_WHITE_MM = 108;

/** Where there is no keyboard but fingers, nobody needs it. */
function KeyLetter({ midi, letter }: { readonly midi: number; readonly letter: string | null }) {
  if (letter === null) return null;
  return (
    <text
      x={keyCentreMm(midi)}
      y={isBlackKey(midi) ? LETTER_ON_BLACK_MM : LETTER_ON_WHITE_MM}
      textAnchor="middle"
      fontSize={11}
      fill={isBlackKey(midi) ? '#fffef9' : '#5d5243'}
      className="pointer-events-none pointer-coarse:hidden"
      data-letter={letter}
      aria-hidden
    >
      {letter}
    </text>
  );
}

const MIDDLE_C = { step: 0, alter: 0, octave: 4 } as const;

/** How far from the fallboard a finger is drawn. Unit: mm. */
const ON_BLACK_MM = 80;
const ON_WHITE_MM = 122;

function Fingers({ moment }: { readonly moment: Moment }) {
  const hands: readonly Hand[] = ['left', 'right'];
  const down = new Set(moment.keys.map(({ hand, midi }) => `${hand}/${midi}`));
  const resting = hands.flatMap((hand) =>
    (moment.keysUnderFingers[hand] ?? []).flatMap((midi, i) =>
      midi === null || down.has(`${hand}/${midi}`) ? [] : [{ hand, midi, finger: i + 1 }],
    ),
  );
  return (
    <>
      {resting.map(({ hand, midi, finger }) => (
        <FingerTip key={`${hand}${midi}`} hand={hand} midi={midi} text={String(finger)} isDown={false} />
      ))}
      {moment.keys.map(({ hand, midi, finger, noteId }) => (
        <FingerTip key={noteId} hand={hand} midi={midi} text={finger === null ? '' : String(finger)} isDown />
      ))}
    </>
  );
}

interface FingerTipProps {
  readonly hand: Hand;
  readonly midi: number;
  readonly text: string;
  readonly isDown: boolean;
}

function FingerTip({ hand, midi, text, isDown }: FingerTipProps) {
  const x = keyCentreMm(midi);
  const y = isBlackKey(midi) ? ON_BLACK_MM : ON_WHITE_MM;
  const paint = isDown ? 'fill-[#d9a441] stroke-[#241f19]' : 'fill-[#fffef9] stroke-[#7a5c1e]';
  return (
    <g data-finger={text} data-hand={hand} data-midi={midi} data-down={isDown}>
      {hand === 'right' ? (
        <circle cx={x} cy={y} r={10.5} className={paint} strokeWidth={1.4} />
      ) : (
        <rect x={x - 10} y={y - 10} width={20} height={20} rx={3} className={paint} strokeWidth={1.4} />
      )}
      <text x={x} y={y + 5.3} textAnchor="middle" fontSize={15} fontWeight={isDown ? 700 : 400} fill="#241f19">
        {text}
      </text>
    </g>
  );
}

/** From the thumb as far as the hand reaches: what lies over the band can be taken without moving. */
function Reach({ moment, reachMm }: { readonly moment: Moment; readonly reachMm: number }) {
  const hands: readonly Hand[] = ['left', 'right'];
  return hands.map((hand) => {
    const thumb = thumbOf(moment, hand);
    if (thumb === null) return null;
    const from = hand === 'right' ? keyCentreMm(thumb) : keyCentreMm(thumb) - reachMm;
    return (
      <rect
        key={hand}
        x={from}
        y={WHITE_KEY_LENGTH_MM + (hand === 'right' ? 3 : 10)}
        width={reachMm}
        height={5}
        rx={2.5}
        fill="#d9a441"
        stroke="#7a5c1e"
        strokeWidth={0.5}
        data-reach={hand}
      />
    );
  });
}

/** Where the thumb is: on its key, or where the closed hand has it; else as far from the lowest finger as fingers are apart. */
function thumbOf({ keysUnderFingers: frames, keys }: Moment, hand: Hand): number | null {
  const frame = frames[hand];
  const struck = keys.find((key) => key.hand === hand && key.finger === 1);
  return struck?.midi ?? frame?.[0] ?? null;
}

/** Where fingers will be next: small and dashed, so that they are not taken for now. */
function NextFingers({ moment }: { readonly moment: Moment }) {
  return moment.keys
    .filter(({ isStruck }) => isStruck)
    .map(({ hand, midi, finger, noteId }) => {
      const [x, y] = [keyCentreMm(midi), isBlackKey(midi) ? NEXT_ON_BLACK_MM : NEXT_ON_WHITE_MM];
      return (
        <g key={noteId} data-next={finger ?? ''} data-hand={hand}>
          {hand === 'right' ? (
            <circle
              cx={x}
              cy={y}
              r={8}
              className="fill-[#fffef9] stroke-[#17616a]"
              strokeWidth={1.2}
              strokeDasharray="3 2"
            />
          ) : (
            <rect
              x={x - 7.5}
              y={y - 7.5}
              width={15}
              height={15}
              rx={2}
              className="fill-[#fffef9] stroke-[#17616a]"
              strokeWidth={1.2}
              strokeDasharray="3 2"
            />
          )}
          <text x={x} y={y + 4.3} textAnchor="middle" fontSize={12} fill="#17616a">
            {finger ?? ''}
          </text>
        </g>
      );
    });
}

const NEXT_ON_BLACK_MM = 58;
const NEXT_ON_WHITE_MM = 103;

/** The finger of before, struck through. */
function OldFingerTip({ hand, midi, finger }: OldFinger) {
  const [x, y] = [keyCentreMm(midi), isBlackKey(midi) ? 32 : 140];
  return (
    <g data-old-finger={finger} data-hand={hand}>
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fontSize={15}
        fill={isBlackKey(midi) ? '#f0e7d8' : '#a3281c'}
        textDecoration="line-through"
      >
        {finger}
      </text>
    </g>
  );
}

function wordsOf(w: Words, moment: Moment): string {
  const keys = moment.keys.map(({ hand, finger, name, isBlack }) => w.shared.handKey(name, hand, finger, isBlack));
  return w.shared.keyboardAtBarBeat(moment.bar, moment.beat, keys.join('; '));
}
