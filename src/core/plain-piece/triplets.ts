import type { Ticks } from '../time';
import { PLAIN_EVENT, PLAIN_TICKS, type PlainEvent } from './plain-piece';

/** Cuts what touches a triplet at the beats and marks the pieces inside as triplets, with the rests between them. */
export function withTriplets(events: readonly PlainEvent[]): readonly PlainEvent[] {
  const isStraight = (place: Ticks): boolean => place % (PLAIN_TICKS / 8) === 0;
  const triplets = new Set(
    events
      .flatMap(({ onset, duration }) => [onset, onset + duration])
      .filter((place) => !isStraight(place))
      .map((place) => Math.floor(place / PLAIN_TICKS)),
  );
  if (triplets.size === 0) return events;
  const pieces: PlainEvent[] = [];
  let now = 0;
  const add = (event: PlainEvent): void => {
    let from = event.onset;
    const end = event.onset + event.duration;
    while (from < end) {
      const beat = Math.floor(from / PLAIN_TICKS);
      const beatEnd = (beat + 1) * PLAIN_TICKS;
      const isTriplet = triplets.has(beat);
      const nextTriplet = [...triplets]
        .filter((other) => other > beat)
        .reduce((least, other) => Math.min(least, other * PLAIN_TICKS), Infinity);
      const until = Math.min(end, isTriplet ? beatEnd : nextTriplet);
      const tuplet = isTriplet
        ? { actual: 3, normal: 2, begins: from === beat * PLAIN_TICKS, ends: until === beatEnd }
        : null;
      const notes = until < end ? event.notes.map((note) => ({ ...note, tiesOn: true })) : event.notes;
      const isWholeBeat = isTriplet && from === beat * PLAIN_TICKS && until === beatEnd;
      pieces.push({
        ...(from === event.onset ? event : PLAIN_EVENT),
        onset: from,
        duration: until - from,
        notes,
        tuplet: isWholeBeat ? null : tuplet,
      });
      from = until;
    }
    now = Math.max(now, end);
  };
  for (const event of events) {
    if (event.onset > now) add({ ...PLAIN_EVENT, onset: now, duration: event.onset - now, notes: [] });
    add(event);
  }
  // The last triplet is filled up, so that no bar ends inside it.
  if (!isStraight(now)) add({ ...PLAIN_EVENT, onset: now, duration: PLAIN_TICKS - (now % PLAIN_TICKS), notes: [] });
  return pieces;
}
