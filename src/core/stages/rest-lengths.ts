import { barTicks, splitLength, type Meter, type Ticks } from '../time';
import { feltBeat } from './felt-beat';

/** The rests that fill a stretch of a bar: half bars, beats, and what is left up to a beat. `from` is counted from where the full bar would begin. Null where
 * no plain values fill it. */
export function restLengths(
  from: Ticks,
  duration: Ticks,
  meter: Meter,
  ticksPerQuarter: number,
): readonly Ticks[] | null {
  const beat = feltBeat(meter, ticksPerQuarter);
  const bar = barTicks(meter, ticksPerQuarter);
  const half = (bar / beat) % 2 === 0 ? bar / 2 : null;
  const end = from + duration;
  const lengths: Ticks[] = [];
  for (let at = from; at < end;) {
    const next =
      half !== null && at % half === 0 && end - at >= half
        ? half
        : at % beat === 0 && end - at >= beat
          ? beat
          : Math.min(end - at, beat - (at % beat));
    lengths.push(...splitLength(next, at, beat, ticksPerQuarter).map(({ ticks }) => ticks));
    at += next;
  }
  return lengths.reduce((sum, ticks) => sum + ticks, 0) === duration ? lengths : null;
}
