import { describe, expect, it } from '@jest/globals';
import { forgetAll, lastingMemo, memo, memoLast, memoOf } from './memo';

/** A function that counts how often it is asked. */
function counted<A extends readonly unknown[], V>(
  make: (...asked: A) => V,
): { readonly ask: (...asked: A) => V; readonly times: () => number } {
  let times = 0;
  return { ask: (...asked) => ((times += 1), make(...asked)), times: () => times };
}

describe('what is kept', () => {
  it('an object is asked about once, also where the answer is undefined', () => {
    const { ask, times } = counted((_: object): undefined => undefined);
    const kept = memoOf(ask);
    const one = {};
    expect([kept(one), kept(one), times()]).toEqual([undefined, undefined, 1]);
    kept({});
    expect(times()).toBe(2);
  });

  it('the last answer counts while all else is the same', () => {
    const { ask, times } = counted((_: object, by: number) => by * 2);
    const kept = memoLast(ask);
    const one = {};
    expect([kept(one, 1), kept(one, 1), times(), kept(one, 2), times(), kept(one, 1), times()]).toEqual([
      2, 2, 1, 4, 2, 2, 3,
    ]);
  });

  it('never more by name than it was made for: the oldest goes', () => {
    const kept = memo<number>(3);
    for (let i = 0; i < 100; i += 1) kept.get(String(i % 5), () => i);
    expect(kept.size()).toBe(3);
    const { ask, times } = counted(() => 7);
    kept.get('99', ask);
    kept.get('99', ask);
    expect(times()).toBe(1);
  });

  it('is dropped all at once, and worked out again when it is asked for', () => {
    const { ask, times } = counted((_: object) => 1);
    const kept = memoOf(ask);
    const byName = lastingMemo<number>(3);
    const one = {};
    kept(one);
    byName.get('a', () => 1);
    forgetAll();
    expect(byName.size()).toBe(0);
    kept(one);
    expect(times()).toBe(2);
  });
});
