// What simulated pupils play: the demo's pieces in keys drawn by seed, or notes drawn by seed without any piece.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';
import { usualMove } from '../bench/usual-move.mjs';

/** Everything that performances are made with. */
export async function loadPlaying() {
  const core = {
    ...(await import('../../src/core/piece/index.ts')),
    ...(await import('../../src/core/simulation/index.ts')),
    ...(await import('../../src/core/survey/index.ts')),
  };
  const { USUAL_PLAYER } = await import('../../src/core/fingering/index.ts');
  const pieces = readdirSync(join(ROOT, 'public/demo'))
    .filter((name) => name.endsWith('.musicxml'))
    .map(
      (name) =>
        core.openPiece(readFileSync(join(ROOT, 'public/demo', name)), { format: null, key: null, part: null }).value,
    );
  const kept = new Map();
  /** A piece in a key, as a pupil is asked to play it: so many bars of it, or all (null). */
  const musicIn = (piece, key, bars = null) => {
    const name = `${pieces.indexOf(piece)}/${key.tonic.step}/${key.tonic.alter}/${bars}`;
    if (!kept.has(name)) {
      const options = { ...usualMove(USUAL_PLAYER), fingering: 'plan', to: key };
      const version = core.moveTo(piece, core.asWritten(piece), options).value;
      kept.set(name, core.askedIn(piece, version, { hand: 'both', bars: bars && { from: 0, to: bars - 1 } }));
    }
    return kept.get(name);
  };
  /** A demo piece in a key, both drawn by `random`. */
  const music = (random, bars = null) => {
    const piece = pieces[Math.floor(random() * pieces.length)];
    const keys = core.ladderKeys(piece, piece.key.key.mode);
    return musicIn(piece, keys[Math.floor(random() * keys.length)], bars);
  };
  return { pieces, music, musicIn, playAs: core.playAs };
}

/** The same keys again and again, and now and then others: what beginners' pieces are made of. */
export function sameNotes(random, count) {
  const keys = [];
  let at = 300;
  let notes = [60];
  for (let i = 0; i < count; i += 1) {
    if (i % 8 === 0 || random() < 0.3) {
      const low = 36 + Math.floor(random() * 48);
      notes = random() < 0.7 ? [low] : [low, low + [3, 4, 5, 7][Math.floor(random() * 4)]];
    }
    const lengthMs = 250 + random() * 900;
    const upMs = at + lengthMs - 20 - random() * Math.min(200, lengthMs / 2);
    const velocity = 45 + Math.floor(random() * 45);
    for (const midi of notes) keys.push({ midi, downMs: at + random() * 20, upMs, velocity });
    at += lengthMs;
  }
  return keys.sort((a, b) => a.downMs - b.downMs || a.midi - b.midi);
}

/** Notes of no piece: single ones, chords and octaves anywhere on the keyboard, at any distance of time. */
export function anyNotes(random, count) {
  const keys = [];
  let at = 300;
  for (let i = 0; i < count; i += 1) {
    const low = 33 + Math.floor(random() * 55);
    const size = 1 + Math.floor(random() ** 2 * 4);
    const notes = new Set([low]);
    while (notes.size < size) notes.add(low + [3, 4, 5, 7, 8, 9, 10, 12, 15, 16, 19, 24][Math.floor(random() * 12)]);
    const lengthMs = 200 + random() * 900;
    for (const midi of notes)
      if (midi <= 96)
        keys.push({
          midi,
          downMs: at + random() * 25,
          upMs: at + 25 + lengthMs * (0.5 + 0.8 * random()),
          velocity: 35 + Math.floor(random() * 65),
        });
    at += lengthMs;
  }
  return keys.sort((a, b) => a.downMs - b.downMs || a.midi - b.midi);
}
