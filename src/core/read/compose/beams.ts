import { beamGroup, type Meter } from '../../time';
import { PLAIN_TICKS, type PlainBar, type PlainEvent } from './plain-piece';

export type Beam = 'begin' | 'continue' | 'end';

/** The beams of the events of a bar, null for those without: as the file says, else notes shorter than a quarter
 * together within each beat, three eighths in compound time. Common practice. */
export function beamsOf(events: readonly PlainEvent[], bar: PlainBar, meter: Meter): readonly (Beam | null)[] {
  const group = beamGroup(meter, PLAIN_TICKS);
  const groupOf = events.map((event) => (canBeam(event) ? Math.floor((event.onset - bar.start) / group) : null));
  return events.map((event, i): Beam | null => {
    if (!canBeam(event)) return null;
    if (events.some(({ beam }) => beam !== null)) return event.beam;
    const joinsBefore = i > 0 && groupOf[i - 1] === groupOf[i];
    const joinsAfter = groupOf[i + 1] === groupOf[i];
    if (joinsBefore) return joinsAfter ? 'continue' : 'end';
    return joinsAfter ? 'begin' : null;
  });
}

function canBeam({ notes, duration, tuplet }: PlainEvent): boolean {
  const printed = tuplet ? (duration * tuplet.actual) / tuplet.normal : duration;
  return notes.length > 0 && printed < PLAIN_TICKS;
}
