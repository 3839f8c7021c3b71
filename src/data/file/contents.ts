import type { StudioView } from '../door/view';
import type { Stamp } from '../join/stamp';
import { isPlain } from '../records/field';
import { understandIn, type AsideRecord, type TableName } from '../records/tables';

/** Everything a studio holds, as it is stored: records in the form they were written in, with what nobody understands in them. */
export interface StudioContents {
  readonly pieces: readonly unknown[];
  readonly pupils: readonly unknown[];
  readonly plan: readonly unknown[];
  readonly lessons: readonly unknown[];
  readonly answers: readonly unknown[];
  readonly runs: readonly unknown[];
  readonly settings: unknown;
  readonly desk: unknown;
  readonly aside: readonly AsideRecord[];
  /** Which device wrote what. */
  readonly stamps: readonly Stamp[];
  /** What a file held beside all this. */
  readonly carried: Readonly<Record<string, unknown>>;
}

/** The lists of records, by what they are called in the file. */
export const LISTS = [
  'pieces',
  'pupils',
  'plan',
  'lessons',
  'answers',
  'runs',
] as const satisfies readonly (keyof StudioContents & TableName)[];

/** How a file is taken in: what is new comes in, and where both have something else, what is here stays or what the file has takes its place;
 * or the studio becomes what the file holds. */
export type TakingIn = 'keep' | 'renew' | 'replace';

/** Reads everything out of a studio. Records that are none are among what is set aside, by the name of their place. */
export async function contentsOf(view: StudioView, stamps: readonly Stamp[] = []): Promise<StudioContents> {
  const unreadable: AsideRecord[] = [];
  const listed = async (table: (typeof LISTS)[number]): Promise<readonly unknown[]> =>
    (await view.all(table)).filter((record) => {
      const read = understandIn(table, record);
      if (read.kind === 'record') return true;
      unreadable.push({
        id: `${table}/${String(isPlain(record) ? record['id'] : '')}`,
        form: 5,
        from: 'the studio',
        table,
        why: read.why,
        value: record as AsideRecord['value'],
      });
      return false;
    });
  const valueOf = async (id: string): Promise<unknown> => {
    const record = await view.get({ table: 'kept', id });
    return isPlain(record) ? record['value'] : undefined;
  };
  const [pieces, pupils, plan, lessons, answers, runs] = [
    await listed('pieces'),
    await listed('pupils'),
    await listed('plan'),
    await listed('lessons'),
    await listed('answers'),
    await listed('runs'),
  ];
  const carried = await valueOf('carried');
  const aside = [...((await view.all('aside')) as readonly AsideRecord[]), ...unreadable].toSorted((a, b) =>
    a.id < b.id ? -1 : 1,
  );
  return {
    pieces,
    pupils,
    plan,
    lessons,
    answers,
    runs,
    settings: (await valueOf('settings')) ?? {},
    desk: (await valueOf('desk')) ?? {},
    aside,
    stamps,
    carried: isPlain(carried) ? carried : {},
  };
}
