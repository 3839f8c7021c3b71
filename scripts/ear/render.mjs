// Lets keys be heard: on the recordings that ship, or on a sound font that no part of the ear was fitted to; then the room, the noise and the tuning.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A MIDI file of struck keys: one track, a millisecond a tick. */
function midiFile(keys, program) {
  const events = keys
    .flatMap(({ midi, downMs, upMs, velocity }) => [
      { at: Math.round(downMs), bytes: [0x90, midi, velocity] },
      { at: Math.round(upMs), bytes: [0x80, midi, 0] },
    ])
    .sort((a, b) => a.at - b.at || a.bytes[0] - b.bytes[0]);
  const track = [0, 0xff, 0x51, 3, 0x07, 0xa1, 0x20, 0, 0xc0, program];
  let before = 0;
  for (const { at, bytes } of events) {
    track.push(...varying(at - before), ...bytes);
    before = at;
  }
  track.push(...varying(1500), 0xff, 0x2f, 0);
  const head = Buffer.alloc(22);
  head.write('MThd');
  head.writeUInt32BE(6, 4);
  head.writeUInt16BE(0, 8);
  head.writeUInt16BE(1, 10);
  head.writeUInt16BE(500, 12);
  head.write('MTrk', 14);
  head.writeUInt32BE(track.length, 18);
  return Buffer.concat([head, Buffer.from(track)]);
}

function varying(value) {
  const bytes = [value & 0x7f];
  for (let rest = value >> 7; rest > 0; rest >>= 7) bytes.unshift((rest & 0x7f) | 0x80);
  return bytes;
}

/** The keys on a sound font, as one channel at 44,100 samples a second. */
export function onSoundFont(keys, { font, program }) {
  const folder = mkdtempSync(join(tmpdir(), 'new-thumb-ear-'));
  const [midi, wav] = [join(folder, 'keys.mid'), join(folder, 'keys.wav')];
  writeFileSync(midi, midiFile(keys, program));
  const asked = ['-ni', '-q', '-g', '0.6', '-R', '0', '-C', '0', '-r', '44100', '-O', 's16', '-F', wav, font, midi];
  const { status, stderr } = spawnSync('fluidsynth', asked);
  if (status !== 0) throw new Error(`fluidsynth: ${stderr}`);
  const bytes = readFileSync(wav);
  rmSync(folder, { recursive: true });
  const data = bytes.indexOf('data') + 8;
  const length = Math.floor((bytes.length - data) / 4);
  return Float32Array.from(
    { length },
    (_, i) => (bytes.readInt16LE(data + 4 * i) + bytes.readInt16LE(data + 4 * i + 2)) / 65_536,
  );
}

/** The keys on recordings of some keys at `rate`; what lies between is moved from the nearest by `createResampler`. A softer stroke is darker. */
export function onRecordings(keys, { recorded, rate, createResampler, moved }) {
  const length = Math.ceil((Math.max(...keys.map(({ upMs }) => upMs)) / 1000 + 1) * rate);
  const out = new Float32Array(length);
  for (const { midi, downMs, upMs, velocity } of keys) {
    if (!moved.has(midi)) {
      const near = recorded.reduce((best, one) =>
        Math.abs(one.midi - midi) < Math.abs(best.midi - midi) ? one : best,
      );
      moved.set(midi, createResampler(rate * 2 ** ((midi - near.midi) / 12), rate)(near.sound));
    }
    const sound = moved.get(midi);
    const at = Math.round((downMs / 1000) * rate);
    const held = Math.round(((upMs - downMs) / 1000) * rate);
    const damp = Math.exp(-1 / (0.06 * rate));
    const gain = (velocity / 80) ** 1.8;
    const dark = Math.exp((-2 * Math.PI * 1200 * (velocity / 64) ** 2) / rate);
    let [fade, low] = [1, 0];
    for (let i = 0; i < sound.length && at + i < length; i += 1) {
      if (i > held) fade *= damp;
      low = dark * low + (1 - dark) * sound[i];
      out[at + i] += gain * fade * (0.5 * low + 0.5 * sound[i] * Math.min(1, velocity / 90));
      if (fade < 1e-4) break;
    }
  }
  return out;
}

/** Puts a sound into a room, in front of a microphone: `echo` is how much comes back and over how many seconds, `noiseDb` how far noise lies below the music,
 * `colour` what the piano, the room and the microphone take away or add, in dB a band of an octave. */
export function inRoom(sound, rate, { random, echo, echoS, noiseDb, colour }) {
  const dry = colour ? coloured(sound, rate, colour) : sound;
  const wet = echo > 0 ? withEcho(dry, rate, { random, echo, echoS }) : dry;
  const power = Math.sqrt(wet.reduce((sum, value) => sum + value * value, 0) / wet.length);
  const level = power * 10 ** (-noiseDb / 20);
  let low = 0;
  return wet.map((value) => {
    const white = random() * 2 - 1;
    low = 0.97 * low + 0.03 * white * 6;
    return value + level * (white * 0.9 + low * 1.5);
  });
}

/** A few echoes from walls, and a tail that dies away: comb filters in a row, as many as a room has walls. */
function withEcho(sound, rate, { random, echo, echoS }) {
  const tail = new Float32Array(sound.length);
  for (let comb = 0; comb < 6; comb += 1) {
    const delay = Math.round((0.021 + 0.03 * random()) * rate);
    const back = 10 ** ((-3 * delay) / rate / echoS);
    const line = new Float32Array(delay);
    let low = 0;
    for (let i = 0, at = 0; i < sound.length; i += 1, at = (at + 1) % delay) {
      low = 0.6 * line[at] + 0.4 * low;
      line[at] = sound[i] + back * low;
      tail[i] += low / 6;
    }
  }
  return sound.map((value, i) => value + echo * tail[i]);
}

/** Peaks and dips, an octave apart. */
function coloured(sound, rate, colour) {
  let out = sound;
  colour.forEach((gainDb, i) => {
    out = bell(out, { hz: 110 * 2 ** i, gainDb, rate });
  });
  return out;
}

/** A peak filter. Source: the Audio EQ Cookbook, from memory. */
function bell(sound, { hz, gainDb, rate }) {
  const a = 10 ** (gainDb / 40);
  const w = (2 * Math.PI * hz) / rate;
  const alpha = Math.sin(w) / 2;
  const [b0, b1, b2, a0, a1, a2] = [
    1 + alpha * a,
    -2 * Math.cos(w),
    1 - alpha * a,
    1 + alpha / a,
    -2 * Math.cos(w),
    1 - alpha / a,
  ];
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  return sound.map((x) => {
    const y = (b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2) / a0;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    return y;
  });
}
