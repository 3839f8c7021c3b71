import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PIANOS } from '../../../scripts/ear/listening-set.mjs';
import { onSoundFont, type RenderedKey } from '../../../scripts/ear/render.mjs';

/** A file that Chromium takes for what its microphone hears, from when it is opened on: what it plays may be changed while it is shut. */
export interface PupilsWav {
  readonly place: string;
  readonly plays: (keys: readonly RenderedKey[]) => void;
}

export function pupilsWav(): PupilsWav {
  const place = join(mkdtempSync(join(tmpdir(), 'new-thumb-pupil-')), 'pupil.wav');
  return { place, plays: (keys) => writeFileSync(place, wavOf(keys)) };
}

/** The five notes that are asked for to tune in, a second each, three times over: where one got lost, it comes again. */
const TUNED_AT_MS = 3000;
const EACH_MS = 1300;
const NAMED = [60, 64, 67, 72, 55];
export const TUNING_IN: readonly RenderedKey[] = [...NAMED, ...NAMED, ...NAMED].map((midi, i) => ({
  midi,
  downMs: TUNED_AT_MS + i * EACH_MS,
  upMs: TUNED_AT_MS + i * EACH_MS + 1000,
  velocity: 70,
}));

/** Keys one after the other, each with how many quarters it is held. */
export function inTime(
  keys: readonly (readonly [number, number])[],
  quarterMs: number,
  fromMs: number,
): readonly RenderedKey[] {
  let atMs = fromMs;
  return keys.map(([midi, quarters]) => {
    const downMs = atMs;
    atMs += quarters * quarterMs;
    return { midi, downMs, upMs: atMs - 60, velocity: 68 };
  });
}

function wavOf(keys: readonly RenderedKey[]): Buffer {
  const [piano] = PIANOS;
  if (!piano) throw new Error('no piano');
  const sound = onSoundFont(keys, piano);
  const head = Buffer.alloc(44);
  const bytes = sound.length * 2;
  head.write('RIFF');
  head.writeUInt32LE(36 + bytes, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(44_100, 24);
  head.writeUInt32LE(88_200, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(bytes, 40);
  const data = Buffer.alloc(bytes);
  sound.forEach((value, i) => data.writeInt16LE(Math.round(32_000 * Math.max(-1, Math.min(1, value))), 2 * i));
  return Buffer.concat([head, data]);
}

/** Chromium with this file for a microphone; who is asked for it says yes. */
export function heardByMicrophone({ place }: PupilsWav): readonly string[] {
  return [
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${place}%noloop`,
  ];
}
