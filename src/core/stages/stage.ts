import type { PositionMove } from '../fingering';
import type { FlagKind } from '../flags';
import type { Hand } from '../score';
import type { Difficulty } from './difficulties';
import type { ComparedNotes } from './stage-notes';
import type { Transformation } from './transformation';

/** What a stage is about. `n` counts from 1. */
export type StageName =
  | { readonly kind: NamedStage }
  | { readonly kind: 'landing' | 'landing-long' | 'line' | 'phrase'; readonly n: number }
  | { readonly kind: 'own'; readonly id: string };

export const NAMED_STAGES = [
  'different-fingers',
  'interval-against-note',
  'flagged',
  'other-fingers',
  'right-alone',
  'left-alone',
  'one-place',
  'beats',
  'split-octave',
  'beats-together',
  'blocked',
  'blocked-alone',
  'roots',
  'roots-alone',
  'tapping',
  'whole',
] as const;
export type NamedStage = (typeof NAMED_STAGES)[number];

/** Why a stage is proposed: what there is in this piece, in this key, for this pupil. Bars are printed numbers. */
export type StageReason =
  | {
      readonly kind: 'different-fingers' | 'interval-against-note' | 'other-fingers';
      readonly bars: readonly string[];
    }
  | { readonly kind: 'flagged'; readonly bars: readonly string[]; readonly kinds: readonly FlagKind[] }
  | {
      readonly kind: 'landing';
      readonly hand: Hand;
      readonly bars: readonly string[];
      /** The beat of the first bar on which the hand lands, counted from one; null where the hand has no other drill there. */
      readonly beat: number | null;
      readonly move: PositionMove;
    }
  | { readonly kind: 'hand'; readonly hand: Hand; readonly moves: number; readonly flags: number }
  | { readonly kind: 'octave-moves'; readonly hands: readonly Hand[]; readonly bars: readonly string[] }
  | { readonly kind: 'broken-octaves' | 'off-beat' | 'broken-chords' | 'chords'; readonly bars: readonly string[] }
  | { readonly kind: 'section'; readonly from: string; readonly to: string; readonly hardest: boolean }
  | { readonly kind: 'other-rhythm'; readonly bars: readonly string[] }
  | { readonly kind: 'own' }
  | { readonly kind: 'whole' };

/** A stage of a piece in one key. */
export interface Stage {
  readonly name: StageName;
  readonly transformations: readonly Transformation[];
  readonly why: StageReason;
  /** The bars that it has, as indexes; null for all. */
  readonly bars: readonly number[] | null;
  readonly hands: readonly Hand[];
  /** What it keeps, leaves out and changes of the piece. */
  readonly notes: ComparedNotes;
  /** What is easier than in the whole piece. */
  readonly easier: readonly Difficulty[];
  readonly difficulties: readonly Difficulty[];
}

/** The name of a stage in the scripting interface, in addresses and in storage: `landing-2`. */
export function stageId(name: StageName): string {
  switch (name.kind) {
    case 'landing-long':
      return `landing-${name.n}-long`;
    case 'landing':
    case 'line':
    case 'phrase':
      return `${name.kind}-${name.n}`;
    case 'own':
      return name.id;
    default:
      return name.kind;
  }
}
