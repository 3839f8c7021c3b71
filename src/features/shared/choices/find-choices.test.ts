import { describe, expect, it } from '@jest/globals';
import { barsIn, findChoices } from './find-choices';

const nothing = (): void => undefined;
const CHOICES = [
  'go to E♭ major',
  'go to E major',
  'go to F♯ major',
  'ring every F♯ (6)',
  'ring every finger 4 (3)',
  'next pupil',
  'for Nell',
  'open “Two Boats, One Mooring”',
].map((words) => ({ words, act: nothing }));

const found = (typed: string): readonly string[] => findChoices(typed, CHOICES).map(({ words }) => words);

describe('what is typed finds', () => {
  it.each([
    ['go to eb', ['go to E♭ major']],
    ['e flat', ['go to E♭ major']],
    ['go e', ['go to E major', 'go to E♭ major']],
    ['ring f', ['ring every F♯ (6)', 'ring every finger 4 (3)']],
    ['ring f#', ['ring every F♯ (6)']],
    ['f sharp', ['go to F♯ major', 'ring every F♯ (6)']],
    ['ring 4', ['ring every finger 4 (3)']],
    ['PUPIL', ['next pupil']],
    ['boats', ['open “Two Boats, One Mooring”']],
    ['waltz', []],
  ])('“%s”', (typed, wanted) => expect(found(typed)).toEqual(wanted));

  it('everything, in its order, where nothing is typed', () => {
    expect(found(' ')).toEqual(CHOICES.map(({ words }) => words));
  });
});

describe('bars', () => {
  it.each([
    ['hear bars 3–4', ['3', '4']],
    ['hear bars 3-12', ['3', '12']],
    ['play 5 to 8', ['5', '8']],
    ['bar 7', ['7', '7']],
    ['hear it', null],
  ])('in “%s”', (typed, wanted) => expect(barsIn(typed)).toEqual(wanted));
});
