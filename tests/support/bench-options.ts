import { USUAL_WORDING } from '@/core/explain';
import { USUAL_PLAYER } from '@/core/fingering';
import type { BenchOptions } from '@/contract/piece-asked';

/** What the Bench asks for where a teacher chose nothing. */
export const USUAL_BENCH: BenchOptions = {
  to: null,
  direction: 'nearest',
  octaveRight: 0,
  octaveLeft: 0,
  spelling: 'strict',
  courtesy: 'bar',
  sixth: 'natural',
  seventh: 'raised',
  fingering: 'plan',
  player: USUAL_PLAYER,
  keyboard: 88,
  respelled: [],
  decisions: { fingers: [], aside: [] },
  wording: USUAL_WORDING,
};
