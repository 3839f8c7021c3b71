import type { Kin } from './kin';
import type { PossibleStroke } from './possible';

/** Which ears are asked: the one that listens live, the one that listens afterwards, or both. */
export type Ears = 'live' | 'after' | 'both';

type Odds = Pick<PossibleStroke, 'live' | 'after'>;

/** What an ear, or two, must have heard. Each is above 0 where it is enough. `sure`: without the page beside it. `credit`: for a note that is expected then.
 * `slip`: for a key beside an expected note that did not come. `other`: for any other key. A note that did not come is said to be missing where what was heard of it
 * lies below `absent`, as `credit` has it. */
export interface CreditBars {
  readonly sure: (odds: Odds) => number;
  readonly credit: (odds: Odds) => number;
  readonly slip: (odds: Odds) => number;
  readonly other: (odds: Odds) => number;
  readonly absent: number;
  /** How much more is asked of a stroke that may be none, by what it may be instead: an overtone of keys that are struck with it is never told. */
  readonly kin: Readonly<Record<Kin, number>>;
}

const KIN: CreditBars['kin'] = { none: 0, rings: 1, ground: 4, overtone: Infinity };

/** Source: our own choice, on renderings of the recordings that ship (scripts/ear); what it comes to on other pianos stands in docs/the-ear.md. */
export const BARS: Readonly<Record<Ears, CreditBars>> = {
  live: {
    sure: ({ live }) => live - 0.5,
    credit: ({ live }) => live + 2,
    slip: ({ live }) => live - 0.5,
    other: ({ live }) => live - 2,
    absent: -2,
    kin: KIN,
  },
  after: {
    sure: ({ after }) => after - 0.5,
    credit: ({ after }) => after + 1.5,
    slip: ({ after }) => after - 0.5,
    other: ({ after }) => after - 2,
    absent: -2,
    kin: KIN,
  },
  both: {
    sure: ({ live, after }) => Math.max((live + after) / 2, after - 2, live - 3.5),
    credit: ({ live, after }) => Math.max(live + 1.5, after + 1),
    slip: ({ live, after }) => Math.min(live + 1, after + 1),
    other: ({ live, after }) => Math.min(live - 0.5, after - 0.5),
    absent: -2,
    kin: KIN,
  },
};
