import type { Limit, OuterSchool } from '../fingering';
import type { Cause, Comparison } from '../forced';
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
  /** What a flag because of black keys rests on: the costs by rule, either way. */
  readonly costs: Comparison | null;
}

export type FlagEvidence =
  | {
      readonly kind: 'finger-change';
      /** The key of the first note. */
      readonly key: Pitch;
      /** Fingers in order of the flag's notes; null where a note has none. */
      readonly before: readonly (Finger | null)[];
      readonly after: readonly (Finger | null)[];
      readonly cause: Cause;
      /** By how much the old fingers are the harder; null where they cannot be played at all. */
      readonly gain: number | null;
      /** Other fingers for the first note, each with how much more it costs. */
      readonly alternatives: readonly { readonly finger: Finger; readonly price: number }[];
      /** Whether the new fingers are in the piece, or only proposed. */
      readonly isApplied: boolean;
      /** Whether the piece stands in its own key: its printed fingers stay, and these are an offer. */
      readonly isOffer: boolean;
    }
  | {
      readonly kind: 'position-change';
      readonly finger: Finger;
      readonly key: Pitch;
      readonly because: 'black-keys' | Extract<Limit, 'move' | 'change' | 'cross'>;
    }
  | {
      readonly kind: 'extension';
      /** By how many letters the keys of the position lie beyond five. */
      readonly letters: number;
      readonly because: 'black-keys' | 'notes' | Extract<Limit, 'open'>;
    }
  | {
      readonly kind: 'stretch';
      readonly fingers: readonly [Finger, Finger];
      readonly keys: readonly [Pitch, Pitch];
      readonly mm: number;
      /** Whether one key follows the other, in a line; else they are down together. */
      readonly inLine: boolean;
    }
  | {
      readonly kind: 'out-of-reach';
      readonly keys: readonly [Pitch, Pitch];
      readonly needsMm: number;
      readonly spanMm: number;
      /** Whether one of the keys is still held from before, and whether the other hand could take one. */
      readonly isHeld: boolean;
      readonly canShare: boolean;
      /** Whether one key follows the other in a line: the hand has to jump. */
      readonly inLine: boolean;
    }
  | {
      readonly kind: 'hop';
      readonly finger: Finger;
      readonly keys: readonly [Pitch, Pitch];
      readonly inChords: boolean;
    }
  | {
      readonly kind: 'crossing';
      readonly technique: 'thumb-under' | 'finger-over';
      readonly finger: Finger;
      readonly key: Pitch;
    }
  | { readonly kind: 'held-finger'; readonly finger: Finger; readonly key: Pitch }
  | {
      readonly kind: 'thumb-on-black' | 'fifth-on-black' | 'fourth-on-black';
      readonly finger: Finger;
      /** The black keys under that finger, each once a hand. */
      readonly uses: readonly BlackKeyUse[];
      readonly school: OuterSchool;
    }
  | { readonly kind: 'double-duty'; readonly finger: Finger; readonly keys: readonly Pitch[] }
  | { readonly kind: 'shared-key'; readonly key: Pitch; readonly isHeld: boolean }
  | { readonly kind: 'ledger-lines'; readonly lines: number }
  | { readonly kind: 'double-accidental'; readonly pitch: Pitch }
  | { readonly kind: 'hands-overlap'; readonly right: Pitch; readonly left: Pitch }
  | { readonly kind: 'off-keyboard'; readonly pitch: Pitch; readonly keyboard: KeyboardSize };

/** A black key under some finger of a hand. */
export interface BlackKeyUse {
  readonly hand: Hand;
  readonly key: Pitch;
}

/** Whether flags carry what stands behind them, or are only to be counted. */
export type FlagDetail = 'full' | 'counted';

export type FlagKind = FlagEvidence['kind'];
