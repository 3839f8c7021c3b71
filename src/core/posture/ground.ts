import { lastingMemo, memo, memoOf } from '../base';
import type { Passage, Player } from '../fingering';
import { maybeInRun, noWishes } from './key-wishes';
import { momentNames, type Around, type MomentName } from './moment-name';
import { momentsOf, type Moment } from './moments';
import { onwardCosts, wayOnward } from './onward';
import { ownCosts } from './own-costs';
import type { Onward, PostureSearch } from './search';
import { stageOf, type Stage } from './stages';
import { enteringAt, stepTo, type Step } from './step';
import { nameOfKeys, type StepKeys } from './step-keys';
import { groupWishes, soundingOf, type Wish } from './wish';
import { shapeWishes } from './wishes';

/** What is the same in every key: the moments, their postures and the wishes that rest on letters. */
export interface Ground {
  readonly through: Through;
  readonly wishes: readonly (readonly Wish[])[];
  /** What is left from each posture on, on white keys without anything that is asked: no way in any key is cheaper. */
  readonly onward: readonly Onward[];
  readonly best: readonly number[];
  /** What each grip of each moment costs by itself on those keys. */
  readonly own: readonly Float64Array[];
}

/** So many players are kept in mind for a passage: what is laid out for one is large. */
const KEPT_GROUNDS = 2;

const groundsOf = memoOf((_: Passage) => memo<Ground>(KEPT_GROUNDS));

/** The ground of a hand for a player. */
export function groundOf(passage: Passage, player: Player): Ground {
  return groundsOf(passage).get(JSON.stringify(player), () => layGround(passage, player));
}

function layGround(passage: Passage, player: Player): Ground {
  const moments = momentsOf(passage);
  const mirror = passage.hand === 'left' ? -1 : 1;
  const part = {
    hand: passage.hand,
    tonicHand: player.tonicHand,
    tonic: mirror * passage.tonic,
    low: moments.reduce((low, moment) => Math.min(low, ...moment.letters), Infinity),
    high: moments.reduce((high, moment) => Math.max(high, ...moment.letters), -Infinity),
  };
  const wishes = groupWishes(shapeWishes(passage, soundingOf(passage.hand, moments), player), moments.length);
  const stages = moments.map((moment) => stageOf(passage, moment, () => null));
  const none = passage.notes.map(() => null);
  const plain = { passage, midis: null, player, printed: none, decided: null, own: null, isHome: false };
  const bare = { ...noWishes(moments.length), black: new Uint8Array(passage.notes.length) };
  const maybe = maybeInRun(passage, moments, player);
  const through = throughOf({ passage, player, part }, moments, stages);
  const own = stages.map((stage, t) => ownCosts(plain, stage, wishes[t] as readonly Wish[], { ...bare, t }));
  const runs = stages.map((_, t) => maybe[t - 1] === 1 && maybe[t] === 1);
  const search: PostureSearch = {
    stages,
    entering: through.entering,
    own,
    steps: runs.map((isRun, t) => stepAt(through, t, { isRun, isFree: false, black: 'least' })),
  };
  const onward = onwardCosts(
    search,
    through.names.map(({ step }, t) => `${step}/${runs[t]}/${own[t]?.join()}`),
  );
  return { through, wishes, onward, best: wayOnward(search, onward), own };
}

/** What postures and steps cost comes again and again: in other keys, after an edit, in bars that are alike. */
const enterings = lastingMemo<Float64Array>(6000);
const steps = lastingMemo<Step>(16000);

/** The way through a hand: one entry a moment in each list. */
export interface Through extends Around {
  readonly moments: readonly Moment[];
  readonly stages: readonly Stage[];
  readonly names: readonly MomentName[];
  /** What each posture costs to take. */
  readonly entering: readonly Float64Array[];
}

export function throughOf(around: Around, moments: readonly Moment[], stages: readonly Stage[]): Through {
  const names = momentNames(around, moments, stages);
  const entering = stages.map((stage, t) =>
    enterings.get((names[t] as MomentName).entering, () =>
      enteringAt(around.part, around.player, moments[t] as Moment, stage),
    ),
  );
  return { ...around, moments, stages, names, entering };
}

/** The step to a moment; null at the first. */
export function stepAt({ moments, stages, names, entering, ...around }: Through, t: number, on: StepKeys): Step | null {
  const [before, now] = [stages[t - 1], stages[t]];
  if (!before || !now) return null;
  return steps.get(`${(names[t] as MomentName).step}${nameOfKeys(on)}`, () =>
    stepTo(around, moments[t] as Moment, { before, now, entering: entering[t] as Float64Array }, on),
  );
}
