import type { AskedMusic } from '../asked';
import type { Hand } from '../score';
import type { NextThing } from './judgement';
import type { PlayFault, PlayFaultKind } from './play-fault';

/** How much there is to do about a fault. Source: our own choice; a hand that sits wrong first, then what is not known, then what only slipped. */
const WEIGHT: Readonly<Record<PlayFaultKind, number>> = {
  'old-position': 4,
  'finger-off': 4,
  transposed: 5,
  'one-hand': 5,
  'hand-late': 5,
  'forgot-signature': 3,
  'forgot-accidental': 3,
  stopped: 3,
  'other-hand': 3,
  hesitation: 2,
  missing: 2,
  'wrong-key': 2,
  'neighbour-key': 2,
  octave: 2,
  'spread-chord': 1,
  late: 1,
  early: 1,
  extra: 1,
  'too-short': 0,
  'too-long': 0,
  corrected: 0,
};

/** What has to be found before anything is played. */
const FIND_FIRST: readonly PlayFaultKind[] = [
  'old-position',
  'finger-off',
  'forgot-signature',
  'forgot-accidental',
  'octave',
  'other-hand',
  'transposed',
];
const SLOWLY: readonly PlayFaultKind[] = ['hesitation', 'stopped', 'late', 'early', 'spread-chord', 'hand-late'];

/** A drill is no longer than this. Unit: bars. */
const MOST_BARS = 4;
/** How much slower a drill is. Common practice. */
const SLOWER = 0.75;

/** The one thing to do next: the bars in which there is most to do, with the hand that needs it. Null where nothing went wrong. */
export function nextThing(music: AskedMusic, faults: readonly PlayFault[], bpm: number | null): NextThing | null {
  if (faults.length === 0) return null;
  const bars = [...new Set(faults.map(({ barIndex }) => barIndex))].sort((a, b) => a - b);
  const weightOf = (bar: number): number =>
    faults.filter(({ barIndex }) => barIndex === bar).reduce((sum, { kind }) => sum + WEIGHT[kind], 0);
  const worst = bars.reduce((most, bar) => (weightOf(bar) > weightOf(most) ? bar : most), bars[0] as number);
  let [from, to] = [worst, worst];
  // Bars beside it with faults of their own belong to it, as far as a drill goes.
  for (let grown = true; grown && to - from + 1 < MOST_BARS;) {
    grown = bars.includes(to + 1);
    if (grown) to += 1;
    else if (bars.includes(from - 1)) {
      from -= 1;
      grown = true;
    }
  }
  const cause = faults.find(({ barIndex, stretch }) => barIndex === worst && stretch !== null)?.stretch;
  if (cause) [from, to] = [worst, Math.min(cause.toBarIndex, worst + MOST_BARS - 1)];
  const inside = faults.filter(({ barIndex }) => barIndex >= from && barIndex <= to);
  const about = inside.reduce((most, fault) => (WEIGHT[fault.kind] > WEIGHT[most.kind] ? fault : most));
  // A hand that was heard and not asked for is not the one to practise.
  const asked = new Set(music.notes.map(({ hand }) => hand));
  const hands = asked.size === 1 ? asked : new Set(inside.map(handToPractise));
  const [only] = hands;
  return {
    from: numberOf(music, from),
    to: numberOf(music, to),
    fromIndex: from,
    toIndex: to,
    hand: hands.size === 1 && only ? only : 'both',
    bpm: bpm === null ? null : Math.round(bpm * SLOWER),
    way: wayOf(about.kind, bars.length === 1 && faults.length === 1),
    about,
  };
}

/** Hands that are apart are put together again. */
function handToPractise({ kind, hand }: PlayFault): Hand | null {
  return kind === 'hand-late' ? null : hand;
}

function wayOf(kind: PlayFaultKind, isOnly: boolean): NextThing['way'] {
  if (FIND_FIRST.includes(kind)) return 'find-first';
  if (SLOWLY.includes(kind)) return 'slowly';
  return isOnly ? 'through' : 'slowly';
}

function numberOf({ bars }: AskedMusic, index: number): string {
  return bars.find((bar) => bar.index === index)?.number ?? String(index + 1);
}
