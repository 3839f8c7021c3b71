import type { Fingering, Passage, Player } from '../fingering';

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
