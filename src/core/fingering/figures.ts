import { memoOf } from '../base';
import { BROKEN_ORDERS, CHORD_SHAPES, FIFTH_THEN_SIXTH, OVER_BASS, ROCKING } from './figure.table';
import type { Passage, PassageEvent, PassageNote } from './passage';

/** What a hand plays over and over in accompaniments, and how it is fingered in every key. */
export type FigureKind = 'chord' | 'broken-chord' | 'over-bass' | 'rocking' | 'fifth-and-sixth';

/** A figure with its fingers: one entry a note, each with the fingers that are written for it, as bits, finger 1 the lowest. */
export interface Figure {
  readonly kind: FigureKind;
  readonly fingers: ReadonlyMap<number, number>;
}

/** The figures of a passage: chords of both hands, and what the left hand accompanies with. They rest on letters alone, so that they are the same in every
 * key. O(events) time. */
export const figuresOf = memoOf((passage: Passage): readonly Figure[] => {
  const figures: Figure[] = [];
  for (let t = 0; t < passage.events.length;) {
    const found = figureAt(passage, t);
    if (found) figures.push(found.figure);
    t += found?.events ?? 1;
  }
  return figures;
});

interface FoundFigure {
  readonly figure: Figure;
  readonly events: number;
}

function figureAt(passage: Passage, t: number): FoundFigure | null {
  const chord = chordAt(passage, t);
  if (chord || passage.hand === 'right') return chord;
  return overBassAt(passage, t) ?? fifthAndSixthAt(passage, t) ?? brokenChordAt(passage, t) ?? rockingAt(passage, t);
}

/** Notes of an event, low note first. */
function lowFirst({ hand }: Passage, event: PassageEvent | undefined): readonly number[] {
  const struck = event?.struck ?? [];
  return hand === 'left' ? struck.toReversed() : struck;
}

/** By how many letters notes lie above the first of them, as sounding: mirrored letters turned back. */
function above({ hand, notes }: Passage, indexes: readonly number[]): readonly number[] {
  const letter = (index: number): number => (hand === 'left' ? -1 : 1) * (notes[index] as PassageNote).letter;
  return indexes.slice(1).map((index) => letter(index) - letter(indexes[0] as number));
}

function figure(kind: FigureKind, indexes: readonly number[], written: string): Figure {
  const fingers = written
    .split(' ')
    .map((word) => word.split('/').reduce((mask, digit) => mask | (1 << (Number(digit) - 1)), 0));
  return { kind, fingers: new Map(indexes.map((index, i) => [index, fingers[i] as number])) };
}

function isAlone(event: PassageEvent | undefined, keys: number): event is PassageEvent {
  return event !== undefined && event.held.length === 0 && event.struck.length === keys;
}

function chordAt(passage: Passage, t: number): FoundFigure | null {
  const event = passage.events[t];
  if (!isAlone(event, 3)) return null;
  const notes = lowFirst(passage, event);
  const written = CHORD_SHAPES[above(passage, notes).join()]?.[passage.hand];
  return written ? { figure: figure('chord', notes, written), events: 1 } : null;
}

/** A bass key and chords of two keys over it, as in a waltz. */
function overBassAt(passage: Passage, t: number): FoundFigure | null {
  const [bass] = lowFirst(passage, passage.events[t]);
  if (bass === undefined || !isAlone(passage.events[t], 1)) return null;
  const fingers = new Map([[bass, 1 << 4]]);
  let after = t + 1;
  for (; isAlone(passage.events[after], 2); after += 1) {
    const notes = lowFirst(passage, passage.events[after]);
    const written = OVER_BASS[above(passage, notes)[0] ?? 0];
    if (!written || (above(passage, [bass, notes[0] as number])[0] ?? 0) <= 0) break;
    for (const [note, mask] of figure('over-bass', notes, written).fingers) fingers.set(note, mask);
  }
  return after > t + 1 ? { figure: { kind: 'over-bass', fingers }, events: after - t } : null;
}

function fifthAndSixthAt(passage: Passage, t: number): FoundFigure | null {
  const [now, next] = [passage.events[t], passage.events[t + 1]];
  if (!isAlone(now, 2)) return null;
  const notes = lowFirst(passage, now);
  const widthOf = (event: PassageEvent | undefined): number | undefined =>
    isAlone(event, 2) && samePlace(passage, lowFirst(passage, event)[0], notes[0])
      ? above(passage, lowFirst(passage, event))[0]
      : undefined;
  const [width, after, before] = [above(passage, notes)[0], widthOf(next), widthOf(passage.events[t - 1])];
  const isInLine = [now, next].some((event) => event?.bond === 1) || (before !== undefined && now.bond === 1);
  if (width === 5 && (after === 4 || before === 4))
    return { figure: figure('fifth-and-sixth', notes, FIFTH_THEN_SIXTH.sixth), events: 1 };
  if (width === 4 && (after === 5 || before === 5))
    return {
      figure: figure('fifth-and-sixth', notes, isInLine ? FIFTH_THEN_SIXTH.fifth : FIFTH_THEN_SIXTH.detached),
      events: 1,
    };
  return null;
}

function samePlace({ notes }: Passage, one: number | undefined, other: number | undefined): boolean {
  return one !== undefined && other !== undefined && notes[one]?.letter === notes[other]?.letter;
}

function brokenChordAt(passage: Passage, t: number): FoundFigure | null {
  for (const order of BROKEN_ORDERS) {
    const found = brokenChordIn(passage, t, order);
    if (found) return found;
  }
  return null;
}

function brokenChordIn(passage: Passage, t: number, order: string): FoundFigure | null {
  const singles = passage.events.slice(t, t + order.length);
  if (singles.length < order.length || !singles.every((event) => isAlone(event, 1))) return null;
  const notes = singles.map((event) => event.struck[0] as number);
  const heights = [0, ...above(passage, notes)];
  const ranks = [...new Set(heights)].toSorted((a, b) => a - b);
  const written = CHORD_SHAPES[ranks.slice(1).join()]?.left.split(' ');
  // What comes from below is the middle of an arpeggio, not the bass of a figure.
  const [before] = passage.events[t - 1]?.struck ?? [];
  const comesFromBelow = before !== undefined && (above(passage, [before, notes[0] as number])[0] as number) > 0;
  if (!written || comesFromBelow || heights.map((height) => ranks.indexOf(height)).join('') !== order) return null;
  const fingers = heights.map((height) => written[ranks.indexOf(height)]).join(' ');
  return { figure: figure('broken-chord', notes, fingers), events: order.length };
}

/** Two keys in turn, at least the first of them twice. */
function rockingAt(passage: Passage, t: number): FoundFigure | null {
  const noteAt = (at: number): number | undefined =>
    isAlone(passage.events[at], 1) ? passage.events[at]?.struck[0] : undefined;
  const [low, high] = [noteAt(t), noteAt(t + 1)];
  if (low === undefined || high === undefined) return null;
  const written = ROCKING[above(passage, [low, high])[0] ?? 0];
  if (!written) return null;
  let end = t + 2;
  while (samePlace(passage, noteAt(end), noteAt(end - 2))) end += 1;
  if (end < t + 3) return null;
  const notes = Array.from({ length: end - t }, (_, i) => noteAt(t + i) as number);
  const [first, second] = written.split(' ');
  return {
    figure: figure('rocking', notes, notes.map((_, i) => (i % 2 === 0 ? first : second)).join(' ')),
    events: end - t,
  };
}
