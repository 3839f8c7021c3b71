import type { Finger, Hand } from '../score';
import type { KeyboardSize } from '../keyboard';
import type { Pitch } from '../pitch';

/** How much a flag weighs: `must` cannot be played so, `should` is much better otherwise, `watch` is to be known. */
export const SEVERITIES = ['must', 'should', 'watch'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Something the player should know: its kind with the evidence, how much it weighs, and the place.
 * The sentences are made in `explain/`. */
export interface Flag {
  readonly evidence: FlagEvidence;
  readonly severity: Severity;
  readonly hand: Hand;
  readonly bar: string;
  readonly bars: readonly string[];
  readonly beat: number;
  readonly notes: readonly string[];
  readonly byBlackKey: boolean;
  /** Whether the piece gave the same cause for care before it was moved. */
  readonly wasThere: boolean;
}

export type FlagEvidence =
  | { readonly kind: 'thumb-on-black' | 'fifth-on-black' | 'fourth-on-black'; readonly finger: Finger; readonly key: Pitch; readonly school: OuterSchool }
  | { readonly kind: 'double-duty'; readonly finger: Finger; readonly keys: readonly Pitch[] }
  | { readonly kind: 'shared-key'; readonly key: Pitch; readonly isHeld: boolean }
  | { readonly kind: 'ledger-lines'; readonly lines: number }
  | { readonly kind: 'double-accidental'; readonly pitch: Pitch }
  | { readonly kind: 'hands-overlap'; readonly right: Pitch; readonly left: Pitch }
  | { readonly kind: 'off-keyboard'; readonly pitch: Pitch; readonly keyboard: KeyboardSize };

export type FlagKind = FlagEvidence['kind'];

/** Finger 1 or 5 on a black key in a fixed position: allowed and flagged, or avoided (handbook, where teachers disagree). */
export const OUTER_SCHOOLS = ['allow', 'avoid'] as const;
export type OuterSchool = (typeof OUTER_SCHOOLS)[number];
