import type { Hand } from '../../score';

/** How far from the page somebody played: so many letters, and half steps where the distance was the same everywhere; null where each letter was as the signature
 * has it. Higher is positive. */
export interface Shift {
  readonly letters: number;
  readonly halfSteps: number | null;
}

/** A stretch of what is asked, as places in its list of bars: a bar that is repeated has a place each time. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** One reason for much that goes wrong. `transposed`: all of it, or a hand, somewhere else on the keyboard; `hand-late`: a hand behind the other by so many quarter
 * notes, ahead of it below 0; `one-hand`: a hand that was not played at all. */
export type Cause = Stretch &
  (
    | { readonly kind: 'transposed'; readonly hand: Hand | null; readonly shift: Shift }
    | { readonly kind: 'hand-late'; readonly hand: Hand; readonly quarters: number }
    | { readonly kind: 'one-hand'; readonly hand: Hand }
  );
