import { createEvents, type EventAttributes } from 'ics';
import { err, ok, type Result } from '../base';
import { dateOf, daysAfter, type Day } from './day';

/** Something that stands in a calendar: at a time by the local clock, or on whole days (the last included). */
export interface CalendarEntry {
  /** The same entry has the same name each time, so that a calendar that reads the file again changes it rather than having it twice. */
  readonly id: string;
  readonly title: string;
  readonly words: string;
  readonly when:
    | { readonly kind: 'time'; readonly day: Day; readonly at: string; readonly minutes: number }
    | { readonly kind: 'days'; readonly from: Day; readonly to: Day };
}

/** The text of a calendar file (RFC 5545) with these entries, in times of the local clock wherever it is read: a lesson at four is at four. Errors: what the
 * writer of the file complains of. */
export function calendarFile(name: string, entries: readonly CalendarEntry[]): Result<string, string> {
  const { error, value } = createEvents(entries.map(eventOf), {
    calName: plain(name, LONGEST.title),
    productId: '-//New Thumb//EN',
  });
  // An empty calendar is one too.
  if (entries.length === 0) return ok('BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//New Thumb//EN\r\nEND:VCALENDAR\r\n');
  return error || typeof value !== 'string' ? err(error?.message ?? '') : ok(value);
}

/** More letters than these no calendar shows. */
const LONGEST = { title: 200, words: 4000 } as const;

/** Words without what RFC 5545 does not let into a text (control characters, but line breaks and tabs), and without breaks that only some programs see. */
function plain(words: string, longest: number): string {
  return words
    .slice(0, longest)
    .replace(/[\p{Zl}\p{Zp}]/gu, ' ')
    .replace(/\p{Cc}/gu, (sign) => (sign === '\n' || sign === '\t' ? sign : ''));
}

function eventOf({ id, title, words, when }: CalendarEntry): EventAttributes {
  const text = {
    uid: plain(id, LONGEST.title),
    title: plain(title, LONGEST.title),
    description: plain(words, LONGEST.words),
    startInputType: 'local',
    startOutputType: 'local',
  } as const;
  if (when.kind === 'days')
    // The end of whole days is the day after them.
    return { ...text, start: partsOf(when.from), end: partsOf(daysAfter(when.to, 1)) };
  const [hours, minutes] = when.at.split(':').map(Number) as [number, number];
  return { ...text, start: [...partsOf(when.day), hours, minutes], duration: { minutes: when.minutes } };
}

function partsOf(day: Day): [number, number, number] {
  const date = dateOf(day);
  return [date.getFullYear(), date.getMonth() + 1, date.getDate()];
}
