// npm run same-answers -- REVISION: asks the scripting interface as it is here and as it was at a revision for reports, ladders and files of all demo
// pieces in all keys, and says which answers are not the same to the byte. For changes that should change nothing.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { unpackedAt } from './lib/revision.mjs';
import { ROOT } from './lib/run.mjs';

const [revision] = process.argv.slice(2);
if (!revision) {
  console.error('Which revision? npm run same-answers -- REVISION');
  process.exit(2);
}

const then = unpackedAt(revision);
if (!then) process.exit(2);

/** All answers of the sources in a tree, by what was asked. Both are asked about the pieces as they are here. */
function answersOf(tree) {
  return new Promise((resolve, reject) => {
    const child = spawn(
      process.execPath,
      ['--no-warnings', join(ROOT, 'scripts/same-answers/answers.mjs'), join(ROOT, 'public/demo')],
      {
        env: { ...process.env, NEW_THUMB_SOURCES: join(tree, 'src') },
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    let said = '';
    child.stdout.on('data', (text) => (said += text));
    child.on('close', (status) =>
      status === 0
        ? resolve(
            new Map(
              said
                .trim()
                .split('\n')
                .map((line) => line.split('\t')),
            ),
          )
        : reject(new Error(`the answers of ${tree} could not be had`)),
    );
  });
}

const [before, now] = await Promise.all([answersOf(then.tree), answersOf(ROOT)]);
then.remove();
const different = [...new Set([...before.keys(), ...now.keys()])].filter(
  (asked) => before.get(asked) !== now.get(asked),
);
for (const asked of different)
  console.log(`not the same: ${asked} (${before.get(asked) ?? 'not asked'}, now ${now.get(asked) ?? 'not asked'})`);
console.log(`${now.size} answers, ${different.length} not the same as at ${revision}`);
if (different.length > 0 || now.size === 0) process.exitCode = 1;
