import { beatTicks, type Meter, type Ticks } from '../time';

/** The stretch within which notes shorter than a quarter share a beam: a beat, at least a quarter; three eighths in compound time. Common practice. */
export function beamGroup(meter: Meter, ticksPerQuarter: number): Ticks {
  const isCompound = meter.beatType >= 8 && meter.beats % 3 === 0;
  return isCompound
    ? 3 * beatTicks(meter, ticksPerQuarter)
    : Math.max(ticksPerQuarter, beatTicks(meter, ticksPerQuarter));
}
