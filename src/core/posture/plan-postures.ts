import { memo, memoOf } from '../base';
import { CROSSING_LEVEL, DIAL_FACTOR, isKnown, type Fingering, type Passage, type Player } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Finger } from '../score';
import { keyWishes, maybeInRun, type KeyWishes } from './key-wishes';
import { momentsOf, type Moment } from './moments';
import { costOfPath, onwardCosts, wayOnward } from './onward';
import { searchPostures, type Bounds, type PosturePath, type PostureSearch } from './search';
import { enteringAt, keysAt, nameOfKeys, stepTo, type Step, type StepKeys } from './step';
import type { Part } from './place';
import { stageOf, type Stage } from './stages';
import { POSTURE, SCHOOL } from './weights.table';
import { shapeWishes, soundingOf, type Wish } from './wishes';

/** What postures are planned for. */
export interface PostureAsk {
  readonly passage: Passage;
  /** The sounding key of each note; null for white keys under all letters. */
  readonly midis: readonly number[] | null;
  readonly player: Player;
  /** Printed fingers, and those that the teacher decided on. */
  readonly printed: Fingering;
  readonly decided: Fingering | null;
  /** Fingers from which the plan departs only where others are worth it: in other keys those of the piece's own. */
  readonly own: Fingering | null;
  /** The postures that belong to them, where they are known. */
  readonly ownPlaces?: readonly number[];
  /** Whether this is the piece's own key. */
  readonly isHome: boolean;
}

export interface PosturePlan {
  readonly fingering: Fingering;
  readonly path: PosturePath;
}

/** Plans the postures of a hand. Errors: none; what no usual posture reaches is played with one made for it. */
export function planPostures(ask: PostureAsk): PosturePlan {
  const { search, bounds } = postureSearch(ask);
  const path = searchPostures(search, bounds);
  return { fingering: fingeringOf(ask.passage, search.stages, path), path };
}

/** The search for a plan, and what is known of it before; null where nothing is. */
export function postureSearch(ask: PostureAsk): { readonly search: PostureSearch; readonly bounds: Bounds | null } {
  const { passage, midis, player } = ask;
  const ground = groundOf(passage).get(JSON.stringify(player), () => layGround(passage, player));
  const { moments } = ground;
  const own = midis ? keyWishes(passage, moments, midis, ask) : noWishes(moments.length);
  const black = midis
    ? Uint8Array.from(midis, (midi) => Number(isBlackKey(midi)))
    : new Uint8Array(passage.notes.length);
  const wanted = (note: number): number | null => ask.decided?.[note] ?? ask.printed[note] ?? null;
  const isWanted = [ask.decided, ask.printed].some((fingers) => fingers !== null && isKnown(fingers));
  const stages = isWanted ? moments.map((moment) => stageOf(passage, moment, wanted)) : ground.stages;
  const at = { ...own, black };
  const wishesAt = groupWishes(own.wishes, moments.length);
  const setting = { passage, player };
  const entering = isWanted ? enteringAll(ground.part, player, moments, stages) : ground.entering;
  const search: PostureSearch = {
    stages,
    entering,
    own: stages.map((stage, t) =>
      ownCosts(ask, stage, [...(ground.wishes[t] as readonly Wish[]), ...(wishesAt[t] as readonly Wish[])], {
        ...at,
        t,
      }),
    ),
    steps: stages.map((now, t) => {
      const before = stages[t - 1];
      if (!before) return null;
      const known = before.form === ground.stages[t - 1]?.form && now.form === ground.stages[t]?.form;
      const on = keysAt([before, now], black, [own.inRun[t - 1] as number, own.inRun[t] as number]);
      return known ? ground.stepAt(t, on) : stepTo(setting, moments[t] as Moment, [before, now], entering[t] as Float64Array, on);
    }),
  };
  const isBound = !own.inRun.includes(2) && stages.every((stage, t) => stage.form === ground.stages[t]?.form);
  return { search, bounds: isBound ? boundsFor(ground, search, ask.ownPlaces) : null };
}

/** What is the same in every key: the moments, their postures and the wishes that rest on letters. */
interface Ground {
  readonly moments: readonly Moment[];
  readonly part: Part;
  readonly wishes: readonly (readonly Wish[])[];
  readonly stages: readonly Stage[];
  readonly entering: readonly Float64Array[];
  /** What is left from each posture on, on white keys without anything that is asked: no way in any key is cheaper. */
  readonly onward: readonly Float64Array[];
  readonly best: readonly number[];
  /** What each grip of each moment costs by itself on those keys. */
  readonly own: readonly Float64Array[];
  /** The step to a moment on some keys: the same few come in all keys. */
  readonly stepAt: (t: number, on: StepKeys) => Step;
}

/** A step is one of so many: in no run, in one or in half steps, and each of its two keys white or black. */
const STEP_KINDS = 12;

/** So many players are kept in mind for a passage: what is laid out for one is large. */
const KEPT_GROUNDS = 2;

const groundOf = memoOf((_: Passage) => memo<Ground>(KEPT_GROUNDS));

function layGround(passage: Passage, player: Player): Ground {
  const moments = momentsOf(passage);
  const mirror = passage.hand === 'left' ? -1 : 1;
  const part = {
    hand: passage.hand,
    tonic: mirror * passage.tonic,
    low: moments.reduce((low, moment) => Math.min(low, ...moment.letters), Infinity),
    high: moments.reduce((high, moment) => Math.max(high, ...moment.letters), -Infinity),
  };
  const wishes = groupWishes(shapeWishes(passage, soundingOf(passage.hand, moments), player.level), moments.length);
  const stages = moments.map((moment) => stageOf(passage, moment, () => null));
  const none = passage.notes.map(() => null);
  const plain = { passage, midis: null, player, printed: none, decided: null, own: null, isHome: false };
  const bare = { ...noWishes(moments.length), black: new Uint8Array(passage.notes.length) };
  const setting = { passage, player };
  const maybe = maybeInRun(passage, moments, player);
  const entering = enteringAll(part, player, moments, stages);
  const stepAt = (t: number, on: StepKeys): Step =>
    stepTo(setting, moments[t] as Moment, [stages[t - 1] as Stage, stages[t] as Stage], entering[t] as Float64Array, on);
  const search: PostureSearch = {
    stages,
    entering,
    own: stages.map((stage, t) => ownCosts(plain, stage, wishes[t] as readonly Wish[], { ...bare, t })),
    steps: stages.map((_, t) => {
      const isRun = maybe[t - 1] === 1 && maybe[t] === 1;
      return t === 0 ? null : stepAt(t, { isRun, isFree: false, black: 'least' });
    }),
  };
  const onward = onwardCosts(search);
  const steps = memo<Step>(STEP_KINDS * stages.length);
  return {
    moments,
    part,
    wishes,
    stages,
    entering,
    onward,
    best: wayOnward(search, onward),
    own: search.own,
    stepAt: (t, on) => steps.get(`${t}${nameOfKeys(on)}`, () => stepAt(t, on)),
  };
}

function enteringAll(
  part: Part,
  player: Player,
  moments: readonly Moment[],
  stages: readonly Stage[],
): readonly Float64Array[] {
  return stages.map((stage, t) => enteringAt(part, player, moments[t] as Moment, stage));
}

/** A way that is good on white keys is a way in every key. What the grips of a moment cost more than on white keys, whichever is taken, is still to be paid. */
function boundsFor({ onward, best, own: bare }: Ground, search: PostureSearch, own: readonly number[] | undefined): Bounds {
  const known = own ? [best, own] : [best];
  const more = search.own.map((costs, t) =>
    costs.reduce((low, cost, grip) => Math.min(low, cost - ((bare[t] as Float64Array)[grip] as number)), Infinity),
  );
  const ahead = more.map(() => 0);
  for (let t = more.length - 2; t >= 0; t -= 1) ahead[t] = (ahead[t + 1] as number) + (more[t + 1] as number);
  return { onward, ahead, most: Math.min(...known.map((places) => costOfPath(search, places))) };
}

function noWishes(moments: number): KeyWishes {
  return { wishes: [], inRun: new Uint8Array(moments), allBlack: false };
}

function groupWishes(wishes: readonly Wish[], moments: number): readonly (readonly Wish[])[] {
  const at = Array.from({ length: moments }, (): Wish[] => []);
  for (const wish of wishes) at[wish.t]?.push(wish);
  return at;
}

interface At extends KeyWishes {
  readonly black: Uint8Array;
  readonly t: number;
}

/** What a teacher decided on is played whatever it costs. */
const DECIDED = 1000;

function ownCosts(
  ask: PostureAsk,
  stage: Stage,
  wishes: readonly Wish[],
  { black, inRun, allBlack, t }: At,
): Float64Array {
  const binding = ask.player.outer === 'avoid' ? SCHOOL.avoidBinding : 1;
  return Float64Array.from(stage.form.grips, (fingers) => {
    let cost = 0;
    let differs = false;
    for (let i = 0; i < stage.struck; i += 1) {
      const note = stage.notes[i] as number;
      const finger = fingers[i] as number;
      cost += fingerCost(finger, black[note] === 1, allBlack && stage.notes.length === 1, ask.player);
      const printed = ask.printed[note] ?? null;
      const decided = ask.decided?.[note] ?? null;
      if (decided !== null) cost += decided === finger ? 0 : DECIDED;
      else if (printed !== null && printed !== finger)
        cost += ask.isHome
          ? POSTURE.printed
          : inRun[t]
            ? 0
            : POSTURE.printedElsewhere * binding * DIAL_FACTOR[ask.player.keepPrinted];
      const own = ask.own?.[note] ?? null;
      if (own !== null && own !== finger) differs = true;
    }
    if (differs && !inRun[t]) cost += POSTURE.elsewhere * binding;
    for (const { fingers: masks, weight } of wishes)
      if (masks.some((mask, i) => (mask & (1 << ((fingers[i] as number) - 1))) === 0)) cost += weight;
    return cost;
  });
}

/** What a finger costs on its key. A thumb or a fifth finger on black is hardly more in a hand that stays: what lies around it decides. */
function fingerCost(finger: number, isBlack: boolean, allBlack: boolean, player: Player): number {
  const weak = finger === 4 ? POSTURE.four : finger === 5 ? POSTURE.five : 0;
  if (!isBlack || (finger !== 1 && finger !== 5)) return weak;
  const dial = DIAL_FACTOR[player.thumbOffBlack];
  const avoided = player.outer === 'avoid' ? (finger === 1 ? SCHOOL.avoidThumb : SCHOOL.avoidFive) * dial : 0;
  if (allBlack) return weak + avoided + (finger === 1 ? POSTURE.allBlackThumb : POSTURE.allBlackFive);
  if (finger === 5) return weak + avoided + POSTURE.fiveBlack;
  return (
    weak + avoided + dial * (POSTURE.thumbBlack + (player.level >= CROSSING_LEVEL ? POSTURE.thumbBlackCrossing : 0))
  );
}

function fingeringOf(passage: Passage, stages: readonly Stage[], { places }: PosturePath): Fingering {
  const fingering: (Finger | null)[] = passage.notes.map(() => null);
  stages.forEach((stage, t) => {
    const fingers = stage.form.grips[stage.form.gripOf[places[t] as number] as number] as readonly number[];
    for (let i = 0; i < stage.struck; i += 1) fingering[stage.notes[i] as number] = fingers[i] as Finger;
  });
  return fingering;
}
