export { fingerOn, fiveFingers, turning } from './five-fingers';
export type { FiveFingers, Turning } from './five-fingers';
export { arpeggioOf, fifthSixth, octaveArpeggio, scaleOf } from './scale';
export type { FingeredLine, OctaveSchool } from './scale';
export { chordOf, numeralOf } from './chord';
export type { Chord, Member } from './chord';
export { chordSteps, chordsUsed, shapesOf } from './chords-used';
export type { ChordStep, ChordUse } from './chords-used';
export { keyCard } from './key-card';
