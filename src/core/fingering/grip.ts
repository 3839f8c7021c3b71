import type { Passage, PassageEvent } from './passage';
import { CLOSE_CHORD_LEVEL, type Demands } from './player';

/** The fingers on all keys that are down at a moment, in order from the thumb's side. A hand in rest over five letters has its
 * thumb on some letter; `low` and `high` are the lowest and the highest letter at which these fingers would put it, counted
 * from the letter of the moment's first key. */
export interface Grip {
  readonly fingers: readonly number[];
  readonly low: number;
  readonly high: number;
  /** The struck keys' fingers as bits, finger 1 the lowest. */
  readonly mask: number;
}

/** Keys that are down at a moment, as indexes into the passage's notes from the thumb's side. */
export interface KeysDown {
  readonly down: readonly number[];
  readonly isHeld: readonly boolean[];
  /** Held keys that no hand of this reach can keep down together with the struck ones. */
  readonly dropped: readonly number[];
  /** The letter from which the grips count. */
  readonly base: number;
}

const FINGERS = 5;
const CHORD_KEYS = 3;
const PAIR_KEYS = 2;

/** By how many letters a grip opens beyond what the hand may open by at its level, `widest` in a line. A chord of three keys may open it by a step sooner,
 * where the school lets it. */
export function opensBeyond(
  { player }: Demands,
  { down, isHeld }: KeysDown,
  { low, high, fingers }: Grip,
  widest: number,
): number {
  const isPair = down.length === PAIR_KEYS && high - low <= 1 && isThumbAndTwo(fingers);
  const isChord = (down.length === CHORD_KEYS || isPair) && !isHeld.includes(true);
  const mayOpen = isChord && player.level === CLOSE_CHORD_LEVEL && player.closeChords === 'level-2';
  return Math.max(0, high - low - Math.max(widest, mayOpen ? 1 : 0));
}

/** The upper two keys of such a chord, over a bass that was struck before them. */
function isThumbAndTwo([first, second]: readonly number[]): boolean {
  return first === 1 && second === 2;
}

/** Which keys are down. A held key out of reach (`reach` in hundredths of a mm) has to be let go; of more than five struck keys those in
 * the middle are left without a finger. */
export function keysDownOf(passage: Passage, event: PassageEvent, places: Int32Array, reach: number): KeysDown {
  const struck =
    event.struck.length <= FINGERS ? event.struck : [...event.struck.slice(0, 3), ...event.struck.slice(-2)];
  const dropped: number[] = [];
  const kept: number[] = [];
  for (const index of event.held) {
    const all = [...struck, ...kept, index].map((note) => places[note] as number);
    const isWithin = Math.max(...all) - Math.min(...all) <= reach && all.length <= FINGERS;
    (isWithin ? kept : dropped).push(index);
  }
  const down =
    kept.length === 0
      ? struck
      : [...struck, ...kept].sort((a, b) => (places[a] as number) - (places[b] as number) || a - b);
  return {
    down,
    isHeld: down.map((index) => kept.includes(index)),
    dropped,
    base: passage.notes[down[0] as number]?.letter ?? 0,
  };
}

/** All ways to put fingers on the keys that are down. */
export function gripsOf(passage: Passage, keys: KeysDown): readonly Grip[] {
  const grips: Grip[] = [];
  const fingers: number[] = [];
  const choose = (from: number): void => {
    const i = fingers.length;
    if (i === keys.down.length) {
      grips.push(...readings(passage, keys, fingers));
      return;
    }
    const last = FINGERS - (keys.down.length - i - 1);
    for (let finger = from; finger <= last; finger += 1) {
      fingers.push(finger);
      choose(finger + 1);
      fingers.pop();
    }
  };
  choose(1);
  return grips;
}

/** An altered note may be read as its neighbouring letter: F♯ also as G♭. Each reading puts the hand elsewhere. */
function readings(passage: Passage, { down, isHeld, base }: KeysDown, fingers: readonly number[]): readonly Grip[] {
  let ranges: readonly (readonly [number, number])[] = [[Infinity, -Infinity]];
  let mask = 0;
  down.forEach((index, i) => {
    const finger = fingers[i] as number;
    const { letter, altered } = passage.notes[index] as { letter: number; altered: number };
    const thumb = letter - base - (finger - 1);
    const thumbs = altered === 0 ? [thumb] : [thumb, thumb + Math.sign(altered)];
    ranges = ranges.flatMap(([low, high]) => thumbs.map((at) => [Math.min(low, at), Math.max(high, at)] as const));
    if (!isHeld[i]) mask |= 1 << (finger - 1);
  });
  const distinct = new Map(ranges.map((range) => [range.join(), range]));
  return [...distinct.values()].map(([low, high]) => ({ fingers: [...fingers], low, high, mask }));
}
