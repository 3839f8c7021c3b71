import { describe, expect, it } from '@jest/globals';
import { withAsked, withShown } from './asked-queries';

describe('queries that were asked for and are not shown yet', () => {
  const two = withAsked(withAsked([], 'at=1:1', ''), 'at=1:2', '');

  it('an older one that is shown late does not take the newest back', () =>
    expect(withShown(two, 'at=1:1').at(-1)).toBe('at=1:2'));

  it('nothing is waited for once the newest is shown, also where those between were passed over', () =>
    expect(withShown(two, 'at=1:2')).toEqual([]));

  it('what is already shown is not waited for', () => expect(withAsked([], 'at=1:1', 'at=1:1')).toEqual([]));

  it('back to what is shown is waited for while something else is on its way', () =>
    expect(withAsked(two, '', '').at(-1)).toBe(''));

  it('a query that another place asked for settles them all', () => expect(withShown(two, 'piece=b')).toEqual([]));
});
