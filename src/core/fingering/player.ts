import { lastingMemo } from '../base';
import { USUAL_SPAN_MM } from '../keyboard';
import { handMeasure, type HandMeasure } from './hand-measure';
import { EDIT, EDIT_OPENS, RULES, WEIGHTS, type Rule } from './rules.table';

/** What a pupil may be asked for: 1 stays in one closed position, 2 moves between closed positions, 3 opens the hand and changes
 * finger on a repeated key, 4 crosses. */
export const LEVELS = [1, 2, 3, 4] as const;
export type Level = (typeof LEVELS)[number];

/** The level from which a pupil crosses. Source: the fingering model, section 5. */
export const CROSSING_LEVEL: Level = 4;

/** The level at which only such chords open the hand. */
export const CLOSE_CHORD_LEVEL: Level = 2;

/** Finger 1 or 5 on a black key in a fixed position: allowed and flagged, or avoided (handbook, where teachers disagree). */
export const OUTER_SCHOOLS = ['allow', 'avoid'] as const;
export type OuterSchool = (typeof OUTER_SCHOOLS)[number];

/** The finger beside 5 in octave chords: 4 up to a third, else 3; or 3 where it falls on a black key. */
export const INNER_SCHOOLS = ['interval', 'black'] as const;
export type InnerSchool = (typeof INNER_SCHOOLS)[number];

/** A repeated key: the same finger, unless a change moves the hand to where it must be; or another one each time. */
export const REPEAT_SCHOOLS = ['keep', 'change'] as const;
export type RepeatSchool = (typeof REPEAT_SCHOOLS)[number];

/** From which level on chords of three keys in close position open the hand by a step: C-F-A and B-F-G beside C-E-G (handbook, where teachers disagree). */
export const CLOSE_CHORD_SCHOOLS = ['level-2', 'level-3'] as const;
export type CloseChordSchool = (typeof CLOSE_CHORD_SCHOOLS)[number];

/** Where a hand has a few notes from the tonic up, or holds it: the left hand's fifth finger or the right thumb lies on the tonic, as in the five-finger
 * position; or the nearest fingers play it (handbook, where teachers disagree). */
export const TONIC_HANDS = ['tonic', 'nearest'] as const;
export type TonicHand = (typeof TONIC_HANDS)[number];

/** The left hand's root with its fifth, then with its sixth: the hand is open from the start, 5-2 and 5-1; or the thumb moves, 5-1 twice (handbook, where
 * teachers disagree). */
export const FIFTH_SIXTH_SCHOOLS = ['open', 'move'] as const;
export type FifthSixthSchool = (typeof FIFTH_SIXTH_SCHOOLS)[number];

/** How much a matter counts for this teacher. */
export const DIALS = ['less', 'usual', 'more'] as const;
export type Dial = (typeof DIALS)[number];

/** Who plays, and by which school. */
export interface Player {
  readonly level: Level;
  /** From the tip of finger 1 to the tip of finger 5. Unit: mm. */
  readonly spanMm: number;
  readonly outer: OuterSchool;
  readonly inner: InnerSchool;
  readonly repeat: RepeatSchool;
  readonly closeChords: CloseChordSchool;
  readonly tonicHand: TonicHand;
  readonly fifthSixth: FifthSixthSchool;
  /** How firmly the thumb is kept off black keys. */
  readonly thumbOffBlack: Dial;
  /** How firmly printed fingers are kept. */
  readonly keepPrinted: Dial;
  /** How readily the hand moves rather than stretches. */
  readonly moveOverStretch: Dial;
}

export const USUAL_PLAYER: Player = {
  level: 4,
  spanMm: USUAL_SPAN_MM,
  outer: 'allow',
  inner: 'interval',
  repeat: 'keep',
  closeChords: 'level-2',
  tonicHand: 'tonic',
  fifthSixth: 'open',
  thumbOffBlack: 'usual',
  keepPrinted: 'usual',
  moveOverStretch: 'usual',
};

/** What a dial does to the weights it stands for. Our own choice: two clicks apart are a factor of four. */
export const DIAL_FACTOR: Readonly<Record<Dial, number>> = { less: 0.5, usual: 1, more: 2 };

/** Under `avoid` thumb and fifth finger on black weigh twice. Source: the project's fingering model. */
const AVOID_FACTOR = 2;

/** Under `change`, the same finger on a repeated key costs more than any other change of finger there. Our own choice. */
const SAME_FINGER_AGAIN = 8;

/** How many letters beyond five the hand may open in one position. Source: the fingering model, section 5: none at levels 1 and 2
 * (one where the piece has altered notes), two at level 3, an octave at level 4. */
export function widestOpening(level: Level, isChromatic: boolean): number {
  if (level <= 2) return isChromatic ? 1 : 0;
  return level === 3 ? 2 : 3;
}

/** A player in the planner's own terms. */
export interface Demands {
  readonly player: Player;
  readonly measure: HandMeasure;
  /** One entry a rule, in the order of `RULES`. */
  readonly weights: Float64Array;
  readonly edit: number;
  readonly editOpens: number;
}

/** `base` are the weights to begin from: other ones than usual only in measurements of the planner itself. */
export function demandsOf(player: Player, base: Readonly<Record<Rule, number>> = WEIGHTS): Demands {
  const black = DIAL_FACTOR[player.thumbOffBlack] * (player.outer === 'avoid' ? AVOID_FACTOR : 1);
  const printed = DIAL_FACTOR[player.keepPrinted];
  const stretching = DIAL_FACTOR[player.moveOverStretch];
  const isEarly = player.level <= 2;
  const factor: Partial<Readonly<Record<Rule, number>>> = {
    thumbBlack: black,
    thumbBlackNeighbour: black,
    fiveBlackNeighbour: black,
    stretch: stretching,
    large: stretching,
    largeThumb: stretching,
    open: stretching * (isEarly ? 2 : 1),
    change: player.repeat === 'change' ? 0 : 1,
    changeLetters: player.repeat === 'change' ? 0 : 1,
  };
  const extra: Partial<Readonly<Record<Rule, number>>> = { repeat: player.repeat === 'change' ? SAME_FINGER_AGAIN : 0 };
  const weights = Float64Array.from(RULES, (rule) => base[rule] * (factor[rule] ?? 1) + (extra[rule] ?? 0));
  return {
    player,
    measure: handMeasure(player.spanMm),
    weights,
    edit: EDIT * printed,
    editOpens: EDIT_OPENS * printed,
  };
}

/** So many players are kept in mind. A piece that cannot be played is tried with a dozen reaches and levels. */
const demandsByPlayer = lastingMemo<Demands>(40);

/** The demands of a player by the usual weights: the same object each time while it is kept in mind, so that what was worked out for it counts again. */
export function demandsFor(player: Player): Demands {
  return demandsByPlayer.get(JSON.stringify(player), () => demandsOf(player));
}
