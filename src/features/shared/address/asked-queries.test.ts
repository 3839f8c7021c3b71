import { describe, expect, it } from '@jest/globals';
import { withAsked, withoutAsked, withShown, type AskedQueries } from './asked-queries';

const START: AskedQueries = { shown: '', waiting: [] };
const newest = ({ waiting }: AskedQueries) => waiting.at(-1) ?? null;

describe('queries that were asked for and are not shown yet', () => {
  const two = withAsked(withAsked(START, 'at=1:1'), 'at=1:2');

  it('an older one that is shown late does not take the newest back', () =>
    expect(newest(withShown(two, 'at=1:1'))).toBe('at=1:2'));

  it('nor where two parts of the screen tell of the older one', () =>
    expect(newest(withShown(withShown(two, 'at=1:1'), 'at=1:1'))).toBe('at=1:2'));

  it('nothing is waited for once the newest is shown, also where those between were passed over', () =>
    expect(withShown(two, 'at=1:2')).toEqual({ shown: 'at=1:2', waiting: [] }));

  it('what is already shown is not waited for', () =>
    expect(newest(withAsked({ shown: 'at=1:1', waiting: [] }, 'at=1:1'))).toBeNull());

  it('back to what is shown is waited for while something else is on its way', () =>
    expect(newest(withAsked(two, ''))).toBe(''));

  it('a query that another place asked for settles them all', () =>
    expect(newest(withShown(two, 'piece=b'))).toBeNull());

  it('going back forgets what was asked for', () => expect(newest(withoutAsked(two))).toBeNull());
});
