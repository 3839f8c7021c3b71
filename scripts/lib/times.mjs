// What the tests took when each was last run: by file, by test, and how many pages they visited.
import { appendFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

const FOLDER = join(ROOT, '.check');
const TIMES = join(FOLDER, 'times.json');
const VISITS = join(FOLDER, 'visits');

/** The times of every file that was run in this folder, the dearest first. Units: ms. */
export function timesNoted() {
  const noted = existsSync(TIMES) ? JSON.parse(readFileSync(TIMES, 'utf8')) : [];
  return noted.filter(({ file }) => existsSync(join(ROOT, file))).sort((a, b) => b.ms - a.ms);
}

/** Puts new times in the place of the older ones of the same files, with the pages that were visited meanwhile. */
export function noteTimes(files) {
  const visits = visitsNoted();
  const isNew = new Set(files.map(({ file }) => file));
  const older = timesNoted().filter(({ file }) => !isNew.has(file));
  const newer = files.map((one) => ({ ...one, visits: visits.get(one.file) ?? 0 }));
  mkdirSync(FOLDER, { recursive: true });
  writeFileSync(TIMES, JSON.stringify([...older, ...newer]));
}

/** Notes that a test of this file went to a page. Several processes may do so at a time. */
export function noteVisit(file) {
  mkdirSync(FOLDER, { recursive: true });
  appendFileSync(VISITS, `${file}\n`);
}

function visitsNoted() {
  const visits = new Map();
  if (!existsSync(VISITS)) return visits;
  const files = readFileSync(VISITS, 'utf8').trim().split('\n');
  rmSync(VISITS);
  for (const file of files) visits.set(file, (visits.get(file) ?? 0) + 1);
  return visits;
}

const seconds = (ms) => (ms / 1000).toFixed(1).padStart(7);

/** Prints the dearest files and the dearest tests of those that were run. */
export function printTimes(count) {
  const files = timesNoted();
  const sum = files.reduce((all, { ms }) => all + ms, 0);
  console.log(`${files.length} files of tests, ${seconds(sum).trim()} s of one process. The dearest:`);
  console.log('      s  before its tests (s)  pages  file');
  for (const { file, ms, ofTestsMs, visits } of files.slice(0, count))
    console.log(`${seconds(ms)}  ${seconds(ms - ofTestsMs).padStart(20)}  ${String(visits ?? 0).padStart(5)}  ${file}`);
  const tests = files
    .flatMap(({ file, tests }) => tests.map((one) => ({ ...one, file })))
    .sort((a, b) => b.ms - a.ms)
    .slice(0, count);
  console.log('\n      s  test');
  for (const { file, name, ms } of tests) console.log(`${seconds(ms)}  ${file}: ${name}`);
}
