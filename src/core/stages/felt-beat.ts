import { beatTicks, type Meter, type Ticks } from '../time';

/** The beat as it is felt: three of the lower number's values together in 6/8, 9/8 and 12/8, one of them elsewhere. */
export function feltBeat(meter: Meter, ticksPerQuarter: number): Ticks {
  const isCompound = meter.beatType >= 8 && meter.beats > 3 && meter.beats % 3 === 0;
  return beatTicks(meter, ticksPerQuarter) * (isCompound ? 3 : 1);
}
