import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { unwrap } from '../base';
import { calendarFile } from './calendar-file';
import { dateOf, dayOf, daysAfter, daysBetween, isDay, startOf, weekdayOf } from './day';
import { isFree, lessonsIn, nextLesson, taughtWeeks } from './lessons';
import { daysOf, isWeek, weekOf, weeksAfter, weeksBetween } from './week';

const HOUR = 3_600_000;
const FIRSTS = ['monday', 'sunday'] as const;
/** Any day of three centuries, by how far it lies from one. */
const anyDay = fc.integer({ min: -60_000, max: 60_000 }).map((count) => daysAfter('2026-11-28', count));

describe('days', () => {
  it.each([
    ['2028-02-29', true],
    ['2027-02-29', false],
    ['2100-02-29', false],
    ['2000-02-29', true],
    ['2026-13-01', false],
    ['2026-1-1', false],
    ['', false],
  ])('%s is a day: %s', (text, is) => expect(isDay(text)).toBe(is));

  it.each([
    // Over a leap day, a year’s end, and the nights on which clocks in Europe and North America go forward and back (2026).
    ['2028-02-28', 2, '2028-03-01'],
    ['2027-02-28', 1, '2027-03-01'],
    ['2026-12-31', 1, '2027-01-01'],
    ['2026-03-28', 2, '2026-03-30'],
    ['2026-03-07', 2, '2026-03-09'],
    ['2026-10-24', 2, '2026-10-26'],
    ['2026-10-31', 2, '2026-11-02'],
  ])('%s and %i days is %s', (from, count, to) => {
    expect([daysAfter(from, count), daysAfter(to, -count), daysBetween(from, to)]).toEqual([to, from, count]);
  });

  it('is the same day from its first to its last minute, by the local clock', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const early = startOf(day) + 3.5 * HOUR;
        const late = startOf(daysAfter(day, 1)) - 60_000;
        expect([dayOf(early), dayOf(dateOf(day).getTime()), dayOf(late)]).toEqual([day, day, day]);
      }),
    );
  });
});

describe('weeks', () => {
  it.each([
    // The last days of 2026 are Thursday 31 December and Sunday 27 December.
    ['2027-01-01', 'monday', '2026-12-31'],
    ['2027-01-03', 'monday', '2026-12-31'],
    ['2027-01-03', 'sunday', '2027-01-07'],
    ['2026-12-27', 'sunday', '2026-12-31'],
    ['2026-12-27', 'monday', '2026-12-24'],
    ['2028-02-29', 'monday', '2028-03-02'],
  ] as const)('%s, weeks from %s, lies in that of %s', (day, first, week) => expect(weekOf(day, first)).toBe(week));

  it('hold each day once, begin on the first day, and keep their name when that is changed', () => {
    fc.assert(
      fc.property(anyDay, fc.constantFrom(...FIRSTS), (day, first) => {
        const week = weekOf(day, first);
        const days = daysOf(week, first);
        expect(days).toContain(day);
        expect(days.map((one) => weekOf(one, first))).toEqual(Array(7).fill(week));
        expect(weekdayOf(days[0] as string)).toBe(first === 'monday' ? 1 : 0);
        expect(isWeek(week)).toBe(true);
        for (const other of FIRSTS) expect(weekOf(week, other)).toBe(week);
        expect(weeksBetween(week, weeksAfter(week, 53))).toBe(53);
      }),
    );
  });
});

describe('lessons', () => {
  const times = [
    { weekday: 4, at: '16:00', minutes: 30 },
    { weekday: 2, at: '15:30', minutes: 45 },
  ];
  const holidays = [{ from: '2026-12-21', to: '2027-01-01', name: 'Winter' }];

  it('come several times a week, in order, and not in holidays', () => {
    expect(lessonsIn('2026-12-17', times, { first: 'monday', holidays })).toEqual([
      { day: '2026-12-15', at: '15:30', minutes: 45 },
      { day: '2026-12-17', at: '16:00', minutes: 30 },
    ]);
    expect(lessonsIn('2026-12-24', times, { first: 'sunday', holidays })).toEqual([]);
  });

  it('skip weeks that are free, and only those', () => {
    const calendar = { first: 'monday', holidays } as const;
    expect(taughtWeeks('2026-12-17', 3, times, calendar)).toEqual(['2026-12-17', '2027-01-07', '2027-01-14']);
    // A holiday over one of two lessons leaves the week.
    expect(
      isFree('2026-12-17', times, { first: 'monday', holidays: [{ from: '2026-12-17', to: '2026-12-17', name: '' }] }),
    ).toBe(false);
    expect(isFree('2026-12-24', [], calendar)).toBe(true);
    expect(isFree('2026-12-31', [], calendar)).toBe(true);
    expect(
      taughtWeeks('2026-12-17', 2, times, {
        first: 'monday',
        holidays: [{ from: '2000-01-01', to: '2999-01-01', name: '' }],
      }),
    ).toEqual([]);
  });

  it('are found from a day on', () => {
    expect(nextLesson('2026-12-18', times, holidays)).toEqual({ day: '2027-01-05', at: '15:30', minutes: 45 });
    expect(nextLesson('2026-12-15', times, holidays)?.day).toBe('2026-12-15');
    expect(nextLesson('2026-12-15', [], holidays)).toBeNull();
  });
});

describe('the calendar file', () => {
  it('has lessons at their time by the clock, and days up to the last', () => {
    const text = unwrap(
      calendarFile('Lessons', [
        {
          id: 'a',
          title: 'Ada; lesson, one',
          words: 'Two Gates\nin D',
          when: { kind: 'time', day: '2026-03-29', at: '15:05', minutes: 45 },
        },
        { id: 'b', title: 'Week', words: '', when: { kind: 'days', from: '2028-02-28', to: '2028-02-29' } },
      ]),
    );
    expect(text).toMatch(/UID:a\r\n/);
    expect(text).toMatch(/SUMMARY:Ada\\; lesson\\, one\r\n/);
    // No zone: the same time wherever the calendar is.
    expect(text).toMatch(/DTSTART:20260329T150500\r\n/);
    expect(text).toMatch(/DURATION:PT45M\r\n/);
    expect(text).toMatch(/DTSTART;VALUE=DATE:20280228\r\nDTEND;VALUE=DATE:20280301\r\n/);
    expect(text.split('\r\n').every((line) => line.length <= 75)).toBe(true);
    expect(unwrap(calendarFile('Nothing', []))).toMatch(/^BEGIN:VCALENDAR[^]*END:VCALENDAR\r\n$/);
  });

  it('has one entry for each, whatever stands in its words, and nothing that could be taken for more', () => {
    const hostile = fc.oneof(
      fc.string({ unit: 'binary', maxLength: 200 }),
      fc.constantFrom(
        'Ada\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:other',
        'a\rATTENDEE:mailto:x',
        '\u2028BEGIN:VALARM',
        '\u202Edetrever\0',
        '\\',
        '\\n',
        'W'.repeat(50_000),
      ),
    );
    fc.assert(
      fc.property(hostile, hostile, hostile, (name, title, words) => {
        const when = { kind: 'days', from: '2026-11-26', to: '2026-11-27' } as const;
        const text = unwrap(calendarFile(name, [{ id: `x${title}`, title: `x${title}`, words, when }]));
        const lines = text.replaceAll('\r\n ', '').replaceAll('\r\n\t', '').trimEnd().split('\r\n');
        const begins = lines.filter((line) => /^(BEGIN|END|ATTENDEE|SUMMARY|UID)[:;]/.test(line));
        expect(
          begins.map((line) =>
            line
              .split(':', 2)
              .join(':')
              .replace(/^(SUMMARY|UID):.*/, '$1'),
          ),
        ).toEqual(['BEGIN:VCALENDAR', 'BEGIN:VEVENT', 'UID', 'SUMMARY', 'END:VEVENT', 'END:VCALENDAR']);
        expect(lines.join('')).not.toMatch(/[\u0000-\u0008\u000a-\u001f\u007f]/);
      }),
      { numRuns: 60 },
    );
  });
});
