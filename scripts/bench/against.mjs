// Planning here against a revision: both in turn, several times in one run, since the machine is never equally quiet twice.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { unpackedAt } from '../lib/revision.mjs';
import { ROOT } from '../lib/run.mjs';
import { median } from './figures.mjs';

const TURNS = 3;

/** What grows how much from the first to the second. */
const GROWTHS = [
  ['500 bars against 50, one key', 'one key, 50 bars', 'one key, 500 bars'],
  ['500 bars against 50, the ladder', 'the ladder, 50 bars', 'the ladder, 500 bars'],
];

function timesOf(tree, turn) {
  const { status, stdout } = spawnSync(
    process.execPath,
    ['--no-warnings', join(ROOT, 'scripts/bench/planning-times.mjs'), String(turn)],
    {
      env: { ...process.env, NEW_THUMB_SOURCES: join(tree, 'src') },
      stdio: ['ignore', 'pipe', 'inherit'],
      encoding: 'utf8',
    },
  );
  if (status !== 0) throw new Error(`the times of ${tree} could not be had`);
  return JSON.parse(stdout);
}

/** Figures of this tree, and by how many times it is faster than at the revision. */
export function measureAgainst(revision) {
  const then = unpackedAt(revision);
  if (!then) process.exit(2);
  const turns = Array.from({ length: TURNS }, (_, turn) => [timesOf(then.tree, turn), timesOf(ROOT, turn)]);
  then.remove();
  const figure = (of) => median(turns.map(of));
  const compared = Object.keys(turns[0][1]).map((what) => [
    what,
    `${figure(([, now]) => now[what]).toFixed(0)} ms, ${figure(([before, now]) => before[what] / now[what]).toFixed(2)} times as fast`,
  ]);
  const grown = GROWTHS.map(([what, short, long]) => [
    what,
    `${figure(([, now]) => now[long] / now[short]).toFixed(1)} times as long (then ${figure(([before]) => before[long] / before[short]).toFixed(1)})`,
  ]);
  return [...compared, ...grown];
}
