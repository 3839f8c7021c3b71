import { isKnown, type Fingering, type Passage } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Finger } from '../score';
import { groundOf, stepAt, throughOf, type Ground, type Through } from './ground';
import { keyWishes, noWishes } from './key-wishes';
import { costOfPath } from './onward';
import type { PostureAsk } from './posture-ask';
import { ownCosts } from './own-costs';
import { searchPostures, type Bounds, type PosturePath, type PostureSearch } from './search';
import { stageOf, type Stage } from './stages';
import { keysAt } from './step-keys';
import { groupWishes, type Wish } from './wish';

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
  const ground = groundOf(passage, player);
  const { moments } = ground.through;
  const own = midis ? keyWishes(passage, moments, midis, ask) : noWishes(moments.length);
  const black = midis
    ? Uint8Array.from(midis, (midi) => Number(isBlackKey(midi)))
    : new Uint8Array(passage.notes.length);
  const through = throughFor(ground, ask);
  const { stages } = through;
  const wishesAt = groupWishes(own.wishes, moments.length);
  const search: PostureSearch = {
    stages,
    entering: through.entering,
    own: stages.map((stage, t) => {
      const wishes = [...(ground.wishes[t] as readonly Wish[]), ...(wishesAt[t] as readonly Wish[])];
      return ownCosts(ask, stage, wishes, { ...own, black, t });
    }),
    steps: stages.map((now, t) => {
      const runs = [own.inRun[t - 1] ?? 0, own.inRun[t] as number] as const;
      return stepAt(through, t, keysAt([stages[t - 1] ?? now, now], black, runs));
    }),
  };
  const isBound = !own.inRun.includes(2) && stages.every((stage, t) => stage.form === ground.through.stages[t]?.form);
  return { search, bounds: isBound ? boundsFor(ground, search, ask.ownPlaces) : null };
}

/** Chords whose fingers are printed or decided can be played with them in any case. */
function throughFor({ through }: Ground, { decided, printed }: PostureAsk): Through {
  if (![decided, printed].some((fingers) => fingers !== null && isKnown(fingers))) return through;
  const wanted = (note: number): number | null => decided?.[note] ?? printed[note] ?? null;
  const { passage, moments } = through;
  return throughOf(
    through,
    moments,
    moments.map((moment) => stageOf(passage, moment, wanted)),
  );
}

/** A way that is good on white keys is a way in every key. What the grips of a moment cost more than on white keys, whichever is taken, is still to be paid. */
function boundsFor(
  { onward, best, own: bare }: Ground,
  search: PostureSearch,
  own: readonly number[] | undefined,
): Bounds {
  const known = own ? [best, own] : [best];
  const more = search.own.map((costs, t) =>
    costs.reduce((low, cost, grip) => Math.min(low, cost - ((bare[t] as Float64Array)[grip] as number)), Infinity),
  );
  const ahead = more.map(() => 0);
  for (let t = more.length - 2; t >= 0; t -= 1) ahead[t] = (ahead[t + 1] as number) + (more[t + 1] as number);
  return { onward, ahead, most: Math.min(...known.map((places) => costOfPath(search, places))) };
}

function fingeringOf(passage: Passage, stages: readonly Stage[], { places }: PosturePath): Fingering {
  const fingering: (Finger | null)[] = passage.notes.map(() => null);
  stages.forEach((stage, t) => {
    const fingers = stage.form.grips[stage.form.gripOf[places[t] as number] as number] as readonly number[];
    for (let i = 0; i < stage.struck; i += 1) fingering[stage.notes[i] as number] = fingers[i] as Finger;
  });
  return fingering;
}
