import { CROSSING_LEVEL, DIAL_FACTOR, type Player } from '../fingering';
import type { KeyWishes } from './key-wishes';
import type { PostureAsk } from './posture-ask';
import type { Stage } from './stages';
import { POSTURE, SCHOOL } from './weights.table';
import type { Wish } from './wish';

export interface OwnAt extends KeyWishes {
  readonly black: Uint8Array;
  readonly t: number;
}

/** What a teacher decided on is played whatever it costs. */
const DECIDED = 1000;

/** What each grip of a moment costs by itself: its fingers on their keys, those that are printed or decided, and those of its shapes. */
export function ownCosts(
  ask: Omit<PostureAsk, 'passage' | 'midis'>,
  stage: Stage,
  wishes: readonly Wish[],
  { black, inRun, allBlack, t }: OwnAt,
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
