import type { Ticks } from '../../time';
import { PLAIN_TICKS } from '../../plain-piece';
import type { MidiNote } from './midi-events';

/** A note on the grid. */
export interface GridNote {
  readonly group: string;
  readonly key: number;
  readonly onset: Ticks;
  readonly end: Ticks;
}

export interface Gridded {
  readonly notes: readonly GridNote[];
  /** The finest grid that is needed. */
  readonly grid: Grid;
  readonly moved: number;
}

/** Parts of a quarter that a beat may be divided into, simplest first: a finer one must be clearly better. */
const DIVISIONS = [1, 2, 4, 3, 6, 8] as const;

/** The grids that a teacher can choose: parts of a quarter. */
export const GRIDS = [1, 2, 3, 4, 6, 8] as const;
export type Grid = (typeof GRIDS)[number];

/** How far from the grid a note may stand without being called moved. Unit: quarters. */
const STILL = 0.02;

/** What a finer division must gain over a simpler one: mean distance, in quarters. Our own choice. */
const WORTH = 0.03;

/** Sets notes to a grid that is found beat by beat: each quarter is divided by the simplest number that fits the notes
 * beginning in it, or all by the one that is given. Ends go to the grid too; a gap shorter than a quarter of the note is
 * closed. */
export function toGrid(notes: readonly MidiNote[], ticksPerQuarter: number, given: Grid | null): Gridded {
  const divisionOf = new Map<number, Grid>();
  const beats = new Map<number, number[]>();
  for (const { start } of notes) {
    const at = start / ticksPerQuarter;
    // A note just before a beat belongs to it.
    const beat = Math.floor(at + 1 / 16);
    beats.set(beat, [...(beats.get(beat) ?? []), at - beat]);
  }
  for (const [beat, places] of beats) divisionOf.set(beat, given ?? bestDivision(places));
  const onGrid = (at: number): number => {
    const beat = Math.floor(at + 1 / 16);
    const division = divisionOf.get(beat) ?? 4;
    return beat + Math.round((at - beat) * division) / division;
  };
  const onsets = [...new Set(notes.map(({ start }) => onGrid(start / ticksPerQuarter)))].sort((a, b) => a - b);
  const placed = notes.map((note) => {
    const onset = onGrid(note.start / ticksPerQuarter);
    const end = endOnGrid(onset, note.end / ticksPerQuarter, onsets, divisionOf);
    return {
      group: note.group,
      key: note.key,
      onset: Math.round(onset * PLAIN_TICKS),
      end: Math.round(end * PLAIN_TICKS),
    };
  });
  const moved = notes.filter(
    ({ start }) => Math.abs(onGrid(start / ticksPerQuarter) - start / ticksPerQuarter) > STILL,
  ).length;
  const finest = Math.max(1, ...divisionOf.values()) as Grid;
  return { notes: placed, grid: finest, moved };
}

function bestDivision(places: readonly number[]): Grid {
  const errorOf = (division: number): number =>
    places.reduce((sum, place) => sum + Math.abs(Math.round(place * division) / division - place), 0) / places.length;
  return DIVISIONS.reduce<Grid>((best, division) => (errorOf(division) < errorOf(best) - WORTH ? division : best), 1);
}

/** The end of a note: on its beat's grid, at least one step long; where the next onset is near, there. */
function endOnGrid(
  onset: number,
  end: number,
  onsets: readonly number[],
  divisionOf: ReadonlyMap<number, number>,
): number {
  const beat = Math.floor(end + STILL);
  const division = divisionOf.get(beat) ?? 4;
  const rounded = beat + Math.round((end - beat) * division) / division;
  if (Math.abs(rounded - end) <= STILL && rounded > onset) return rounded;
  const closeBy = Math.max(0.06, (end - onset) / 4);
  const near = onsets.filter((other) => other > onset && Math.abs(other - end) <= closeBy);
  if (near.length > 0)
    return near.reduce((best, other) => (Math.abs(other - end) < Math.abs(best - end) ? other : best));
  const step = 1 / (divisionOf.get(Math.floor(onset)) ?? 4);
  return rounded > onset ? rounded : onset + step;
}
