export { barTicks, beatAt, beatTicks, gcd, lcm } from './ticks';
export type { Meter, Ticks } from './ticks';
