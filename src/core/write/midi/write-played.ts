import { writeMidi, type MidiEvent } from 'midi-file';
import type { StruckKey } from '../../read';

/** One tick is one millisecond: a thousand to a quarter, a quarter to a second. */
const TICKS = 1000;
const MICROSECONDS = 1_000_000;

/** Writes what was played as Standard MIDI File, format 0, on a clock of milliseconds. What it says of each key is what `readPlayedFile` reads, to the millisecond. */
export function writePlayedFile(keys: readonly StruckKey[]): Uint8Array {
  const moves = keys
    .flatMap(({ midi, downMs, upMs, velocity }) => {
      const down = Math.round(downMs);
      return [
        { at: down, isDown: true, midi, velocity },
        { at: Math.max(down + 1, Math.round(upMs)), isDown: false, midi, velocity: 0 },
      ];
    })
    // A key that is struck again at once is let go first.
    .sort((a, b) => a.at - b.at || Number(a.isDown) - Number(b.isDown) || a.midi - b.midi);
  let at = 0;
  const events = moves.map((move): MidiEvent => {
    const deltaTime = move.at - at;
    at = move.at;
    const { midi: noteNumber, velocity } = move;
    return { deltaTime, channel: 0, type: move.isDown ? 'noteOn' : 'noteOff', noteNumber, velocity };
  });
  const track: MidiEvent[] = [
    { deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: MICROSECONDS },
    ...events,
    { deltaTime: 0, meta: true, type: 'endOfTrack' },
  ];
  return Uint8Array.from(writeMidi({ header: { format: 0, numTracks: 1, ticksPerBeat: TICKS }, tracks: [track] }));
}
