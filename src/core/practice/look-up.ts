import { lastingMemo, memoOf } from '../base';
import type { AskedMusic, AskedNote } from '../asked';
import { ANYTHING } from './alignment-costs.table';
import { keyCost, missingCost } from './prices';

/** What an alignment looks up again and again, worked out once for a music. */
export interface Looked {
  /** What it costs to take a key for a note. */
  readonly keyCost: (note: number, midi: number) => number;
  /** Where a key is asked for, as moments. */
  readonly byMidi: ReadonlyMap<number, readonly number[]>;
  /** For each moment: all its notes as bits; what it costs when it is left out; what all those in front of it cost; how often bars were left out up to it. */
  readonly full: readonly number[];
  readonly missing: readonly number[];
  readonly leftOut: readonly number[];
  readonly cuts: readonly number[];
}

const KEYS = 128;

export const lookUp = memoOf((music: AskedMusic): Looked => {
  const { moments, notes } = music;
  const byMidi = new Map<number, number[]>();
  moments.forEach((moment, m) => {
    for (const midi of new Set(moment.notes.map((i) => (notes[i] as AskedNote).midi))) {
      const places = byMidi.get(midi);
      if (places) places.push(m);
      else byMidi.set(midi, [m]);
    }
  });
  const missing = moments.map((moment) => moment.notes.reduce((sum, i) => sum + missingCost(notes[i] as AskedNote), 0));
  return {
    keyCost: keyCosts(music),
    byMidi,
    full: moments.map((moment) => 2 ** moment.notes.length - 1),
    missing,
    leftOut: sumsBefore(missing),
    cuts: sumsBefore(moments.map((_, m) => (moments[m + 1]?.isAfterCut ? 1 : 0))),
  };
});

/** Prices of all keys for one note, worked out as they are asked for. */
type Prices = (number | undefined)[];

/** Rows of prices by what they depend on. The same few come again and again, in one music as in the next. */
const rows = lastingMemo<Prices>(2000);

const noPrices = (): Prices => Array.from({ length: KEYS });

function keyCosts(music: AskedMusic): Looked['keyCost'] {
  const rowOf = music.notes.map((note) => {
    const { step, octave, alter } = note.pitch;
    const oldKey = oldKeyOf(music, note);
    return { note, oldKey, prices: rows.get(`${note.midi}/${step}/${octave}/${alter}/${oldKey}`, noPrices) };
  });
  return (index, midi) => {
    const row = rowOf[index];
    if (!row || midi < 0 || midi >= KEYS) return ANYTHING;
    return (row.prices[midi] ??= keyCost(row.note, midi, row.oldKey));
  };
}

/** The key that a note's finger would strike if the hand were still where it was before. */
export function oldKeyOf({ frames }: AskedMusic, { hand, frame, finger }: AskedNote): number | null {
  return frame === null || finger === null ? null : (frames[hand][frame - 1]?.keys[finger - 1] ?? null);
}

function sumsBefore(numbers: readonly number[]): readonly number[] {
  let sum = 0;
  return numbers.map((one) => {
    sum += one;
    return sum - one;
  });
}
