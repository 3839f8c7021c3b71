import { loadPlaying } from '../ear/performances.mjs';
import { seeded } from '../lib/seeded.mjs';
import { median, timed } from './figures.mjs';

const PERFORMANCES = 1000;
const CLEAN = 400;
/** Ten minutes of practising: a piece played again and again, with what goes wrong in it. */
const LONG_KEYS = 5000;
const USUAL = { strictness: 'usual', bpm: null, countIn: null };

/** What the judge finds of planted faults, all demo pieces in all keys drawn by seed; what it tells of clean playing; and how long ten minutes take it. */
export async function measureJudging() {
  const core = {
    ...(await import('../../src/core/practice/index.ts')),
    ...(await import('../../src/core/simulation/index.ts')),
  };
  const { compare } = await import('../../tests/support/found-slips.ts');
  const { music: drawn, musicIn, pieces } = await loadPlaying();
  const counts = Object.fromEntries(core.WEAKNESSES.map((weakness) => [weakness, { found: 0, planted: 0 }]));
  let made = 0;
  for (let seed = 1; seed <= PERFORMANCES; seed += 1) {
    const random = seeded(seed + 90_000);
    const music = drawn(random);
    const count = 1 + Math.floor(random() * 5);
    const weaknesses = [
      ...new Set(Array.from({ length: count }, () => core.WEAKNESSES[Math.floor(random() * core.WEAKNESSES.length)])),
    ];
    const pupil = { seed, bpm: 50 + Math.floor(random() * 50), jitterMs: 25, unevenMs: 0, drift: 0.03, weaknesses };
    const { keys, slips } = core.playAs(pupil, music);
    const { found, missed, made: others } = compare(slips, core.judgePlaying(music, keys, USUAL));
    for (const { weakness } of [...found, ...missed]) counts[weakness].planted += 1;
    for (const { weakness } of found) counts[weakness].found += 1;
    made += others.length;
  }
  let told = 0;
  let clean = 0;
  for (let seed = 1; seed <= CLEAN; seed += 1) {
    const random = seeded(seed + 70_000);
    const music = drawn(random);
    const bpm = 50 + Math.floor(random() * 60);
    const pupil = { seed, bpm, jitterMs: 40, unevenMs: 0, drift: 0.08, weaknesses: [] };
    const judged = core.judgePlaying(music, core.playAs(pupil, music).keys, USUAL);
    told += judged.faults.length;
    clean += judged.clean ? 1 : 0;
  }
  const all = Object.values(counts);
  const [found, planted] = ['found', 'planted'].map((what) => all.reduce((sum, one) => sum + one[what], 0));
  return [
    [
      `planted faults found, named and placed, of ${planted} (held to 99 %)`,
      `${((100 * found) / planted).toFixed(1)} %`,
    ],
    ...Object.entries(counts).map(([weakness, one]) => [`  ${weakness}`, `${one.found} of ${one.planted}`]),
    ['faults told beside them that nobody made', `${made}`],
    [`false faults in ${CLEAN} clean performances (held to 1 in 200), and how many clean`, `${told}, ${clean}`],
    [
      `${LONG_KEYS} keys of practising judged, slowest piece · median (held to 300 ms)`,
      longTimes(core, pieces, musicIn),
    ],
  ];
}

function longTimes(core, pieces, musicIn) {
  const times = pieces.map((piece) => {
    const music = musicIn(piece, piece.key.key);
    const keys = [];
    for (let round = 0; keys.length < LONG_KEYS; round += 1) {
      const from = (keys.at(-1)?.downMs ?? 0) + 2000;
      const weaknesses = round % 3 === 0 ? [core.WEAKNESSES[(round / 3) % core.WEAKNESSES.length]] : [];
      const pupil = { seed: round, bpm: 70, jitterMs: 25, unevenMs: 0, drift: 0.03, weaknesses };
      for (const key of core.playAs(pupil, music).keys)
        keys.push({ ...key, downMs: key.downMs + from, upMs: key.upMs + from });
    }
    return median(timed(3, () => core.judgePlaying(music, keys.slice(0, LONG_KEYS), USUAL)));
  });
  return `${Math.max(...times).toFixed(0)} · ${median(times).toFixed(0)} ms`;
}
