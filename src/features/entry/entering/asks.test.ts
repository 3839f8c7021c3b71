import { describe, expect, it } from '@jest/globals';
import { createAsks, type Ask, type Asks } from './asks';

const dropped: string[] = [];

/** Asks for a key, or for a step to be taken back, by a name. */
function asksFor(asks: Asks, name: string, again: Ask['again'] = 'in any music'): void {
  asks.add({ send: () => Promise.reject(new Error('never sent')), again, drop: () => dropped.push(name) });
}
const numbers = (some: readonly Ask[]): readonly number[] => some.map(({ number }) => number);

describe('what was asked for while a piece is entered', () => {
  it('is sent once, in its order', () => {
    const asks = createAsks();
    asksFor(asks, 'a');
    asksFor(asks, 'b');
    expect([numbers(asks.take()), numbers(asks.take()), asks.areWaiting()]).toEqual([[1, 2], [], false]);
  });

  it('and is not in the store comes before what came since, when the piece is opened anew', () => {
    const asks = createAsks();
    ['a', 'b', 'c'].forEach((name) => asksFor(asks, name));
    const [, second] = asks.take();
    asksFor(asks, 'd');
    asks.kept(1);
    if (second) asks.done(second);
    asks.again(1);
    expect(numbers(asks.due())).toEqual([3, 4]);
    expect(asks.before()).toBe(2);
  });

  it('and was refused is not asked again', () => {
    const asks = createAsks();
    asksFor(asks, 'a');
    asks.take();
    asks.forgetSent();
    asks.again(0);
    expect([asks.areWaiting(), asks.before()]).toEqual([false, 1]);
  });

  it('after another tab wanted the lock waits until this one has it again', () => {
    const asks = createAsks();
    asksFor(asks, 'before');
    asks.hold();
    asksFor(asks, 'after');
    expect([numbers(asks.take()), asks.areWaiting()]).toEqual([[1], true]);
    asks.release();
    expect(numbers(asks.take())).toEqual([2]);
  });

  it('in other music is dropped where it makes no sense there, and the rest stays; whoever asked is told', () => {
    const asks = createAsks();
    asksFor(asks, 'key');
    asksFor(asks, 'undo', 'in the same music');
    dropped.splice(0);
    expect([asks.dropTurns(), asks.dropTurns(), numbers(asks.due())]).toEqual([true, false, [1]]);
    expect([asks.dropAll(), asks.dropAll(), dropped]).toEqual([true, false, ['undo', 'key']]);
  });
});
