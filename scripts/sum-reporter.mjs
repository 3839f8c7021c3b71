// Prints the closing line `N passed, N failed`, and leaves the figures for check.mjs where CHECK_SUMS asks for them.
import { appendFileSync } from 'node:fs';

export default class SumReporter {
  onRunComplete(_contexts, results) {
    // A test file that could not even be loaded counts as a failure: its tests never ran.
    const failed = results.numFailedTests + results.numRuntimeErrorTestSuites;
    if (process.env.CHECK_SUMS) appendFileSync(process.env.CHECK_SUMS, `${results.numPassedTests} ${failed}\n`);
    console.log(`${results.numPassedTests} passed, ${failed} failed`);
  }
}
