import { positionsOf, type HandPlan, type HandPosition, type Player } from '../fingering';
import { planInKey, type HandBaseline } from '../forced';
import { isBlackKey } from '../keyboard';
import {
  intervalSemitones,
  intervalSteps,
  intervalToKey,
  keyText,
  namePrint,
  signatureAlter,
  signatureOf,
  type Interval,
  type Key,
  type Step,
} from '../pitch';
import type { FitHand, FitKey, PieceFit } from './fit';
import { ladderKeys } from './ladder-keys';
import { type OpenedPiece, baselinesOf } from '../piece';

/** How a piece lies in the fifteen keys of its mode, as far as the whole shelf is asked about it: where the hands sit and which fingers are
 * on black keys. What forces a change is not worked out here: that is asked of one piece at a time. */
export function fitPiece(piece: OpenedPiece, id: string, player: Player): PieceFit {
  const own = piece.key.key;
  const hands = baselinesOf(piece, player).map((baseline) => handFitter(baseline, own.tonic.step));
  const keys = ladderKeys(piece, own.mode).map((key): FitKey => {
    const interval = intervalToKey(own, key, 'nearest');
    const found = hands.map((fit) => fit(interval, key));
    return {
      key: keyText(key),
      hands: found.map(({ hand }) => hand),
      limits: found.reduce((sum, { limits }) => sum + limits, 0),
    };
  });
  return { piece: id, title: piece.score.title, own: keyText(own), keys };
}

interface FittedHand {
  readonly hand: FitHand;
  readonly limits: number;
}

/** Fits a hand into one key after the other. C♯ and D♭ are the same keys of the keyboard: they are planned once. */
function handFitter(baseline: HandBaseline, tonic: Step): (interval: Interval, to: Key) => FittedHand {
  const { passage } = baseline;
  const plans = new Map<number, HandPlan>();
  const planAt = (semitones: number): HandPlan => {
    const midis = passage.notes.map(({ note }) => note.midi + semitones);
    const plan = plans.get(semitones) ?? planInKey(baseline, midis);
    plans.set(semitones, plan);
    return plan;
  };
  return (interval, to) => {
    const semitones = intervalSemitones(interval);
    const plan = planAt(semitones);
    const positions = positionsOf(plan, tonic);
    const onBlack = new Set(
      plan.fingering.flatMap((finger, i) =>
        finger !== null && isBlackKey((passage.notes[i]?.note.midi ?? 0) + semitones) ? [finger] : [],
      ),
    );
    return {
      limits: plan.limits,
      hand: {
        hand: passage.hand,
        moves: Math.max(0, positions.length - 1),
        positions: [...new Set(positions.map((position) => nameOf(position, interval, to)))],
        onBlack: [...onBlack].toSorted((a, b) => a - b),
        opens: Math.max(0, ...positions.map(({ spread }) => spread)),
      },
    };
  };
}

/** The letter by which a position is named in the new key, as the signature there has it. */
function nameOf({ home }: HandPosition, interval: Interval, to: Key): string {
  const letter = home + intervalSteps(interval);
  const step = (((letter % 7) + 7) % 7) as Step;
  return namePrint({ step, alter: signatureAlter(signatureOf(to), step) });
}
