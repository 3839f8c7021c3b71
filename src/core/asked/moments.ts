import type { AskedBar, AskedMoment, AskedNote } from './asked-music';

/** Two hands strike no more at once; what a file has beyond that is a moment of its own, at the same time. */
const MOST_AT_ONCE = 12;

/** Two times are one within this many quarter notes: thirds of a beat have no exact decimal. */
export const SAME_TIME = 1e-6;

/** Notes in order of time, grace notes before theirs, low ones first. */
export function inOrder(notes: readonly AskedNote[]): readonly AskedNote[] {
  return notes.toSorted((a, b) => a.at - b.at || Number(b.isGrace) - Number(a.isGrace) || a.midi - b.midi);
}

/** What is struck together, out of notes in order. `cuts` are the bars, by their places, in front of which bars were left out. */
export function momentsOf(
  notes: readonly AskedNote[],
  bars: readonly AskedBar[],
  cuts: ReadonlySet<number>,
): readonly AskedMoment[] {
  const moments: AskedMoment[] = [];
  let bar = 0;
  let lastBar = -1;
  for (const [i, note] of notes.entries()) {
    const last = moments.at(-1);
    if (last && Math.abs(last.at - note.at) < SAME_TIME && last.notes.length < MOST_AT_ONCE) {
      moments[moments.length - 1] = { ...last, notes: [...last.notes, i] };
      continue;
    }
    while (bars[bar + 1] && (bars[bar + 1] as AskedBar).at <= note.at + SAME_TIME) bar += 1;
    const { at, beat } = bars[bar] as AskedBar;
    const beats = (note.at - at) / beat;
    const isOnBeat = Math.abs(beats - Math.round(beats)) < SAME_TIME;
    const isFirst = bar !== lastBar;
    moments.push({
      at: note.at,
      notes: [i],
      barIndex: note.barIndex,
      place: isFirst ? 'bar' : isOnBeat ? 'beat' : 'between',
      isAfterCut: isFirst && cuts.has(bar),
    });
    lastBar = bar;
  }
  return moments;
}
