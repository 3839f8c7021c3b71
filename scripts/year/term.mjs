import { YEAR } from './pupils.mjs';

/** So many weeks of the year are the term that the demo studio shows. */
const TERM_WEEKS = 11;

/** What the demo studio shows of the year: its last weeks, and of the runs before them those by which a key is known. Days are those of the year: whoever reads it puts
 * its last week into the present. */
export async function termOf(database, { weeks }) {
  const calendar = await import('../../src/core/calendar/index.ts');
  const [first, last] = [weeks.at(-TERM_WEEKS), weeks.at(-1)];
  const from = calendar.daysOf(first, 'monday')[0];
  const all = (await database.runs.toArray()).toSorted((a, b) => a.atMs - b.atMs);
  const isInTerm = (atMs) => calendar.dayOf(atMs) >= from;
  const proofs = new Set(YEAR.flatMap(({ record }) => proofsOf(all.filter((run) => run.pupil === record.id))));
  const runs = all.filter((run) => isInTerm(run.atMs) || proofs.has(run.id));
  const plan = (await database.plan.toArray()).filter(({ week, carried }) =>
    [week, ...carried].some((one) => one >= first),
  );
  const lessons = (await database.lessons.toArray()).filter(({ day }) => day >= from);
  const pupils = (await database.pupils.toArray()).map((pupil) => ({ ...pupil, note: '' }));
  return {
    week: last,
    pupils: pupils.toSorted((a, b) => a.addedAt - b.addedAt),
    plan,
    lessons: lessons.map((lesson) => ({ ...lesson, origin: 'demo' })),
    runs,
  };
}

/** The runs by which it is known that a piece is secure, or that five fingers are clean. */
function proofsOf(runs) {
  const found = [];
  const inARow = new Map();
  for (const run of runs) {
    const name = `${run.music}/${run.piece}/${run.key}/${run.hand}`;
    const isGood = run.outcome === 'clean' && (run.music === 'warm-up' || run.tempo >= 80);
    const row = isGood ? [...(inARow.get(name) ?? []), run.id] : [];
    if ((inARow.get(name)?.length ?? 0) < 3) inARow.set(name, row);
    if (run.music === 'warm-up' && row.length === 1) found.push(run.id);
    if (run.music === 'piece' && row.length === 3) found.push(...row);
  }
  return found;
}
