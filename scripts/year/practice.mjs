import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';
import { usualMove } from '../bench/usual-move.mjs';

/** The music of pieces in keys for hands, and what the simulated pupil makes of it: the same functions as in the application. */
export async function practiceRoom() {
  const core = {
    ...(await import('../../src/core/piece/index.ts')),
    ...(await import('../../src/core/pitch/index.ts')),
    ...(await import('../../src/core/practice/index.ts')),
    ...(await import('../../src/core/simulation/index.ts')),
    ...(await import('../../src/core/survey/index.ts')),
    ...(await import('../../src/core/write/index.ts')),
    ...(await import('../../src/core/fingering/index.ts')),
    ...(await import('../../src/core/views/index.ts')),
    ...(await import('../../src/core/explain/index.ts')),
  };
  const opened = new Map();
  const pieceOf = (id) => {
    if (!opened.has(id)) {
      const text = readFileSync(join(ROOT, `public/demo/${id}.musicxml`));
      opened.set(id, core.openPiece(text, { format: null, key: null, part: null }).value);
    }
    return opened.get(id);
  };
  /** The five fingers of a key, up and down, as a piece. */
  const patternOf = (key, hand) => {
    const id = `pattern/${key}/${hand}`;
    if (!opened.has(id)) {
      const options = { kind: 'five-fingers', keys: [core.parseKey(key, 'major')], rhythm: 'quarters', hands: hand };
      const text = new TextEncoder().encode(core.drillView(core.USUAL_LANGUAGE, options, 30).musicXml);
      opened.set(id, core.openPiece(text, { format: null, key, part: null }).value);
    }
    return opened.get(id);
  };
  const music = new Map();
  const musicOf = (piece, key, hand, player) => {
    const name = JSON.stringify([piece.score.title, key && core.keyText(key), hand, player]);
    if (!music.has(name)) {
      const options = { ...usualMove(player), fingering: 'plan', to: key ?? piece.key.key };
      const version = core.moveTo(piece, core.asWritten(piece), options).value;
      music.set(name, core.askedIn(piece, version, { hand, bars: null }));
    }
    return music.get(name);
  };
  /** One run, played and judged. Times in ms. */
  const play = (asked, { seed, tempo, weaknesses, jitterMs }) => {
    const written = 60 / (asked.bars[0]?.beatS ?? 60 / 92);
    const bpm = Math.max(30, Math.round((written * tempo) / 100));
    const { keys } = core.playAs({ seed, bpm, jitterMs, unevenMs: 0, drift: 0.02, weaknesses }, asked);
    return { keys, bpm, judged: core.judgePlaying(asked, keys, { strictness: 'usual', bpm, countIn: null }) };
  };
  return { core, pieceOf, patternOf, musicOf, play };
}
