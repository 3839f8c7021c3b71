// Lives through histories of the studio in a process of its own: the test runner would keep every promise of them in memory.
// Arguments: what kind of history (studio, entering), the first and the last seed. Ends with 0 where nothing was lost.
import '../../scripts/lib/typescript.mjs';
import 'fake-indexeddb/auto';

const [kind, ...seeds] = process.argv.slice(2);
const [first, last] = seeds.map(Number);
if (kind === 'entering') {
  const { liveThroughEntering } = await import('./entering-histories.ts');
  for (let seed = first; seed <= last; seed += 1) await liveThroughEntering(seed);
} else {
  const { liveThroughMany } = await import('./world-in-memory.ts');
  await liveThroughMany(first, last);
}
console.log(`lived through ${first} to ${last}`);
