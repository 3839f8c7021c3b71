import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { PlayFaultKind } from '../practice';
import { nextStep, outcomeOf, progressOf, type StepRun } from './progress';
import { stepOf } from './propose-steps';

const STEPS = [
  stepOf('warm-up', { way: 'free', times: 1 }),
  stepOf('tapping', { way: 'tick' }),
  stepOf('slow', { times: 3 }),
  stepOf('memory', { times: 1 }),
];
const run = (step: string, outcome: StepRun['outcome'], atMs: number): StepRun => ({ step, outcome, atMs });
const cleans = (step: string, count: number, fromMs = 0): readonly StepRun[] =>
  Array.from({ length: count }, (_, i) => run(step, 'clean', fromMs + i));
const states = (runs: readonly StepRun[]): string =>
  progressOf(STEPS, runs)
    .map(({ isDone, isOpen }) => (isDone ? 'done' : isOpen ? 'open' : 'shut'))
    .join(' ');

describe('the steps of a list', () => {
  it('open one after the other, each when the one before is done', () => {
    expect(states([])).toBe('open shut shut shut');
    expect(states(cleans('warm-up', 1))).toBe('done open shut shut');
    expect(states([...cleans('warm-up', 1), run('tapping', 'ticked', 5)])).toBe('done done open shut');
  });

  it('are done when they were clean so often in a row, and stay done', () => {
    const before = [...cleans('warm-up', 1), run('tapping', 'ticked', 5)];
    const broken = [...before, ...cleans('slow', 2, 10), run('slow', 'unclean', 12), ...cleans('slow', 2, 13)];
    expect(states(broken)).toBe('done done open shut');
    expect(progressOf(STEPS, broken)[2]?.inARow).toBe(2);
    const done = [...broken, run('slow', 'clean', 15)];
    expect(states(done)).toBe('done done done open');
    expect(states([...done, run('slow', 'unclean', 16)])).toBe('done done done open');
  });

  it('are not done by a run where a tick is wanted, nor by a tick where a run is', () => {
    expect(states([...cleans('warm-up', 1), run('tapping', 'clean', 5)])).toBe('done open shut shut');
    expect(states([run('warm-up', 'ticked', 5)])).toBe('open shut shut shut');
  });

  it('open at any time where the teacher says so', () => {
    const free = STEPS.map((step) => ({ ...step, opens: 'any-time' as const }));
    expect(progressOf(free, []).every(({ isOpen }) => isOpen)).toBe(true);
    expect(nextStep(progressOf(free, cleans('warm-up', 1)))?.id).toBe('tapping');
  });

  it('have nothing left to do when all are done', () => {
    const all = [...cleans('warm-up', 1), run('tapping', 'ticked', 2), ...cleans('slow', 3), ...cleans('memory', 1)];
    expect(nextStep(progressOf(STEPS, all))).toBeNull();
  });

  const anyRun = fc.record({
    step: fc.constantFrom(...STEPS.map(({ id }) => id), 'another'),
    outcome: fc.constantFrom<StepRun['outcome']>('clean', 'unclean', 'ticked'),
    atMs: fc.nat(1000),
  });

  it('stand the same in whatever order the runs come, and nothing that is done is undone by one more', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyRun, { selector: ({ atMs }) => atMs, maxLength: 30 }), (runs) => {
        expect(progressOf(STEPS, runs.toReversed())).toEqual(progressOf(STEPS, runs));
        const inTime = runs.toSorted((a, b) => a.atMs - b.atMs);
        const before = progressOf(STEPS, inTime.slice(0, -1));
        progressOf(STEPS, inTime).forEach(({ isDone }, i) => expect(isDone || before[i]?.isDone !== true).toBe(true));
      }),
    );
  });
});

describe('a run', () => {
  const judged = (clean: boolean, ...kinds: readonly PlayFaultKind[]) => ({
    clean,
    notes: { written: 9, right: 9 },
    faults: kinds.map((kind) => ({ kind })),
  });

  it('counts as clean where it was clean', () => {
    expect(outcomeOf('along', judged(true))).toBe('clean');
    expect(outcomeOf('along', judged(false, 'hesitation'))).toBe('unclean');
  });

  it('needs no pulse where each moment is waited for, and the right keys all the same', () => {
    expect(outcomeOf('wait', judged(false, 'hesitation', 'too-short'))).toBe('clean');
    expect(outcomeOf('wait', judged(false, 'extra'))).toBe('unclean');
    expect(outcomeOf('wait', { ...judged(false), notes: { written: 0, right: 0 } })).toBe('unclean');
  });
});
