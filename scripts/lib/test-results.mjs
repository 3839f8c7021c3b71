// What became of each file of tests, noted line by line while several runs of one check go on.
import { appendFileSync, existsSync, readFileSync } from 'node:fs';

/** Where results are noted; undefined where nobody asked for them. */
const noted = () => process.env.TEST_RESULTS;

/** Notes a file that was run: `{ file, passed, failed: [{ name, why }] }`. */
export function noteResult(result) {
  if (noted()) appendFileSync(noted(), `${JSON.stringify(result)}\n`);
}

/** Each file with what became of it the last time, and with what had failed in it before. */
export function resultsNoted(path = noted()) {
  if (!path || !existsSync(path)) return [];
  const files = new Map();
  for (const line of readFileSync(path, 'utf8').trim().split('\n').filter(Boolean)) {
    const result = JSON.parse(line);
    const earlier = files.get(result.file);
    files.set(result.file, { ...result, before: [...(earlier?.before ?? []), ...(earlier?.failed ?? [])] });
  }
  return [...files.values()];
}

/** How many tests passed and failed. */
export function sumOf(results) {
  return results.reduce(
    (sum, { passed, failed }) => ({ passed: sum.passed + passed, failed: sum.failed + failed.length }),
    { passed: 0, failed: 0 },
  );
}

/** Tells what failed, each with the beginning of why: in a long log it stands far up. */
export function tellFailures(results) {
  for (const { file, failed, before } of results) {
    for (const { name, why } of failed) console.log(`\nFailed: ${file} › ${name}\n${why}`);
    if (failed.length > 0) continue;
    for (const { name, why } of before) console.log(`\nPassed at a second try only: ${file} › ${name}\n${why}`);
  }
}
