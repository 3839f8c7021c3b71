import type { Hand, NoteId } from '../score';
import type { Performance, PerformedBar, PerformedNote } from './performance';

/** How loud a hand is played back. */
export const LOUDNESSES = ['on', 'soft', 'off'] as const;
export type Loudness = (typeof LOUDNESSES)[number];

/** What is to be heard: each hand, other parts, and whether beats are clicked. */
export interface ListenOptions {
  readonly hands: Readonly<Record<Hand, Loudness>>;
  readonly clicks: 'all' | 'none';
}

/** Something to be heard, in the performance's own seconds. `loudness` is 0..1. */
export type Heard =
  | {
      readonly kind: 'note';
      readonly atS: number;
      readonly lengthS: number;
      readonly midi: number;
      readonly loudness: number;
      readonly id: NoteId;
    }
  | { readonly kind: 'click'; readonly atS: number; readonly isFirst: boolean };

/** A stretch of a performance, in seconds. */
export interface Span {
  readonly startS: number;
  readonly endS: number;
}

/** What a hand keeps of its loudness when it is played softly. Our own choice. */
const SOFT = 0.35;

const GAIN: Readonly<Record<Loudness, number>> = { on: 1, soft: SOFT, off: 0 };

/** The stretch from one bar of print to another, both included, at their first time through. */
export function spanOfBars(performance: Performance, fromIndex: number, toIndex: number): Span {
  const { bars, lengthS } = performance;
  const first = bars.findIndex(({ index }) => index === fromIndex);
  const start = Math.max(0, first);
  const last = bars.findIndex(({ index }, i) => i >= start && index === toIndex);
  return { startS: bars[start]?.startS ?? 0, endS: bars[(last < 0 ? bars.length - 1 : last) + 1]?.startS ?? lengthS };
}

/** One bar of clicks in front of a place, at the tempo that holds there; times before the place. A place inside a bar gets the clicks up to it. */
export function countIn(performance: Performance, atS: number): readonly Heard[] {
  const bar = barAt(performance, atS);
  if (!bar) return [];
  // Before a pick-up the clicks of its missing beats are counted too.
  const missing = bar.beats - Math.round((bar.beatsS.length > 0 ? lengthOf(performance, bar) : 0) / bar.beatS);
  const clicks = bar.beats + Math.max(0, missing);
  return Array.from({ length: clicks }, (_, i) => ({
    kind: 'click',
    atS: atS - (clicks - i) * bar.beatS,
    isFirst: i % bar.beats === 0,
  }));
}

function lengthOf({ bars, lengthS }: Performance, bar: PerformedBar): number {
  return (bars[bars.indexOf(bar) + 1]?.startS ?? lengthS) - bar.startS;
}

/** The bar that is played at a time. */
export function barAt({ bars }: Performance, atS: number): PerformedBar | undefined {
  return bars.findLast(({ startS }) => startS <= atS + 1e-6) ?? bars[0];
}

/** Everything that begins from one time on and before another, in order of time. */
export function heardBetween(
  performance: Performance,
  fromS: number,
  toS: number,
  options: ListenOptions,
): readonly Heard[] {
  const notes = performance.notes.flatMap((note): readonly Heard[] => {
    if (note.startS < fromS || note.startS >= toS) return [];
    const loudness = loudnessOf(note, options);
    return loudness === 0
      ? []
      : [{ kind: 'note', atS: note.startS, lengthS: note.endS - note.startS, midi: note.midi, loudness, id: note.id }];
  });
  if (options.clicks === 'none') return notes;
  const clicks = performance.bars
    .flatMap(({ beatsS }) => beatsS.map((atS, i): Heard => ({ kind: 'click', atS, isFirst: i === 0 })))
    .filter(({ atS }) => atS >= fromS && atS < toS);
  return [...notes, ...clicks].sort((a, b) => a.atS - b.atS);
}

function loudnessOf({ hand, velocity }: PerformedNote, { hands }: ListenOptions): number {
  return (velocity / 127) * (hand === null ? 1 : GAIN[hands[hand]]);
}

/** The notes that sound at a time. */
export function soundingAt({ notes }: Performance, atS: number): readonly NoteId[] {
  return notes.filter(({ startS, endS }) => startS <= atS && endS > atS).map(({ id }) => id);
}
