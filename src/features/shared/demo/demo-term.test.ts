import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { dayOf, weekAt, weekdayOf } from '@/core/calendar';
import { planEntrySchema } from '@/data/records/plan-record';
import { pupilSchema } from '@/data/records/pupil-record';
import { lessonSchema } from '@/data/records/lesson-record';
import { plainRuns } from '@/data/records/plain-run';
import { inThePresent } from './demo-term';

const term = JSON.parse(readFileSync(join(process.cwd(), 'public/demo/term.json'), 'utf8')) as Parameters<
  typeof inThePresent
>[0];
const NOW = new Date(2027, 2, 31, 20).getTime();

describe('the term of the demo studio', () => {
  it('is made of records as they are kept', () => {
    for (const pupil of term.pupils) pupilSchema.validateSync(pupil, { strict: true });
    for (const card of term.plan) planEntrySchema.validateSync(card, { strict: true });
    for (const lesson of term.lessons) lessonSchema.validateSync(lesson, { strict: true });
    expect(plainRuns(term.runs)).toHaveLength(term.runs.length);
    expect([term.pupils.length, term.runs.length > 500, term.plan.length > 30]).toEqual([12, true, true]);
  });

  it('ends this week, on the same days of the week and at the same time, and nothing of it lies ahead', () => {
    const { runs, plan, lessons } = inThePresent(term, NOW);
    expect(plan.some(({ week }) => week === weekAt(NOW, 'monday'))).toBe(true);
    expect(Math.max(...runs.map(({ atMs }) => atMs))).toBeLessThanOrEqual(NOW);
    expect(runs.some(({ atMs }) => weekAt(atMs, 'monday') === weekAt(NOW, 'monday'))).toBe(true);
    expect(lessons.every(({ day, id, pupil }) => day <= dayOf(NOW) && id === `${pupil}/${day}`)).toBe(true);
    const clock = (atMs: number) => [weekdayOf(dayOf(atMs)), new Date(atMs).getHours(), new Date(atMs).getMinutes()];
    const before = new Map(term.runs.map((run) => [run.id, run]));
    for (const run of runs) expect(clock(run.atMs)).toEqual(clock(before.get(run.id)?.atMs ?? 0));
  });
});
