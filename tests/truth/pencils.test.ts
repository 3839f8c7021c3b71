/** The planner against pencils of teachers, written down before any program was asked (tests/fixtures/pencils). The weights of the postures were fitted to them;
 * the kinds of music were not. */
import { describe, expect, it } from '@jest/globals';
import { pencilAnswers, type Answer } from '../support/pencils';

describe('whole hands as a teacher pencilled them', () => {
  const all = pencilAnswers();
  const missed = (answers: readonly Answer[]): readonly string[] =>
    answers.filter(({ isFine }) => !isFine).map(({ about }) => about);

  it('in the pieces’ own keys: 93 of 100', () => {
    const own = all.filter(({ isOwnKey }) => isOwnKey);
    expect(own.length).toBeGreaterThanOrEqual(160);
    expect(missed(own).length <= own.length * 0.07 ? [] : missed(own)).toEqual([]);
  });

  it('in all keys: 93 of 100', () => {
    expect(all.length).toBeGreaterThanOrEqual(1600);
    expect(missed(all).length <= all.length * 0.07 ? [] : missed(all).slice(0, 40)).toEqual([]);
  });
});
