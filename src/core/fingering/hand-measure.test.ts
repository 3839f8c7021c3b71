import { describe, expect, it } from '@jest/globals';
import { ROUGH_SPANS } from '../keyboard';
import { handMeasure, spanOf } from './hand-measure';
import { PARNCUTT_SPANS, TABLE_SPAN_MM } from './spans.table';

const PAIRS = Object.keys(PARNCUTT_SPANS).map((pair) => [Number(pair[0]), Number(pair[1])] as const);

describe('the table of spans', () => {
  it('rises from least practical to greatest practical in every row (Parncutt et al. 1997, from memory)', () => {
    for (const row of Object.values(PARNCUTT_SPANS)) expect([...row]).toEqual([...row].sort((a, b) => a - b));
  });
});

describe('a measured hand', () => {
  it('of the table’s own span reaches an octave and a third, as the table says', () => {
    expect(spanOf(handMeasure(TABLE_SPAN_MM), 1, 5).greatestPractical / 100).toBeCloseTo(15 * (164.5 / 12), 1);
  });

  it('closes over five white keys without a stretch, however small it is', () => {
    for (const spanMm of [120, 135, 150, 206, 260]) {
      for (const [lower, higher] of PAIRS) {
        const span = spanOf(handMeasure(spanMm), lower, higher);
        const closed = 2350 * (higher - lower);
        expect(span.leastRelaxed).toBeLessThanOrEqual(closed);
        expect(span.greatestRelaxed).toBeGreaterThanOrEqual(closed);
        expect(span.greatestComfortable).toBeGreaterThanOrEqual(closed);
      }
    }
  });

  it('never reaches less by being wider', () => {
    const wider = [120, 150, 180, 206, 230, 260];
    for (const [lower, higher] of PAIRS) {
      const spans = wider.map((mm) => spanOf(handMeasure(mm), lower, higher));
      for (const [i, span] of spans.slice(1).entries()) {
        const before = spans[i] as typeof span;
        expect(span.greatestPractical).toBeGreaterThanOrEqual(before.greatestPractical);
        expect(span.greatestComfortable).toBeGreaterThanOrEqual(before.greatestComfortable);
        expect(span.leastPractical).toBeLessThanOrEqual(before.leastPractical);
      }
    }
  });
});

describe('rough spans by age', () => {
  it('rise with age', () => {
    const spans = ROUGH_SPANS.map(({ spanMm }) => spanMm);
    expect(spans).toEqual([...spans].sort((a, b) => a - b));
  });
});
