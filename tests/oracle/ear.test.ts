/** Both ears on pianos that no part of them was fitted to, rendered here: Debian’s sound fonts, in rooms, with noise, out of tune. What it is held to is the project’s own. */
import { beforeAll, describe, expect, it } from '@jest/globals';
import { measureEars, type EarFigures } from '../../scripts/ear/measure.mjs';
import { rounds } from '../support/rounds';

const PERFORMANCES = rounds(5, 60);
const BARS = 3;

describe('simulated pupils on pianos that the ear does not know', () => {
  let live: EarFigures;
  let both: EarFigures;
  beforeAll(async () => {
    ({ live, both } = await measureEars(PERFORMANCES, BARS));
  });

  it('are many enough to tell', () => {
    expect(both.played).toBeGreaterThan(12 * PERFORMANCES);
    expect(both.semitones).toBeGreaterThanOrEqual(PERFORMANCES / 4);
  });

  it('are heard by the first ear, with the page beside it', () => {
    expect(live.f1).toBeGreaterThanOrEqual(95);
    expect(live.falsePer100).toBeLessThanOrEqual(6);
    expect(live.named / live.semitones).toBeGreaterThanOrEqual(0.9);
  });

  it('are heard by both: what was played is credited, and nobody is told of what was not', () => {
    expect(both.f1).toBeGreaterThanOrEqual(97.5);
    expect(both.falsePer100).toBeLessThanOrEqual(1.2);
    expect(both.plainMissedPerCent).toBeLessThanOrEqual(0.3);
    expect(both.named / both.semitones).toBeGreaterThanOrEqual(0.93);
    expect(both.unaccused / both.clean).toBeGreaterThanOrEqual(0.9);
  });

  it('are judged: planted faults are named and placed, and clean runs have next to none', () => {
    expect(both.found / both.planted).toBeGreaterThanOrEqual(0.92);
    expect(both.falseFaults).toBeLessThanOrEqual(both.clean / 10);
  });

  it('are heard in time', () => {
    expect(both.onset95Ms).toBeLessThanOrEqual(30);
  });
});
