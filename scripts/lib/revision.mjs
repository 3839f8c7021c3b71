import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

/** The sources as they were at a revision, in a folder of their own with the packages of this tree, until `remove` is called. Null where there is no such
 * revision. */
export function unpackedAt(revision) {
  const tree = mkdtempSync(join(tmpdir(), 'new-thumb-then-'));
  const remove = () => rmSync(tree, { recursive: true });
  const unpacked = spawnSync('sh', ['-c', 'git archive "$1" | tar -x -C "$2"', 'sh', revision, tree], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  if (unpacked.status !== 0 || readdirSync(tree).length === 0) {
    remove();
    console.error(`There is no revision ${revision} here.`);
    return null;
  }
  symlinkSync(join(ROOT, 'node_modules'), join(tree, 'node_modules'));
  return { tree, remove };
}
