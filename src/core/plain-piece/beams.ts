import { beamAt, beamGroup } from '../notation';
import type { Meter } from '../time';
import { PLAIN_TICKS, type PlainBar, type PlainEvent } from './plain-piece';

export type Beam = 'begin' | 'continue' | 'end';

/** The beams of the events of a bar, null for those without: as the file says, else notes shorter than a quarter
 * together within each beat, three eighths in compound time. Common practice. */
export function beamsOf(events: readonly PlainEvent[], bar: PlainBar, meter: Meter): readonly (Beam | null)[] {
  const group = beamGroup(meter, PLAIN_TICKS);
  const places = events.map((event) =>
    canBeam(event) ? { group: Math.floor((event.onset - bar.start) / group), beams: 1 } : null,
  );
  const isWritten = events.some(({ beam }) => beam !== null);
  return events.map((event, i): Beam | null => {
    if (!canBeam(event)) return null;
    return isWritten ? event.beam : (beamAt(places, i, 1) as Beam | null);
  });
}

function canBeam({ notes, duration, tuplet }: PlainEvent): boolean {
  const printed = tuplet ? (duration * tuplet.actual) / tuplet.normal : duration;
  return notes.length > 0 && printed < PLAIN_TICKS;
}
