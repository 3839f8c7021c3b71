import type { Wording } from '@/core/explain';
import type { Player } from '@/core/fingering';
import type { Courtesy } from '@/core/notation';
import type { Decisions, Fingering } from '@/core/piece';
import type { KeyboardSize } from '@/core/keyboard';
import type { Direction } from '@/core/pitch';
import type { OwnStage } from '@/core/stages';
import type { DegreeForm, Spelling } from '@/core/transpose';

/** Which piece is meant: its MusicXML as it was brought in, and what the teacher says of its key. */
export interface PieceSource {
  readonly musicXml: string;
  readonly ownKey: string | null;
  /** The pupil's part, by its id; null for the first with two staves. */
  readonly part: string | null;
  /** The stage that is meant; none for the whole piece. */
  readonly stage?: StageSource | null | undefined;
}

/** A stage of a piece: its id, what it is where a teacher made it, and the fingers that were put into it. */
export interface StageSource {
  readonly id: string;
  readonly own: OwnStage | null;
  readonly fingers: Decisions['fingers'];
}

/** What becomes of the fingers on the screens: new ones where the hand needs them, or the printed ones as they are. */
export const FINGERS_WANTED = ['plan', 'keep'] as const satisfies readonly Fingering[];
export type FingersWanted = (typeof FINGERS_WANTED)[number];

/** How the piece is wanted. */
export interface BenchOptions {
  readonly to: string | null;
  readonly direction: Direction;
  readonly octaveRight: number;
  readonly octaveLeft: number;
  readonly spelling: Spelling;
  readonly courtesy: Courtesy;
  readonly sixth: DegreeForm;
  readonly seventh: DegreeForm;
  readonly fingering: FingersWanted;
  /** Who plays, and by which school. */
  readonly player: Player;
  readonly keyboard: KeyboardSize;
  /** Ids of notes under the other letter. */
  readonly respelled: readonly string[];
  /** What the teacher decided of this piece for this pupil, in all keys. */
  readonly decisions: Decisions;
  /** How the teacher calls things. */
  readonly wording: Wording;
}
