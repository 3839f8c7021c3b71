// Lives through histories of the studio in a process of its own: the test runner would keep every promise of them in memory.
// Arguments: the first and the last seed. Ends with 0 where nothing was lost.
import '../../scripts/lib/typescript.mjs';
import 'fake-indexeddb/auto';

const { liveThroughMany } = await import('./world-in-memory.ts');
const [first, last] = process.argv.slice(2).map(Number);
await liveThroughMany(first, last);
console.log(`lived through ${first} to ${last}`);
