// Writes the licences of everything that New Thumb is made with, from the lock file and the packages themselves.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';

const TO = join(ROOT, 'public/notices.txt');
const LICENCE_FILE = /^(licen[cs]e|copying|notice)/i;
const RULE = '='.repeat(78);

function licenceTexts(folder) {
  return readdirSync(folder)
    .filter((name) => LICENCE_FILE.test(name))
    .sort()
    .map((name) => readFileSync(join(folder, name), 'utf8').trim());
}

const lock = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
const used = Object.entries(lock.packages).filter(
  // Packages for other systems are in the lock file and not on this machine: nothing of them is handed out.
  ([place, { dev }]) => place !== '' && !dev && existsSync(join(ROOT, place, 'package.json')),
);
const notices = used.map(([place, { version }]) => {
  const folder = join(ROOT, place);
  const { license, homepage } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
  const texts = licenceTexts(folder);
  if (!license && texts.length === 0)
    throw new Error(`${place} names no licence: it must not be handed out before somebody has found out.`);
  const name = place.replace(/^.*node_modules\//, '');
  return [RULE, `${name} ${version}: ${license ?? 'see below'}`, homepage ?? '', '', ...texts].join('\n').trim();
});
writeFileSync(
  TO,
  [
    `New Thumb is made with ${notices.length} packages of other people. These are their names and licences.`,
    'The recordings of the piano: Salamander Grand Piano by Alexander Holm, Creative Commons Attribution 3.0; the files were renamed, nothing else was changed.',
    ...notices,
    '',
  ].join('\n\n'),
);
