import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { plainPiano } from '../../../tests/support/plain-piano';
import { createEarService } from './ear-service';

const FOLDER = join(import.meta.dirname, '../../../public/ear');
const LIVE_ONLY = {
  read: (name: string): Promise<Uint8Array> =>
    name === 'templates.bin' ? readFile(join(FOLDER, name)) : Promise.reject(new Error('no network')),
  runtime: `${FOLDER}/`,
};
const KEYS = [60, 64, 67, 65, 62];
const STROKES = KEYS.map((midi, i) => ({ midi, atMs: 500 + i * 600, lengthMs: 550 }));

/** What is heard of a sound that comes piece by piece. `spoil` is what a busy device makes of it. */
async function heardAt(rate: number, spoil = (sound: Float32Array): Float32Array => sound) {
  const ear = createEarService(LIVE_ONLY);
  await ear.begin({ rate, cents: 0, loudness: null });
  const sound = spoil(plainPiano(STROKES, rate));
  const live: { midi: number; atMs: number; odds: number }[] = [];
  for (let at = 0; at < sound.length; at += 2048) {
    const answer = await ear.hear(sound.slice(at, at + 2048));
    if (answer.ok) live.push(...answer.value.filter(({ odds }) => odds > 0));
  }
  return { live, end: await ear.end(() => undefined) };
}

describe('the ear in its worker', () => {
  it.each([44_100, 48_000])('hears keys as they come, at %i samples a second', async (rate) => {
    const { live } = await heardAt(rate);
    expect(live.map(({ midi }) => midi)).toEqual(KEYS);
    live.forEach(({ atMs }, i) => expect(Math.abs(atMs - (STROKES[i]?.atMs ?? 0))).toBeLessThan(30));
  });

  it('goes by the first ear alone where the other cannot be had', async () => {
    const { end } = await heardAt(44_100);
    expect(end.ok && end.value.ears).toBe('live');
    expect(end.ok && end.value.strokes.filter(({ live }) => live > 0).map(({ midi }) => midi)).toEqual(KEYS);
  });

  it.each([10, 60])('closes holes of %i ms, and tells of those in which sound may be lost', async (ms) => {
    const rate = 44_100;
    const hole = new Float32Array((ms * rate) / 1000);
    const at = Math.round(0.8 * rate);
    const { live, end } = await heardAt(rate, (sound) =>
      Float32Array.from([...sound.subarray(0, at), ...hole, ...sound.subarray(at)]),
    );
    expect(live.map(({ midi }) => midi)).toEqual(KEYS);
    live.forEach(({ atMs }, i) => expect(Math.abs(atMs - (STROKES[i]?.atMs ?? 0))).toBeLessThan(30));
    expect(end.ok && end.value.gaps.map(Math.round)).toEqual(ms === 60 ? [800] : []);
  });

  it('refuses what is no sound, and answers nothing where it was not asked to listen', async () => {
    const ear = createEarService(LIVE_ONLY);
    expect(await ear.hear(new Float32Array(10))).toMatchObject({ ok: true, value: [] });
    expect((await ear.hear([1, 2, 3] as never)).ok).toBe(false);
    expect((await ear.begin({ rate: 1, cents: 0, loudness: null })).ok).toBe(false);
  });
});
