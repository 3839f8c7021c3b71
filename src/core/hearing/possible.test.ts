import { expect, it } from '@jest/globals';
import { together, UNHEARD } from './possible';

it('what two ears heard of one stroke is one, with the time of the one that hears later', () => {
  const live = [{ midi: 60, atMs: 1000, odds: 3 }];
  expect(together(live, [{ midi: 60, atMs: 1030, odds: 5 }])).toEqual([{ midi: 60, atMs: 1030, live: 3, after: 5 }]);
});

it('what one ear heard alone stays, and strokes that are apart are two', () => {
  const live = [
    { midi: 60, atMs: 1000, odds: 3 },
    { midi: 62, atMs: 1000, odds: 1 },
  ];
  expect(together(live, [{ midi: 60, atMs: 1200, odds: 5 }])).toEqual([
    { midi: 60, atMs: 1000, live: 3, after: UNHEARD },
    { midi: 62, atMs: 1000, live: 1, after: UNHEARD },
    { midi: 60, atMs: 1200, live: UNHEARD, after: 5 },
  ]);
});
