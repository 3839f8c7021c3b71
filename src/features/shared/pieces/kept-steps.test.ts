import { describe, expect, it } from '@jest/globals';
import { stepOf } from '@/core/homework';
import { keptFor } from './kept-steps';

const list = (pupil: string | null, key: string | null) => ({
  pupil,
  key,
  steps: [stepOf('slow', { words: `${pupil}/${key}` })],
});
const TAM = { id: 'tam' };

describe('the teacher’s steps', () => {
  it('are those made for just this pupil and key, before those that hold for more', () => {
    const homework = [list(null, null), list(null, 'D-major'), list('tam', null), list('tam', 'D-major')];
    const found = (lists: typeof homework, pupil: typeof TAM | null, key: string | null): string | undefined =>
      keptFor({ homework: lists }, pupil, key)?.steps[0]?.words;
    expect(found(homework, TAM, 'D-major')).toBe('tam/D-major');
    expect(found(homework.slice(0, 3), TAM, 'D-major')).toBe('tam/null');
    expect(found(homework.slice(0, 2), TAM, 'D-major')).toBe('null/D-major');
    expect(found(homework, TAM, 'G-major')).toBe('tam/null');
    expect(found(homework, null, 'G-major')).toBe('null/null');
    expect(found([list('ben', null)], TAM, 'D-major')).toBeUndefined();
  });
});
