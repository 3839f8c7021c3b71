import { describe, expect, it } from '@jest/globals';
import { parseKey, type Key } from '../pitch';
import { fileStem } from './file-name';

describe('fileStem', () => {
  it.each([
    ['Lantern Walk', 'D', 'lantern-walk-in-D'],
    ['Old Mill', 'F#-minor', 'old-mill-in-Fsharp-minor'],
    ['Größe & Grâce!', 'Bb', 'grosse-grace-in-Bb'],
    ['', 'D-dorian', 'piece-in-D-dorian'],
    ['夜', 'C', 'piece-in-C'],
  ])('names “%s” in %s %s', (title, key, stem) => {
    expect(fileStem(title, parseKey(key, 'major') as Key)).toBe(stem);
  });
});
