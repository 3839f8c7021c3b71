// npm run mutate -- [COUNT] [SEED]: plants seeded faults in the core, one at a time and in a copy, runs the tests that come to the changed file, and prints
// which faults no test noticed. It takes half an hour and more, and is no part of the check.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './lib/run.mjs';
import { faultsOf } from './mutate/faults.mjs';

const COUNT = Number(process.argv[2] ?? 200);
const SEED = Number(process.argv[3] ?? 1);
/** Tests that run so long have been sent round in circles by the fault: that is noticed. Unit: ms. */
const PATIENCE_MS = 600_000;

function random(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const files = (at) => readdirSync(join(ROOT, at), { recursive: true }).map((name) => join(at, name));
const sources = files('src/core').filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.endsWith('index.ts'),
);
const all = sources.flatMap((path) => faultsOf(path, readFileSync(join(ROOT, path), 'utf8')));
const next = random(SEED);
const chosen = Array.from({ length: COUNT }, () => all[Math.floor(next() * all.length)]);

const tests = [...files('src/core'), ...files('tests/oracle'), ...files('tests/api')]
  .filter((name) => name.endsWith('.test.ts'))
  .map((name) => ({ name, text: readFileSync(join(ROOT, name), 'utf8') }));

/** The tests of a room come first: they are quick, and most faults end there. Then those that import the room, and those of the whole way, which are
 * slow and come last. */
function stagesFor(path) {
  const room = path.split('/')[2];
  const imports = new RegExp(`from '(?:\\.\\./|\\.\\./\\.\\./|@/core/)${room}(?:/[^']*)?'`);
  const own = tests.filter(({ name }) => name.startsWith(`src/core/${room}/`)).map(({ name }) => name);
  const importing = tests.filter(({ name, text }) => !own.includes(name) && imports.test(text)).map(({ name }) => name);
  const whole = tests.map(({ name }) => name).filter((name) => name.startsWith('tests/') && !importing.includes(name));
  return [own, importing, whole].filter((stage) => stage.length > 0).map((stage) => ['--runTestsByPath', ...stage]);
}

function makeCopy() {
  const copy = mkdtempSync(join(tmpdir(), 'new-thumb-faults-'));
  spawnSync('sh', ['-c', 'git ls-files -z | xargs -0 tar -cf - | tar -xf - -C "$1"', 'sh', copy], { cwd: ROOT });
  symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'));
  return copy;
}

function jest(copy, args) {
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [
        `--import=${pathToFileURL(join(copy, 'scripts/lib/typescript.mjs')).href}`,
        '--no-warnings',
        'node_modules/jest/bin/jest.js',
        ...args,
        '--selectProjects',
        'unit',
        '--runInBand',
        '--bail',
        '--passWithNoTests',
        '--silent',
      ],
      { cwd: copy, stdio: 'ignore', env: { ...process.env, CI: '1' } },
    );
    const timer = setTimeout(() => child.kill('SIGKILL'), PATIENCE_MS);
    child.on('close', (status) => {
      clearTimeout(timer);
      resolve(status === 0);
    });
  });
}

/** Whether no test noticed the fault. */
async function survives(copy, fault) {
  const path = join(copy, fault.path);
  const text = readFileSync(join(ROOT, fault.path), 'utf8');
  writeFileSync(path, text.slice(0, fault.start) + fault.instead + text.slice(fault.end));
  let isPassed = true;
  for (const stage of stagesFor(fault.path)) isPassed &&= await jest(copy, stage);
  writeFileSync(path, text);
  return isPassed;
}

const survivors = [];
let done = 0;
let at = 0;
async function work() {
  const copy = makeCopy();
  while (at < chosen.length) {
    const fault = chosen[at];
    at += 1;
    const text = readFileSync(join(ROOT, fault.path), 'utf8');
    const was = text.slice(fault.start, fault.end).replace(/\s+/g, ' ');
    const isAlive = await survives(copy, fault);
    done += 1;
    const told = `${relative('src/core', fault.path)}:${fault.line} ${fault.kind}: ${was} → ${fault.instead.replace(/\s+/g, ' ')}`;
    if (isAlive) survivors.push(told);
    console.log(`${done}/${chosen.length} ${isAlive ? 'NOT NOTICED' : 'noticed'} ${told}`);
  }
  rmSync(copy, { recursive: true });
}
await Promise.all(cpus().slice(0, 2).map(work));
console.log(
  `\n${all.length} faults could be planted, ${chosen.length} were (seed ${SEED}): ${chosen.length - survivors.length} noticed, ${Math.round((100 * (chosen.length - survivors.length)) / chosen.length)} %`,
);
for (const told of survivors.sort()) console.log(`not noticed: ${told}`);
