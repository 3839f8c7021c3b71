export { barTicks, beatAt, beatTicks, gcd, lcm } from './ticks';
export type { Meter, Ticks } from './ticks';
export { noteValue, splitLength } from './note-values';
export type { NoteValue } from './note-values';
