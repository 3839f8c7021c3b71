import { isDay } from '@/core/calendar';
import { isPlain } from './field';
import { MOST_CARD_LETTERS, type PlanEntry } from './plan-record';
import { MOST_LESSON_LETTERS, type LessonRecord } from './lesson-record';

/** Cards and notes of lessons exactly as New Thumb writes them: two years of a studio hold 10,000 of each, which need not be read through their schemas.
 * Checked by: plain-run.test.ts (never yes where the schema says no). */
export function isPlainCard(value: unknown): value is PlanEntry {
  if (!isPlain(value)) return false;
  const { bars, steps, carried, week, note } = value;
  return (
    isOwned(value) &&
    ['piece', 'key', 'stage'].every((name) => value[name] === null || typeof value[name] === 'string') &&
    (bars === null ||
      (isPlain(bars) &&
        isPlace(bars['from']) &&
        isPlace(bars['to']) &&
        areTexts([bars['first'] ?? '', bars['last'] ?? '']))) &&
    (steps === null || (Array.isArray(steps) && areNames(steps))) &&
    typeof note === 'string' &&
    note.length <= MOST_CARD_LETTERS &&
    (week === null || (typeof week === 'string' && isDay(week))) &&
    (value['state'] === 'open' || value['state'] === 'done') &&
    Array.isArray(carried) &&
    areNames(carried) &&
    isPlace(value['place']) &&
    typeof value['addedAt'] === 'number' &&
    !Number.isNaN(value['addedAt'])
  );
}

export function isPlainLesson(value: unknown): value is LessonRecord {
  if (!isPlain(value)) return false;
  const { day, note } = value;
  return (
    isOwned(value) &&
    typeof day === 'string' &&
    isDay(day) &&
    typeof note === 'string' &&
    note.length <= MOST_LESSON_LETTERS
  );
}

/** A record that has a name, and belongs to a pupil. */
function isOwned({ id, pupil, origin, form }: Readonly<Record<string, unknown>>): boolean {
  return (
    areNames([id, pupil]) &&
    (origin === 'own' || origin === 'demo') &&
    (form === undefined || (Number.isInteger(form) && (form as number) >= 1))
  );
}

function areNames(values: readonly unknown[]): boolean {
  return values.every((value) => typeof value === 'string' && value !== '');
}

function areTexts(values: readonly unknown[]): boolean {
  return values.every((value) => typeof value === 'string');
}

function isPlace(value: unknown): boolean {
  return Number.isInteger(value) && (value as number) >= 0;
}
