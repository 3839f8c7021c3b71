import { EAR_FILES } from '../ear/harvest.mjs';
import { ensurePianos, performances } from '../ear/listening-set.mjs';
import { measureEars } from '../ear/measure.mjs';

const PERFORMANCES = 60;
const BARS = 4;

const one = (value) => value.toFixed(1);
const share = (part, of) => `${part} of ${of} (${((100 * part) / Math.max(1, of)).toFixed(0)} %)`;

/** Sixty performances, every other one without a fault, on two pianos that no part of the ear was fitted to. */
export async function measureEar() {
  ensurePianos();
  const { live, both, groups, realTime } = await measureEars(PERFORMANCES, BARS);
  return [
    ['notes played', String(both.played)],
    ['first ear, with the page: F1 (held to 95)', one(live.f1)],
    ['first ear: false notes a hundred (held to 6)', one(live.falsePer100)],
    ['first ear: half steps named (held to 90 %)', share(live.named, live.semitones)],
    ['first ear: share of real time in Node (held to 0.2 in Chromium)', realTime.live.toFixed(3)],
    ['both ears: F1 (held to 97.5)', one(both.f1)],
    ['both ears: false notes a hundred (held to 1.2)', one(both.falsePer100)],
    ['both ears: plain notes missed (held to 0.3 %)', `${both.plainMissedPerCent.toFixed(2)} %`],
    ['both ears: half steps named (held to 93 %)', share(both.named, both.semitones)],
    ['both ears: clean ones without an accusation (held to 27 of 30)', share(both.unaccused, both.clean)],
    ['both ears: notes that were not heard clearly', String(both.unclear)],
    ['planted faults found and named, of all', share(both.found, both.planted)],
    ['those that this ear judges (held to 92 %)', share(both.heardFound, both.heardPlanted)],
    ['false faults in clean performances (held to 1 in 10)', `${both.falseFaults} in ${both.clean}`],
    ['onsets, 95th percentile (held to 30 ms)', `${one(both.onset95Ms)} ms`],
    ['second ear: share of real time in Node', realTime.after.toFixed(2)],
    ...(await anHour()),
    ...groups
      .toSorted((a, b) => a.name.localeCompare(b.name))
      .map(({ name, f1, falsePer100, found, planted }) => [
        `  ${name}: F1, false a hundred, faults found`,
        `${one(f1)}, ${one(falsePer100)}, ${found} of ${planted}`,
      ]),
  ];
}

const PIECE = 2048;

/** An hour of listening without an end: what the ear holds after a quarter of it, and at the end. */
async function anHour() {
  const { createEarService } = await import('../../src/workers/ear/ear-service.ts');
  const { HEARD_RATE } = await import('../../src/core/hearing/index.ts');
  const ear = createEarService(EAR_FILES);
  await ear.begin({ rate: HEARD_RATE, cents: 0, loudness: null });
  const { value } = await performances(1, BARS).next();
  const { sound } = value;
  const heldMb = () => {
    globalThis.gc?.();
    const { heapUsed, arrayBuffers } = process.memoryUsage();
    return Math.round((heapUsed + arrayBuffers) / 1e6);
  };
  const quarter = (15 * 60 * HEARD_RATE) / sound.length;
  const held = [];
  for (let turn = 1; turn <= Math.ceil(4 * quarter); turn += 1) {
    for (let at = 0; at < sound.length; at += PIECE) await ear.hear(sound.slice(at, at + PIECE));
    if (turn === Math.ceil(quarter)) held.push(heldMb());
  }
  held.push(heldMb());
  return [
    ['an hour of listening: held after a quarter of it', `${held[0]} MB`],
    ['an hour of listening: held at its end (level)', `${held[1]} MB`],
  ];
}
