import { struckAt } from '../fingering';
import { isUnsuitable, type PlayedHand } from '../flags';
import { easierVersion, forcedMoves, whyNotPlayable } from '../forced';
import type { Remark } from '../base';
import type { HandNote } from '../score';

/** What is to be said of whole hands: that one cannot play the piece so, and what would make it so; moves that are spared. */
export function handRemarks(hands: readonly PlayedHand[]): readonly Remark[] {
  return hands.flatMap((hand) => [...playableRemarks(hand), ...sparedRemarks(hand)]);
}

function playableRemarks({ study, played, notes }: PlayedHand): readonly Remark[] {
  const { passage, demands } = study.baseline;
  if (played.limits === 0) return [];
  const midis = notes.map(({ midi }) => midi);
  const why = whyNotPlayable(passage, midis, demands.player);
  if (!why) return [];
  const { bar } = notes[struckAt(passage, why.event)[0] as number] as HandNote;
  return [
    {
      code: 'not-playable',
      hand: passage.hand,
      bar,
      limit: why.limit,
      level: why.level,
      spanMm: why.spanMm,
      atLevel: demands.player.level,
      isKeys: isUnsuitable(study),
      easier: easierVersion(passage, midis, demands.player),
    },
  ];
}

function sparedRemarks({ study, played, notes }: PlayedHand): readonly Remark[] {
  if (played !== study.plan || study.plan === study.keptPlan) return [];
  const bars = forcedMoves(study).removed.map(
    (t) => (notes[struckAt(study.baseline.passage, t)[0] as number] as HandNote).bar,
  );
  return bars.length === 0
    ? []
    : [{ code: 'moves-spared', hand: study.baseline.passage.hand, bars: [...new Set(bars)] }];
}
