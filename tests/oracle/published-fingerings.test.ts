/** The planner against published fingerings. Source: Hanon 1873, nos 39–41, from memory (src/core/fingering/published.table.ts).
 * The weights were fitted on these keys; `npm run bench` prints the figures for keys that were not used in fitting. */
import { describe, expect, it } from '@jest/globals';
import { demandsOf } from '@/core/fingering';
import { chromatic, exerciseOf, fingersOf, fromThirdDegree, judge, writtenFor, type Exercise } from '../support/scales';
import { player } from '../support/planning';
import { PUBLISHED_ARPEGGIOS, PUBLISHED_SCALES } from '../../src/core/fingering';

const usual = demandsOf(player());
const judged = (list: typeof PUBLISHED_SCALES) =>
  list.map((published) => judge(exerciseOf(published), fingersOf(exerciseOf(published), usual).fingers));

const written = (list: readonly Exercise[]) =>
  list.map((exercise) => ({
    wanted: exercise.wanted,
    found: writtenFor(exercise, usual),
    ...judge(exercise, writtenFor(exercise, usual)),
  }));

describe('as the application writes them', () => {
  const told = ({ wanted, found }: { readonly wanted: string; readonly found: string }): string =>
    `${found} for ${wanted}`;

  it('scales of two octaves: all 48 are as published', () => {
    const scales = written(PUBLISHED_SCALES.map(exerciseOf));
    expect(scales.filter(({ exact }) => !exact).map(told)).toEqual([]);
  });

  it('arpeggios of two octaves: 46 or more of 48', () => {
    const missed = written(PUBLISHED_ARPEGGIOS.map(exerciseOf)).filter(({ exact }) => !exact);
    expect(missed.length > 2 ? missed.map(told) : []).toEqual([]);
  });

  it('scales from the third degree: the inner notes of 44 or more of 48', () => {
    const missed = written(PUBLISHED_SCALES.map(fromThirdDegree)).filter(({ inner }) => !inner);
    expect(missed.length > 4 ? missed.map(told) : []).toEqual([]);
  });

  it.each(['right', 'left'] as const)('the chromatic scale of the %s hand', (hand) => {
    expect(judge(chromatic(hand), writtenFor(chromatic(hand), usual)).inner).toBe(true);
  });
});

describe('the costs of the hand alone: two octaves up and down, without a printed finger', () => {
  it('scales: the inner notes of all 48 are as published, 44 or more with their ends', () => {
    const scales = judged(PUBLISHED_SCALES);
    expect(scales).toHaveLength(48);
    expect(scales.filter(({ inner }) => inner)).toHaveLength(48);
    expect(scales.filter(({ exact }) => exact).length).toBeGreaterThanOrEqual(44);
  });

  it('arpeggios: the inner notes of 46 or more of 48 are as published, 40 or more with their ends', () => {
    const arpeggios = judged(PUBLISHED_ARPEGGIOS);
    expect(arpeggios).toHaveLength(48);
    expect(arpeggios.filter(({ inner }) => inner).length).toBeGreaterThanOrEqual(46);
    expect(arpeggios.filter(({ exact }) => exact).length).toBeGreaterThanOrEqual(40);
  });

  it.each(['right', 'left'] as const)('the chromatic scale of the %s hand is as published', (hand) => {
    expect(judge(chromatic(hand), fingersOf(chromatic(hand), usual).fingers).inner).toBe(true);
  });
});
