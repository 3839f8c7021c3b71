import { err, ok, type Fault, type Result } from '../base';
import { readMidiStrokes, type MidiStrokes } from './midi/midi-events';
import type { PlayedKey } from './played';

/** A key that was struck on an instrument. Times in ms from the beginning of what was taken down; `velocity` is MIDI's, 1..127. */
export interface StruckKey extends PlayedKey {
  readonly velocity: number;
}

/** The tempo of a file that names none. Source: Standard MIDI Files 1.0. Unit: quarters a minute. */
const USUAL_TEMPO = 120;

/** Reads what was played, from a Standard MIDI File: the keys in order of time, all tracks and channels together, by the file's own clock. Pedals are passed over.
 * Errors: `read.unknown-format` where it is no such file, `read.midi-damaged`, `read.no-notes`. */
export function readPlayedFile(bytes: Uint8Array): Result<readonly StruckKey[], Fault> {
  if (!isMidi(bytes)) return err({ code: 'read.unknown-format' });
  const read = readMidiStrokes(bytes);
  if (!read.ok) return read;
  const ms = clockOf(read.value);
  const keys = read.value.strokes.map(({ key, start, end, velocity }) => ({
    midi: key,
    downMs: ms(start),
    upMs: ms(end),
    velocity,
  }));
  if (keys.length === 0) return err({ code: 'read.no-notes' });
  return ok(keys.sort((a, b) => a.downMs - b.downMs || a.midi - b.midi));
}

function isMidi(bytes: Uint8Array): boolean {
  return String.fromCharCode(...bytes.slice(0, 4)) === 'MThd';
}

function clockOf({ ticksPerQuarter, tempos }: MidiStrokes): (at: number) => number {
  const marks = [{ at: 0, quartersPerMinute: USUAL_TEMPO }, ...tempos];
  let passed = 0;
  const timed = marks.map((mark, i) => {
    const before = marks[i - 1];
    if (before) passed += ((mark.at - before.at) / ticksPerQuarter) * (60_000 / before.quartersPerMinute);
    return { ...mark, ms: passed };
  });
  return (at) => {
    const mark = timed.findLast((one) => one.at <= at) ?? timed[0];
    return mark ? mark.ms + ((at - mark.at) / ticksPerQuarter) * (60_000 / mark.quartersPerMinute) : 0;
  };
}
