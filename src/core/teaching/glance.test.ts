import { describe, expect, it } from '@jest/globals';
import { aFact, cleanPattern, securePiece } from '../../../tests/support/run-facts';
import { startOf } from '../calendar';
import { briefOf } from './brief';
import { glanceOf, judgedKeys, type GlanceAsked } from './glance';
import type { RunFact } from './run-fact';

const DAY = 86_400_000;
const NOW = startOf('2026-11-28') + 15 * 3_600_000;
const glance = ({ runs = [], ...more }: Partial<Omit<GlanceAsked, 'brief'>> & { readonly runs?: readonly RunFact[] }) =>
  glanceOf({ brief: briefOf(runs), judged: [], cards: [], ownKeys: new Map(), nowMs: NOW, first: 'monday', ...more });

describe('a pupil at a glance', () => {
  it('has what is set and done, and what was played this week', () => {
    const runs = [
      aFact({ atMs: NOW - DAY, tookMs: 90_000 }),
      aFact({ atMs: NOW, tookMs: 40_000 }),
      aFact({ atMs: NOW - 8 * DAY }),
    ];
    expect(glance({ runs, cards: [{ state: 'done' }, { state: 'open' }] })).toMatchObject({
      week: '2026-11-26',
      set: 2,
      done: 1,
      minutes: 2,
      runs: 2,
      quietDays: 0,
      isQuiet: false,
    });
  });

  it('was not heard for long after two weeks, or ever', () => {
    expect(glance({}).isQuiet).toBe(true);
    expect(glance({ runs: [aFact({ atMs: NOW - 13 * DAY })] }).isQuiet).toBe(false);
    // Two minutes past midnight a fortnight ago counts as the whole day.
    const early = startOf('2026-11-14') + 120_000;
    expect(glance({ runs: [aFact({ atMs: early })] })).toMatchObject({ quietDays: 14, isQuiet: true });
  });

  it('is ready for the keys whose five fingers are clean, once a piece is secure in its own key', () => {
    const runs = [...securePiece('C-major'), ...cleanPattern('D-major'), ...cleanPattern('G-major')];
    const own = new Map([['tune', 'C-major']]);
    expect(glance({ runs, ownKeys: own })).toMatchObject({ readyKeys: ['D-major', 'G-major'], secureKeys: 1 });
    expect(glance({ runs, ownKeys: new Map([['tune', 'F-major']]) }).readyKeys).toEqual([]);
    const judged = judgedKeys(['G-major'], []);
    expect(glance({ runs, judged, ownKeys: own })).toMatchObject({ readyKeys: ['D-major'], secureKeys: 2 });
  });

  it('knows keys that are only kept as known beside those that were judged', () => {
    const said = { key: 'C-major', state: 'learning', day: '2026-11-01', why: 'unsteady' } as const;
    expect(judgedKeys(['C-major', 'G-major'], [said])).toEqual([
      said,
      { key: 'G-major', state: 'secure', day: null, why: '' },
    ]);
  });
});
