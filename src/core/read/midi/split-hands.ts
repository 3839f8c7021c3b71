import type { GridNote } from './grid';

export interface SplitHands {
  readonly right: readonly GridNote[];
  readonly left: readonly GridNote[];
  readonly by: 'tracks' | 'pitch' | 'one';
}

/** Where hands rest before anything is known, and the key between them. MIDI numbers; our own choice. */
const RIGHT_CENTRE = 67;
const LEFT_CENTRE = 50;
const MIDDLE = 60;

/** The widest stretch one hand is given. Unit: semitones. */
const WIDEST = 14;

/** Shares notes out to two hands: by the groups of the file where it has several, else note by note with a boundary that
 * follows the hands. A single line that stays in one half of the keyboard belongs to one hand. */
export function splitHands(notes: readonly GridNote[], names: ReadonlyMap<string, string>): SplitHands {
  const groups = [...new Set(notes.map(({ group }) => group))];
  if (groups.length > 1) {
    const isLeft = new Map(
      groups.map((group) => [
        group,
        isLeftGroup(
          names.get(group) ?? '',
          notes.filter((note) => note.group === group),
        ),
      ]),
    );
    if (groups.length === 2 && isLeft.get(groups[0] as string) === isLeft.get(groups[1] as string)) {
      const [a, b] = groups.map((group) =>
        mean(notes.filter((note) => note.group === group).map(({ key }) => key)),
      ) as [number, number];
      isLeft.set(groups[0] as string, a < b);
      isLeft.set(groups[1] as string, b <= a);
    }
    return {
      right: notes.filter(({ group }) => !isLeft.get(group)),
      left: notes.filter(({ group }) => isLeft.get(group)),
      by: 'tracks',
    };
  }
  if (notes.every(({ key }) => key >= MIDDLE - 5)) return { right: notes, left: [], by: 'one' };
  if (notes.every(({ key }) => key < MIDDLE)) return { right: [], left: notes, by: 'one' };
  return { ...followHands(notes), by: 'pitch' };
}

function isLeftGroup(name: string, notes: readonly GridNote[]): boolean {
  if (/left|bass|\blh\b|linke|gauche/i.test(name)) return true;
  if (/right|treble|melody|\brh\b|rechte|droite/i.test(name)) return false;
  return mean(notes.map(({ key }) => key)) < MIDDLE;
}

/** Goes through the notes in time: at each moment the lowest so many go to the left hand that both stay near where they
 * were and within a stretch. */
function followHands(notes: readonly GridNote[]): {
  readonly right: readonly GridNote[];
  readonly left: readonly GridNote[];
} {
  const right: GridNote[] = [];
  const left: GridNote[] = [];
  let centres = { right: RIGHT_CENTRE, left: LEFT_CENTRE };
  const moments = new Map<number, GridNote[]>();
  for (const note of notes.toSorted((a, b) => a.onset - b.onset || a.key - b.key))
    moments.set(note.onset, [...(moments.get(note.onset) ?? []), note]);
  for (const struck of moments.values()) {
    const costOf = (count: number): number => {
      const [low, high] = [struck.slice(0, count), struck.slice(count)].map((part) => part.map(({ key }) => key)) as [
        number[],
        number[],
      ];
      return (
        handCost(low, centres.left) +
        handCost(high, centres.right) +
        low.filter((key) => key > MIDDLE + 7).length * 6 +
        high.filter((key) => key < MIDDLE - 7).length * 6
      );
    };
    const count = struck
      .map((_, i) => i)
      .concat(struck.length)
      .reduce((best, candidate) => (costOf(candidate) < costOf(best) ? candidate : best), 0);
    const [low, high] = [struck.slice(0, count), struck.slice(count)];
    left.push(...low);
    right.push(...high);
    centres = { left: follow(centres.left, low), right: follow(centres.right, high) };
  }
  return { right, left };
}

function handCost(keys: readonly number[], centre: number): number {
  if (keys.length === 0) return 0;
  const stretch = Math.max(...keys) - Math.min(...keys);
  return Math.abs(mean(keys) - centre) + Math.max(0, stretch - WIDEST) * 10 + Math.max(0, keys.length - 5) * 10;
}

function follow(centre: number, struck: readonly GridNote[]): number {
  return struck.length === 0 ? centre : (2 * centre + mean(struck.map(({ key }) => key))) / 3;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}
