import { planHand, positionsOf, realView, type HandPosition, type Player } from '../finger';
import type { HandGround } from '../force';
import { isBlackKey } from '../keyboard';
import { intervalSemitones, intervalSteps, intervalToKey, keyText, namePrint, signatureAlter, signatureOf, type Interval, type Key, type Step } from '../pitch';
import type { FitHand, FitKey, PieceFit } from '../survey';
import { ladderKeys } from './ladder';
import type { OpenedPiece } from './open-piece';
import { groundsOf } from './play-hands';

/** How a piece lies in the fifteen keys of its mode, as far as the whole shelf is asked about it: where the hands sit and which fingers are
 * on black keys. What forces a change is not worked out here: that is asked of one piece at a time. */
export function fitPiece(piece: OpenedPiece, id: string, player: Player): PieceFit {
  const own = piece.key.key;
  const grounds = groundsOf(piece, player);
  return { piece: id, title: piece.score.title, own: keyText(own), keys: ladderKeys(piece, own.mode).map((key) => fitIn(grounds, own, key)) };
}

function fitIn(grounds: readonly HandGround[], own: Key, to: Key): FitKey {
  const interval = intervalToKey(own, to, 'nearest');
  const hands = grounds.map((ground) => fitHand(ground, interval, to));
  return { key: keyText(to), hands: hands.map(({ hand }) => hand), limits: hands.reduce((sum, { limits }) => sum + limits, 0) };
}

function fitHand({ passage, demands, kept, isPrinted }: HandGround, interval: Interval, to: Key): { readonly hand: FitHand; readonly limits: number } {
  const semitones = intervalSemitones(interval);
  const midis = passage.notes.map(({ note }) => note.midi + semitones);
  const plan = planHand(passage, realView(passage, midis), demands, { fingering: kept, isPrinted });
  const positions = positionsOf(plan);
  const onBlack = new Set(plan.fingering.flatMap((finger, i) => (finger !== null && isBlackKey(midis[i] as number) ? [finger] : [])));
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
}

/** The lowest letter of a position in the new key, as the signature there has it. */
function nameOf({ lowest }: HandPosition, interval: Interval, to: Key): string {
  const letter = lowest + intervalSteps(interval);
  const step = (((letter % 7) + 7) % 7) as Step;
  return namePrint({ step, alter: signatureAlter(signatureOf(to), step) });
}
