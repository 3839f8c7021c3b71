import { describe, expect, it } from '@jest/globals';
import toneMidi from '@tonejs/midi';
import fc from 'fast-check';
import { unwrap } from '../base';
import { writePlayedFile } from '../write';
import { readPlayedFile } from './index';

const key = fc.record({
  midi: fc.integer({ min: 21, max: 108 }),
  downMs: fc.integer({ min: 0, max: 60_000 }),
  heldMs: fc.integer({ min: 1, max: 3000 }),
  velocity: fc.integer({ min: 1, max: 127 }),
});

describe('what was played, as a MIDI file', () => {
  it('is read as it was written, to the millisecond', () => {
    fc.assert(
      fc.property(fc.uniqueArray(key, { minLength: 1, maxLength: 40, selector: ({ midi }) => midi }), (drawn) => {
        const keys = drawn
          .map(({ heldMs, ...one }) => ({ ...one, upMs: one.downMs + heldMs }))
          .sort((a, b) => a.downMs - b.downMs || a.midi - b.midi);
        const read = unwrap(readPlayedFile(writePlayedFile(keys)));
        expect(
          read.map(({ midi, downMs, upMs, velocity }) => [midi, Math.round(downMs), Math.round(upMs), velocity]),
        ).toEqual(keys.map(({ midi, downMs, upMs, velocity }) => [midi, downMs, upMs, velocity]));
      }),
    );
  });

  it('goes by the tempi of the file, whatever track they stand in: as another reader has it', () => {
    const midi = new toneMidi.Midi();
    midi.header.setTempo(90);
    midi.header.tempos.push({ ticks: 480 * 4, bpm: 45 });
    midi.header.update();
    const [one, other] = [midi.addTrack(), midi.addTrack()];
    one.addNote({ midi: 60, ticks: 0, durationTicks: 480, velocity: 0.5 });
    other.channel = 9;
    other.addNote({ midi: 48, ticks: 480 * 6, durationTicks: 240, velocity: 0.9 });
    const times = unwrap(readPlayedFile(midi.toArray())).map(({ downMs, upMs }) => [downMs, upMs]);
    const theirs = midi.tracks.flatMap(({ notes }) => notes.map(({ time, duration }) => [time, time + duration]));
    times.flat().forEach((ms, i) => expect(ms / 1000).toBeCloseTo(theirs.flat()[i] ?? -1, 4));
  });

  it('is refused where it is none, or has nothing in it', () => {
    const codeOf = (bytes: Uint8Array): string => {
      const read = readPlayedFile(bytes);
      return read.ok ? 'read' : read.error.code;
    };
    expect(codeOf(new TextEncoder().encode('<score/>'))).toBe('read.unknown-format');
    expect(codeOf(writePlayedFile([]))).toBe('read.no-notes');
    const whole = writePlayedFile([{ midi: 60, downMs: 0, upMs: 10, velocity: 3 }]);
    expect(codeOf(whole.slice(0, whole.length - 4))).toBe('read.midi-damaged');
  });
});
