import type { Fault, Result } from '../base';
import { barTicks, type Meter, type Ticks } from '../time';
import { composeMusicXml, PLAIN_BAR, PLAIN_TICKS, type PlainBar } from '../plain-piece';
import { toGrid, type Grid } from './midi/grid';
import { voicesOf } from './midi/voices';
import { readDocument, type Reading } from './read-musicxml';

/** A key that was played, with the times at which it went down and up. Unit: ms from the first beat. */
export interface PlayedKey {
  readonly midi: number;
  readonly downMs: number;
  readonly upMs: number;
}

/** What it was played to: how long a quarter was, the finest part of it that is meant, and where in which key it belongs. */
export interface PlayedTo {
  readonly msPerQuarter: number;
  readonly grid: Grid;
  readonly meter: Meter;
  readonly fifths: number;
  readonly mode: 'major' | 'minor';
}

/** Sets what was played against a metronome to the grid, as one voice in whole bars. Keys struck just before the first beat belong to it.
 * Errors: `read.no-notes` where nothing was played. */
export function readPlayed(keys: readonly PlayedKey[], to: PlayedTo): Result<Reading, Fault> {
  const played = keys.map(({ midi, downMs, upMs }) => ({
    group: 'played',
    key: midi,
    start: Math.max(0, downMs),
    end: Math.max(downMs + 1, upMs),
  }));
  const { notes } = toGrid(played, to.msPerQuarter, to.grid);
  const [voice = []] = voicesOf(notes, [{ from: 0, fifths: to.fifths, mode: to.mode }], new Map());
  const end = Math.max(0, ...notes.map((note) => note.end));
  return readDocument(
    composeMusicXml({
      title: '',
      composer: '',
      tempos: [],
      staves: [{ clef: 'G', voices: [voice] }],
      bars: barsUntil(end, to),
    }),
  );
}

function barsUntil(end: Ticks, { meter, fifths, mode }: PlayedTo): readonly PlainBar[] {
  const length = barTicks(meter, PLAIN_TICKS);
  return Array.from({ length: Math.max(1, Math.ceil(end / length)) }, (_, i) => ({
    ...PLAIN_BAR,
    start: i * length,
    length,
    meter: i === 0 ? meter : null,
    key: i === 0 ? { fifths, mode } : null,
  }));
}
