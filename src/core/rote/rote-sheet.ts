import type { Key, Mode, Pitch } from '../pitch';
import type { Finger, Hand } from '../score';
import type { Meter, Ticks } from '../time';

/** A piece as it is told to a pupil who does not read: where the hands sit, and one after the other what each strikes, how long, and how it gets from one key to the
 * next. It holds every note, finger, length and beat. All times are in the ticks of a plain piece (`PLAIN_TICKS` to a quarter note). */
export interface RoteSheet {
  readonly title: string;
  readonly key: Key;
  readonly meter: Meter;
  readonly quartersPerMinute: number | null;
  /** Where each hand sits first; none for a hand that is silent, or whose fingers are not known. */
  readonly begins: Readonly<Partial<Record<Hand, RoteSeat>>>;
  readonly lines: readonly RoteLine[];
  /** In which order the bars are played, as stretches from one bar to another by index; null where they are played as they stand. */
  readonly order: readonly RoteStretch[] | null;
}

export interface RoteStretch {
  readonly from: number;
  readonly to: number;
}

/** The keys under the five fingers of a hand, finger 1 first; null where a finger has no key of its own. */
export type RoteSeat = readonly (Pitch | null)[];

/** A line of bars; `like` is the number of the line that it is again. */
export interface RoteLine {
  readonly number: number;
  readonly like: number | null;
  readonly bars: readonly RoteBar[];
}

/** A bar. `short` is its length where that is not the meter's; meter and key where they change. */
export interface RoteBar {
  readonly number: string;
  readonly length: Ticks;
  readonly isShort: boolean;
  readonly meter: Meter | null;
  readonly key: { readonly fifths: number; readonly mode: Mode | null } | null;
  readonly hands: Readonly<Partial<Record<Hand, RoteRow>>>;
}

/** What one hand does in a bar; `like` is the number of the bar in which it did the same. */
export interface RoteRow {
  readonly like: string | null;
  readonly sayings: readonly Saying[];
}

/** One thing that is said of a hand. */
export type Saying =
  | { readonly kind: 'strike'; readonly strike: Strike }
  | { readonly kind: 'grace'; readonly note: RoteNote }
  | { readonly kind: 'rest'; readonly ticks: Ticks }
  /** What was struck earlier sounds on. */
  | { readonly kind: 'hold'; readonly ticks: Ticks }
  /** The hand goes elsewhere, or opens and closes around a finger that stays on its key. */
  | {
      readonly kind: 'move';
      readonly seat: RoteSeat;
      readonly direction: 'up' | 'down' | 'same';
      readonly keeps: Finger | null;
    };

/** What a hand strikes at once. `next` is when something else begins in this hand, where that is not when the shortest of its notes ends. */
export interface Strike {
  readonly notes: readonly RoteNote[];
  readonly way: RoteWay | null;
  readonly next: Ticks | null;
}

/** A key that is struck: with which finger, how long, and whether it is the key on which that finger sits. */
export interface RoteNote {
  readonly pitch: Pitch;
  readonly finger: Finger | null;
  readonly ticks: Ticks;
  readonly isSeated: boolean;
}

/** How a single note comes from the single note before it: in letters and in half steps, both signed. */
export interface RoteWay {
  readonly letters: number;
  readonly semitones: number;
}
