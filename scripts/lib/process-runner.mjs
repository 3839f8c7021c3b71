// Runs each unit test file in plain Node, in one of a few processes that keep what they have loaded.
import { createRunner } from 'jest-light-runner';

const ASKED = 'jest-light-runner-get-worker-data';
const ANSWER = 'jest-light-runner-worker-data';
const RUNTIME = 'child_process';

/** Answers one process that asks for what it needs to know, and no other. */
function answering(workerData) {
  let answer = () => undefined;
  return {
    onMessage: (listener) => {
      answer = listener;
    },
    postMessage: (message) => {
      if (message === ASKED) answer({ type: ANSWER, workerData });
    },
  };
}

/**
 * The package answers the first process that asks on behalf of all; one that still loads by then misses it, and waits for ever. Here each file goes to its
 * process with an answer of its own.
 */
export default class ProcessRunner extends createRunner({ runtime: RUNTIME }) {
  _runTest(test) {
    const projectConfig = test.context.config;
    const known = this._testRunners.get(projectConfig);
    // The first one makes the processes, and is alone in asking.
    if (known === undefined || this._runtime !== RUNTIME) return super._runTest(test);
    const workerData = { globalConfig: this._globalConfig, projectConfig, runtime: RUNTIME };
    return known.pool.run(test.path, { channel: answering(workerData) });
  }
}
