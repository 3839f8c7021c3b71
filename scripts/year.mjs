// Lives through the simulated year and writes what came of it: the term that the demo studio shows, and docs/simulated-year.md with every key that was proposed.
import './lib/typescript.mjs';
import 'fake-indexeddb/auto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';
import { liveYear } from './year/live.mjs';
import { termOf } from './year/term.mjs';
import { proposalsTable, yearTable } from './year/told.mjs';

const { openDatabase } = await import('../src/data/database.ts');
const database = openDatabase('simulated-year');
const year = await liveYear(database);
const term = await termOf(database, year);
writeFileSync(join(ROOT, 'public/demo/term.json'), `${JSON.stringify(term)}\n`);

const doc = join(ROOT, 'docs/simulated-year.md');
const text = readFileSync(doc, 'utf8');
const between = (name, inner) => (whole) =>
  whole.replace(new RegExp(`(<!-- ${name} -->)[^]*(<!-- /${name} -->)`), `$1\n\n${inner}\n\n$2`);
const written = [between('year', await yearTable(database)), between('proposals', proposalsTable(year))].reduce(
  (whole, put) => put(whole),
  text,
);
writeFileSync(doc, written);
console.log(
  `${year.proposals.length} proposals; term: ${term.pupils.length} pupils, ${term.plan.length} cards, ${term.lessons.length} lessons, ${term.runs.length} runs`,
);
process.exit(0);
