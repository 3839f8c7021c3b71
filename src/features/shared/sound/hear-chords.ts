'use client';

import { pianoSounder } from './sounder';

/** A breath before the first, how much of its time each sounds, and how loud. Units: s, share, share. */
const LEAD_S = 0.05;
const HELD = 0.95;
const LOUDNESS = 0.6;

/** Plays chords one after the other, in place of whatever sounds. Keys are MIDI numbers; each chord takes `stepS` seconds. */
export async function hearChords(chords: readonly (readonly number[])[], stepS: number): Promise<void> {
  const sounder = await pianoSounder();
  await sounder.ready();
  sounder.quiet();
  const from = sounder.now() + LEAD_S;
  chords.forEach((chord, i) => chord.forEach((midi) => sounder.strike(midi, from + i * stepS, stepS * HELD, LOUDNESS)));
}
