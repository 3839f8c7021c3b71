import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { plainPiano } from '../../../tests/support/plain-piano';
import { beginsAt } from './begins-at';
import { decide } from './decision';
import { LIVE_DECISION } from './decision.table';
import { createListener } from './listen';
import { HEARD_RATE, samplesIn } from './rate';

const TEMPLATES = new Float32Array(
  readFileSync(join(import.meta.dirname, '../../../public/ear/templates.bin')).slice().buffer,
);

/** What may have been struck, with its log odds. */
function possibleIn(sound: Float32Array, pieces: number, cents = 0) {
  const listener = createListener({ templates: TEMPLATES, cents, loudness: null });
  const all = [];
  for (let at = 0; at < sound.length; at += pieces) all.push(...listener.take(sound.subarray(at, at + pieces)));
  return [...all, ...listener.finish()].map(({ midi, atMs, evidence }) => ({
    midi,
    atMs,
    odds: decide(LIVE_DECISION, evidence),
  }));
}

describe('the first ear', () => {
  const strokes = [
    { midi: 60, atMs: 500, lengthMs: 500 },
    { midi: 64, atMs: 1000, lengthMs: 500 },
    { midi: 55, atMs: 1500, lengthMs: 900 },
    { midi: 62, atMs: 1520, lengthMs: 900 },
  ];
  /** Without the page a common ground of two keys may be taken for a key far below them: nothing is asked of it here. */
  const LOWEST_ASKED = 48;
  const heard = (sound: Float32Array, pieces: number, cents = 0) =>
    possibleIn(sound, pieces, cents).filter(({ midi, odds }) => odds > 0 && midi >= LOWEST_ASKED);

  it('hears one key again and again, long or short, alone or with another', () => {
    const again = [0, 600, 1200, 1500, 1800, 2400].map((atMs) => ({ midi: 62, atMs: 500 + atMs, lengthMs: 260 }));
    const held = [0, 600, 1200].map((atMs) => ({ midi: 67, atMs: 3600 + atMs, lengthMs: 540 }));
    const below = { midi: 48, atMs: 3600, lengthMs: 1800 };
    const sound = plainPiano([...again, ...held, below], HEARD_RATE);
    expect(heard(sound, 4096).map(({ midi }) => midi)).toEqual([62, 62, 62, 62, 62, 62, 48, 67, 67, 67]);
  });

  it('hears keys one after the other, and two that do not come quite together', () => {
    expect(heard(plainPiano(strokes, HEARD_RATE), 4096).map(({ midi }) => midi)).toEqual([60, 64, 55, 62]);
  });

  it('hears the same in whatever pieces the sound comes', () => {
    const sound = plainPiano(strokes, HEARD_RATE);
    expect(possibleIn(sound, 700)).toEqual(possibleIn(sound, 60_000));
  });

  it('hears a piano that is out of tune, where it knows by how much', () => {
    expect(heard(plainPiano(strokes, HEARD_RATE, -40), 4096, -40).map(({ midi }) => midi)).toEqual([60, 64, 55, 62]);
  });

  it('finds when a key comes again, and takes it for possible', () => {
    const again = [0, 1, 2].map((i) => ({ midi: 64, atMs: 500 + i * 600, lengthMs: 580 }));
    const all = possibleIn(plainPiano(again, HEARD_RATE), 4096).filter(({ midi }) => midi === 64);
    again.forEach(({ atMs }) => expect(all.some((one) => Math.abs(one.atMs - atMs) < 20)).toBe(true));
  });

  it('hears nothing in silence', () => {
    expect(heard(new Float32Array(3 * HEARD_RATE), 4096)).toEqual([]);
  });
});

it('the beginning of a stroke is found to some milliseconds, from a place near it', () => {
  const sound = plainPiano([{ midi: 62, atMs: 700, lengthMs: 600 }], HEARD_RATE);
  for (const offMs of [-10, 0, 25]) {
    const at = beginsAt(sound, samplesIn(700 + offMs));
    expect(Math.abs(at - samplesIn(700))).toBeLessThanOrEqual(samplesIn(5));
  }
});
