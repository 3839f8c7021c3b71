export { chordOf, numeralOf } from './chord';
export type { Chord, Member, Quality } from './chord';
export { chordSteps, chordsUsed, shapesOf } from './chords-used';
export type { ChordShape, ChordStep, ChordUse } from './chords-used';
export { keyCard } from './key-card';
export type { FingeredChord, KeyCard } from './key-card';
