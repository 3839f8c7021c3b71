// Prints the closing line `N passed, N failed`, leaves the figures for check.mjs where CHECK_SUMS asks for them, and notes what took how long.
import { appendFileSync } from 'node:fs';
import { relative } from 'node:path';
import { ROOT } from './lib/run.mjs';
import { noteTimes } from './lib/times.mjs';

export default class SumReporter {
  #files = [];

  onTestFileResult(test, { testResults, perfStats }) {
    this.#files.push({
      file: relative(ROOT, test.path).replaceAll('\\', '/'),
      // Of all that went by, loading and hooks as well.
      ms: Math.round(Date.now() - this.#begun.get(test.path)),
      ofTestsMs: Math.round(perfStats.runtime),
      tests: testResults.map(({ ancestorTitles, title, duration }) => ({
        name: [...ancestorTitles, title].join(' › '),
        ms: Math.round(duration ?? 0),
      })),
    });
  }

  #begun = new Map();

  onTestFileStart({ path }) {
    this.#begun.set(path, Date.now());
  }

  onRunComplete(_contexts, results) {
    // A test file that could not even be loaded counts as a failure: its tests never ran.
    const failed = results.numFailedTests + results.numRuntimeErrorTestSuites;
    if (process.env.CHECK_SUMS) appendFileSync(process.env.CHECK_SUMS, `${results.numPassedTests} ${failed}\n`);
    noteTimes(this.#files);
    console.log(`${results.numPassedTests} passed, ${failed} failed`);
  }
}
