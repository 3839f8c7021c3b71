import { describe, expect, it } from '@jest/globals';
import { newPiece, newPupil } from '../../../../tests/support/studio';
import { WORDS } from '../../../../tests/support/usual-words';
import type { PieceRecord, PlanEntry } from '@/data';
import { USUAL_ENTRY } from '@/data/records/plan-record';
import { CALENDAR_WEEKS, calendarOf, type CalendarAsked } from './calendar-of';

const TUESDAY = { weekday: 2, at: '15:30', minutes: 30 };
const ada = newPupil('ada', { name: 'Ada', lessons: [TUESDAY] });
const ben = newPupil('ben', { name: 'Ben' });
const tune = { ...newPiece('tune'), title: 'Mill Song' } as unknown as PieceRecord;
const card = (id: string, more: Partial<PlanEntry>): PlanEntry => ({
  ...{ ...USUAL_ENTRY, carried: [] },
  ...{ id, pupil: 'ada', week: '2026-12-03' },
  ...more,
});
const calendar = (more: Partial<CalendarAsked> = {}) =>
  calendarOf(WORDS, { pupils: [ada, ben], plan: [], pieces: [tune], holidays: [], from: '2026-11-26', ...more });

describe('the calendar of a studio', () => {
  it('has the lessons of the weeks ahead, of those who have lesson times', () => {
    const entries = calendar();
    expect(entries).toHaveLength(CALENDAR_WEEKS);
    expect(entries[0]).toEqual({
      id: 'lesson-ada-2026-11-24-1530@new-thumb',
      title: 'Lesson: Ada',
      words: '',
      when: { kind: 'time', day: '2026-11-24', at: '15:30', minutes: 30 },
    });
    expect(entries.at(-1)?.when).toMatchObject({ day: '2027-02-09' });
  });

  it('leaves out what falls into holidays', () => {
    const holidays = [{ from: '2026-12-21', to: '2027-01-03', name: 'Winter' }];
    const days = calendar({ holidays }).flatMap(({ when }) => (when.kind === 'time' ? [when.day] : []));
    expect(days).toHaveLength(CALENDAR_WEEKS - 2);
    expect(days).not.toContain('2026-12-22');
  });

  it('has the weeks for which something is set, with what it is, also of who has no lesson times', () => {
    const plan = [
      card('a', { piece: 'tune', key: 'D-major', bars: { from: 0, to: 3, first: '1', last: '4' }, note: 'slowly' }),
      card('b', { note: 'clap the song\nwith the left hand' }),
      card('c', { pupil: 'ben', piece: 'gone', key: null }),
      card('waits', { week: null, note: 'some day' }),
    ];
    const weeks = calendar({ plan }).filter(({ when }) => when.kind === 'days');
    expect(weeks.map(({ title }) => title)).toEqual(['Week of Ada', 'Week of Ben']);
    expect(weeks[0]?.when).toEqual({ kind: 'days', from: '2026-11-30', to: '2026-12-06' });
    expect(weeks[0]?.words.split('\n').slice(1)).toEqual(['slowly', 'clap the song', 'with the left hand']);
    expect(weeks[0]?.words).toMatch(/in D major, bars 1–4\n/);
    expect(weeks[1]?.words).toBe('a piece that is not there any more');
  });

  it('tells in each lesson what is set for its week', () => {
    const entries = calendar({ plan: [card('b', { note: 'clap' })] });
    const told = entries.filter(({ when }) => when.kind === 'time').map(({ words }) => words);
    expect(told.slice(0, 3)).toEqual(['', 'clap', '']);
  });

  it('names every entry once, and by the same name when it is made again', () => {
    const plan = [card('a', { piece: 'tune', key: 'D-major' })];
    const names = calendar({ plan }).map(({ id }) => id);
    expect(new Set(names).size).toBe(names.length);
    expect(calendar({ plan }).map(({ id }) => id)).toEqual(names);
  });
});
