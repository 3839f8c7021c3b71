import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { noteResult, resultsNoted, sumOf } from '../../scripts/lib/test-results.mjs';

let asked: string | undefined;
beforeEach(() => {
  asked = process.env['TEST_RESULTS'];
  process.env['TEST_RESULTS'] = join(mkdtempSync(join(tmpdir(), 'new-thumb-results-')), 'results');
});
afterEach(() => {
  if (asked === undefined) delete process.env['TEST_RESULTS'];
  else process.env['TEST_RESULTS'] = asked;
});

describe('what is noted of the tests of a check', () => {
  it('counts every file as it ended the last time, and keeps what had failed before', () => {
    const fault = { name: 'prints', why: 'no paper' };
    noteResult({ file: 'one.test.ts', passed: 4, failed: [fault] });
    noteResult({ file: 'two.test.ts', passed: 2, failed: [] });
    noteResult({ file: 'one.test.ts', passed: 5, failed: [] });
    const results = resultsNoted();
    expect(sumOf(results)).toEqual({ passed: 7, failed: 0 });
    expect(results.find(({ file }) => file === 'one.test.ts')?.before).toEqual([fault]);
  });

  it('counts a file that failed both times as failed', () => {
    for (const name of ['prints', 'saves']) noteResult({ file: 'one.test.ts', passed: 1, failed: [{ name, why: '' }] });
    expect(sumOf(resultsNoted())).toEqual({ passed: 1, failed: 1 });
  });
});
