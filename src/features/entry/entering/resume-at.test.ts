import { describe, expect, it } from '@jest/globals';
import type { PieceToEnter } from '@/data';
import { resumeAt } from './resume-at';

/** A piece as the store has it, with where entering stood in it. */
const found = (edition: string, typing: string | null) => ({ piece: { edition }, typing }) as unknown as PieceToEnter;
const HERE = { edition: 'one', typing: 'here' };

describe('where entering goes on', () => {
  it('is where it stood here, in the same music', () =>
    expect(resumeAt(found('one', 'store'), { shown: HERE, isElsewhere: false, isAbc: true })).toEqual({
      typing: 'here',
      how: 'there',
      isAbc: true,
    }));

  it('is where the store says, once it was entered elsewhere: ABC that was being written is at its end', () =>
    expect(resumeAt(found('two', 'store'), { shown: HERE, isElsewhere: true, isAbc: true })).toEqual({
      typing: 'store',
      how: 'there',
      isAbc: false,
    }));

  it('is near where it stood, where the music is another one and the store says nothing', () =>
    expect(resumeAt(found('two', null), { shown: HERE, isElsewhere: true, isAbc: false })).toEqual({
      typing: 'here',
      how: 'near',
      isAbc: false,
    }));

  it('is where the store says on first sight, and nowhere if it says nothing', () => {
    expect(resumeAt(found('one', 'store'), { shown: null, isElsewhere: true, isAbc: false })?.typing).toBe('store');
    expect(resumeAt(found('one', null), { shown: null, isElsewhere: true, isAbc: false })).toBeNull();
  });
});
