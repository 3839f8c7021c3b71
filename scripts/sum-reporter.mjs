// Prints the closing line `N passed, N failed`, notes the results where somebody asks for them, and what took how long.
import { relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ROOT } from './lib/run.mjs';
import { noteResult } from './lib/test-results.mjs';
import { noteTimes } from './lib/times.mjs';

/** So much of a failure is told again at the end. */
const LINES_TOLD = 12;

const why = (messages) => stripVTControlCharacters(messages.join('\n')).split('\n').slice(0, LINES_TOLD).join('\n');

export default class SumReporter {
  #files = [];
  #begun = new Map();

  onTestFileStart({ path }) {
    this.#begun.set(path, Date.now());
  }

  onTestFileResult(test, { testResults, perfStats, testExecError, failureMessage }) {
    const file = relative(ROOT, test.path).replaceAll('\\', '/');
    const tests = testResults.map(({ ancestorTitles, title, duration, status, failureMessages }) => ({
      name: [...ancestorTitles, title].join(' › '),
      ms: Math.round(duration ?? 0),
      status,
      failureMessages,
    }));
    this.#files.push({
      file,
      // Of all that went by, loading and hooks as well.
      ms: Math.round(Date.now() - this.#begun.get(test.path)),
      ofTestsMs: Math.round(perfStats.runtime),
      tests: tests.map(({ name, ms }) => ({ name, ms })),
    });
    const failed = tests
      .filter(({ status }) => status === 'failed')
      .map(({ name, failureMessages }) => ({ name, why: why(failureMessages) }));
    // A file that could not even be loaded counts as a failure: its tests never ran.
    if (testExecError && failed.length === 0)
      failed.push({ name: 'the file itself', why: why([failureMessage ?? '']) });
    noteResult({ file, passed: tests.filter(({ status }) => status === 'passed').length, failed });
  }

  onRunComplete(_contexts, results) {
    noteTimes(this.#files);
    console.log(
      `${results.numPassedTests} passed, ${results.numFailedTests + results.numRuntimeErrorTestSuites} failed`,
    );
  }
}
