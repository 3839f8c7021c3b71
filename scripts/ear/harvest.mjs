// Lets both ears listen to performances on the recordings that ship, in many rooms, and gives what spoke for each possible key with whether it was struck: what
// their decisions are fitted to.
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';
import { seeded } from '../lib/seeded.mjs';
import { anyNotes, loadPlaying, sameNotes } from './performances.mjs';
import { recordedKeys } from './recordings.mjs';
import { inRoom, onRecordings } from './render.mjs';

const STRUCK_WITHIN_MS = 60;
const BARS = 8;
const WEAKNESSES = [
  'forgets-signature',
  'forgets-accidental',
  'hits-next-key',
  'hits-any-key',
  'drops-note',
  'adds-note',
  'hesitates',
];
/** The ear knows a piano's tuning but for so much. Unit: cents. */
const UNSURE_CENTS = 5;

/** The files of the ear, for Node. */
export const EAR_FILES = {
  read: (name) => readFile(join(ROOT, 'public/ear', name)),
  runtime: `${join(ROOT, 'public/ear')}/`,
};

/** Both ears, as functions from a sound at the core's rate to what may have been struck, with what speaks for it. */
export async function loadEars() {
  const hearing = await import('../../src/core/hearing/index.ts');
  const { createSecondEar } = await import('../../src/workers/ear/second-ear.ts');
  const { HEARD_RATE: rate, createListener, createResampler, onsetsIn } = hearing;
  const templates = new Float32Array((await EAR_FILES.read('templates.bin')).slice().buffer);
  let second = null;
  return {
    hearing,
    live: (sound, cents) => {
      const listener = createListener({ templates, cents, loudness: null });
      return [...listener.take(sound), ...listener.finish()];
    },
    after: async (sound, cents) => {
      second ??= await createSecondEar(EAR_FILES);
      const stretch = 2 ** (cents / 1200);
      const posteriors = await second.listen(createResampler(rate, rate * stretch)(sound), () => undefined);
      return onsetsIn(posteriors).map((one) => ({ ...one, atMs: one.atMs / stretch }));
    },
  };
}

/** What is played to each ear: a piece, or notes of none. The first is played more repeated notes: it looks at each onset alone. */
const PLAYED = {
  live: (random, seed, playing) => (seed % 5 === 0 ? sameNotes(random, 32) : PLAYED.after(random, seed, playing)),
  after: (random, seed, playing) => (random() < 0.5 ? anyNotes(random, 24) : fromPiece(random, seed, playing)),
};

/** `ear` is `live` or `after`. */
export async function harvest(ear, performances, firstSeed) {
  const ears = await loadEars();
  const { createResampler, HEARD_RATE: rate } = ears.hearing;
  const recorded = await recordedKeys(createResampler, rate, 3);
  const moved = new Map();
  const playing = await loadPlaying();
  const rows = [];
  const labels = [];
  for (let seed = firstSeed; seed < firstSeed + performances; seed += 1) {
    const random = seeded(seed * 7919 + 13);
    for (let i = 0; i < 10; i += 1) random();
    const keys = PLAYED[ear](random, seed, playing);
    const plain = onRecordings(keys, { recorded, rate, createResampler, moved });
    const cents = (random() - 0.5) * 80;
    // A piano that is tuned higher is heard as one that plays faster.
    const tuned = createResampler(rate * 2 ** (cents / 1200), rate)(plain);
    const room = {
      random,
      echo: random() < 0.3 ? 0 : 0.6 * random(),
      echoS: 0.25 + 0.6 * random(),
      noiseDb: 22 + 28 * random(),
      colour: Array.from({ length: 6 }, () => (random() - 0.5) * 14),
    };
    const gain = 10 ** (-1.5 * random());
    const sound = inRoom(tuned, rate, room).map((value) => value * gain);
    const heard = await ears[ear](sound, cents + (random() - 0.5) * 2 * UNSURE_CENTS);
    const open = keys.map(({ midi, downMs }) => ({ midi, atMs: downMs * 2 ** (-cents / 1200) }));
    for (const { midi, atMs, evidence } of heard) {
      const at = open.findIndex((key) => key.midi === midi && Math.abs(key.atMs - atMs) < STRUCK_WITHIN_MS);
      if (at >= 0) open.splice(at, 1);
      rows.push(evidence);
      labels.push(at >= 0 ? 1 : 0);
    }
  }
  return { rows, labels };
}

function fromPiece(random, seed, { music, playAs }) {
  const count = Math.floor(random() * 4);
  const weaknesses = [
    ...new Set(Array.from({ length: count }, () => WEAKNESSES[Math.floor(random() * WEAKNESSES.length)])),
  ];
  const bpm = 60 + Math.floor(random() * 60);
  const { keys } = playAs({ seed, bpm, jitterMs: 15, unevenMs: 0, drift: 0.03, weaknesses }, music(random, BARS));
  return keys.map((key) => ({ ...key, downMs: key.downMs + 300, upMs: key.upMs + 300 }));
}
