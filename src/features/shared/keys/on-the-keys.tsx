import { isBlackKey, keyCentreMm, WHITE_KEY_LENGTH_MM } from '@/core/keyboard';
import type { Hand } from '@/core/score';
import type { Moment } from '@/core/views';

/** A finger that the note had before it changed. */
export interface OldFinger {
  readonly hand: Hand;
  readonly midi: number;
  readonly finger: number;
}

/** How far from the fallboard a finger is drawn. Unit: mm. */
const ON_BLACK_MM = 80;
const ON_WHITE_MM = 122;

export function Fingers({ moment }: { readonly moment: Moment }) {
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
export function Reach({ moment, reachMm }: { readonly moment: Moment; readonly reachMm: number }) {
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
export function NextFingers({ moment }: { readonly moment: Moment }) {
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
export function OldFingerTip({ hand, midi, finger }: OldFinger) {
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

/** Where the letter of the computer's key stands, above the fingers. Unit: mm from the fallboard. */
const LETTER_ON_BLACK_MM = 62;
const LETTER_ON_WHITE_MM = 108;

/** Where there is no keyboard but fingers, nobody needs it. */
export function KeyLetter({ midi, letter }: { readonly midi: number; readonly letter: string | null }) {
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
