// Performances that the ear is measured with: simulated pupils play the demo's pieces on pianos that no part of the ear was fitted to, in rooms, out of tune, with
// faults or without. Made where they are needed, and kept nowhere.
import { existsSync } from 'node:fs';
import { installDebian } from '../lib/debian.mjs';
import { seeded } from '../lib/seeded.mjs';
import { loadPlaying } from './performances.mjs';
import { inRoom, onSoundFont } from './render.mjs';

const FONTS = '/usr/share/sounds/sf2';
export const PIANOS = [
  { name: 'fluid-soundfont-gm', font: `${FONTS}/FluidR3_GM.sf2`, program: 0 },
  { name: 'timgm6mb-soundfont', font: `${FONTS}/TimGM6mb.sf2`, program: 0 },
];
const PACKAGES = ['fluidsynth', 'fluid-soundfont-gm', 'timgm6mb-soundfont'];

/** Has the program and the pianos, and installs Debian's where there are none. */
export function ensurePianos() {
  if (existsSync('/usr/bin/fluidsynth') && PIANOS.every(({ font }) => existsSync(font))) return;
  installDebian(PACKAGES, 'The tests of the ear play on pianos of Debian.');
}

const FAULTS = ['forgets-signature', 'hits-next-key', 'hits-next-key', 'drops-note', 'adds-note', 'hesitates'];
const RATE = 44_100;
const LEAD_MS = 400;
const UNSURE_CENTS = 4;

/** Performance after performance: every other one without a fault. `bars` is how long each is. Times in ms of the sound; `cents` is how the piano is tuned, `toldCents`
 * what tuning in would have said. */
export async function* performances(count, bars) {
  const { createResampler, HEARD_RATE } = await import('../../src/core/hearing/index.ts');
  const playing = await loadPlaying();
  for (let seed = 1; seed <= count; seed += 1) {
    const random = seeded(seed * 104_729 + 7);
    for (let i = 0; i < 10; i += 1) random();
    const music = playing.music(random, bars);
    const fault = FAULTS[(seed >> 1) % FAULTS.length];
    const weaknesses = seed % 2 === 0 ? [] : [fault];
    const bpm = 60 + Math.floor(random() * 50);
    const pupil = { seed, bpm, jitterMs: 15, unevenMs: 0, drift: 0.03, weaknesses };
    const { keys, slips } = playing.playAs(pupil, music);
    const played = keys.map((key) => ({ ...key, downMs: key.downMs + LEAD_MS, upMs: key.upMs + LEAD_MS }));
    const piano = PIANOS[(seed >> 1) % PIANOS.length];
    const cents = [0, 0, 18, -20, 35, -35][Math.floor(random() * 6)];
    const higher = 2 ** (cents / 1200);
    const dry = createResampler(RATE * higher, HEARD_RATE)(onSoundFont(played, piano));
    const noiseDb = [28, 34, 40, 50][Math.floor(random() * 4)];
    const echo = [0, 0.2, 0.4][Math.floor(random() * 3)];
    const sound = inRoom(dry, HEARD_RATE, { random, echo, echoS: 0.3 + 0.4 * random(), noiseDb, colour: null });
    yield {
      seed,
      music,
      bpm,
      slips,
      sound,
      piano: piano.name,
      cents,
      toldCents: cents + Math.round((random() - 0.5) * 2 * UNSURE_CENTS),
      noiseDb,
      keys: played.map((key) => ({ ...key, downMs: key.downMs / higher, upMs: key.upMs / higher })),
    };
  }
}
