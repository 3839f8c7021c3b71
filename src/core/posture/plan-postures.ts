import type { Fingering, Passage, PassageNote } from '../fingering';
import { isBlackKey } from '../keyboard';
import type { Finger } from '../score';
import { keyWishes, type KeyWishes } from './key-wishes';
import { momentsOf, type Moment } from './moments';
import { searchPostures, type PosturePath } from './search';
import { stageOf, type Stage } from './stages';
import { POSTURE } from './weights.table';
import { shapeWishes, soundingOf, type Wish } from './wishes';

/** What postures are planned for. */
export interface PostureAsk {
  readonly passage: Passage;
  /** The sounding key of each note; null for white keys under all letters. */
  readonly midis: readonly number[] | null;
  readonly level: number;
  /** Printed fingers, and those that the teacher decided on. */
  readonly printed: Fingering;
  readonly decided: Fingering | null;
  /** The plan in the piece's own key; null there. */
  readonly own: Fingering | null;
}

export interface PosturePlan {
  readonly fingering: Fingering;
  readonly path: PosturePath;
  readonly stages: readonly Stage[];
}

export function planPostures(ask: PostureAsk): PosturePlan {
  const { passage, midis, level } = ask;
  const moments = momentsOf(passage, passage.ticksPerQuarter);
  const letters = moments.flatMap((moment) => moment.letters);
  const mirror = passage.hand === 'left' ? -1 : 1;
  const part = {
    hand: passage.hand,
    tonic: mirror * passage.tonic,
    low: Math.min(...letters),
    high: Math.max(...letters),
  };
  const ownWishes = midis ? keyWishes(passage, moments, midis, level) : noWishes(moments.length);
  const wishes = [
    ...shapeWishes(soundingOf(passage.hand, moments), level),
    ...ownWishes.wishes.filter(({ weight }) => ask.own === null || weight !== 1.5),
  ];
  const black = midis ? Uint8Array.from(midis, (midi) => Number(isBlackKey(midi))) : new Uint8Array(passage.notes.length);
  const wanted = (note: number): number | null => ask.decided?.[note] ?? ask.printed[note] ?? null;
  const stages = moments.map((moment) => stageOf(passage, moment, wanted));
  const wishesAt = groupWishes(wishes, moments.length);
  const own = stages.map((stage, t) => ownCosts(ask, stage, wishesAt[t] as readonly Wish[], { ...ownWishes, black, t }));
  const path = searchPostures({ passage, part, level, black, moments, stages, own, inRun: ownWishes.inRun });
  return { fingering: fingeringOf(passage, stages, path), path, stages };
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

const DECIDED = 1000;

function ownCosts(ask: PostureAsk, stage: Stage, wishes: readonly Wish[], { black, inRun, allBlack, t }: At): Float64Array {
  return Float64Array.from(stage.grips, (fingers) => {
    let cost = 0;
    let differs = false;
    for (let i = 0; i < stage.struck; i += 1) {
      const note = stage.notes[i] as number;
      const finger = fingers[i] as number;
      cost += fingerCost(finger, black[note] === 1, allBlack && stage.notes.length === 1, ask.level);
      const printed = ask.printed[note] ?? null;
      const decided = ask.decided?.[note] ?? null;
      if (decided !== null) cost += decided === finger ? 0 : DECIDED;
      else if (printed !== null && printed !== finger)
        cost += ask.own === null && ask.midis !== null ? POSTURE.printed : inRun[t] ? 0 : POSTURE.printedElsewhere;
      const own = ask.own?.[note] ?? null;
      if (own !== null && own !== finger) differs = true;
    }
    if (differs && !inRun[t]) cost += POSTURE.elsewhere;
    for (const { fingers: masks, weight } of wishes)
      if (masks.some((mask, i) => (mask & (1 << ((fingers[i] as number) - 1))) === 0)) cost += weight;
    return cost;
  });
}

function fingerCost(finger: number, isBlack: boolean, allBlack: boolean, level: number): number {
  const weak = finger === 4 ? POSTURE.four : finger === 5 ? POSTURE.five : 0;
  if (!isBlack || (finger !== 1 && finger !== 5)) return weak;
  if (allBlack) return weak + (finger === 1 ? POSTURE.allBlackThumb : POSTURE.allBlackFive);
  if (finger === 5) return weak + POSTURE.fiveBlack;
  return weak + POSTURE.thumbBlack + (level >= 4 ? POSTURE.thumbBlackCrossing : 0);
}

function fingeringOf(passage: Passage, stages: readonly Stage[], { places }: PosturePath): Fingering {
  const fingering: (Finger | null)[] = passage.notes.map(() => null);
  stages.forEach((stage, t) => {
    const fingers = stage.grips[stage.gripOf[places[t] as number] as number] as readonly number[];
    for (let i = 0; i < stage.struck; i += 1) fingering[stage.notes[i] as number] = fingers[i] as Finger;
  });
  return fingering;
}
export type { Moment, PassageNote };
