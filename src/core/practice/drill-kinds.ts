import type { Meter } from '../time';

/** What can be drilled. Source: handbook, sections 2.8, 4 and 7 (common practice); the turns of each pattern are our own. */
export const DRILL_KINDS = [
  'five-fingers',
  'triad-broken',
  'triad-blocked',
  'skips',
  'chord-changes',
  'finger-changes',
  'cross-hands',
  'octave-ready',
] as const;
export type DrillKind = (typeof DRILL_KINDS)[number];

/** How the moments of a drill go by: meter, and the lengths that come round. Units: quarters. */
export const RHYTHMS = {
  quarters: { meter: { beats: 4, beatType: 4 }, lengths: [1] },
  halves: { meter: { beats: 4, beatType: 4 }, lengths: [2] },
  eighths: { meter: { beats: 4, beatType: 4 }, lengths: [0.5] },
  dotted: { meter: { beats: 4, beatType: 4 }, lengths: [1.5, 0.5] },
  waltz: { meter: { beats: 3, beatType: 4 }, lengths: [1] },
  lilt: { meter: { beats: 6, beatType: 8 }, lengths: [1, 0.5] },
} as const satisfies Readonly<Record<string, { readonly meter: Meter; readonly lengths: readonly number[] }>>;
export type DrillRhythm = keyof typeof RHYTHMS;
export const DRILL_RHYTHMS = Object.keys(RHYTHMS) as readonly DrillRhythm[];

export const DRILL_HANDS = ['right', 'left', 'both'] as const;
