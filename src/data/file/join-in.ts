import { groupBy } from '@/core/base';
import { recordName, type RecordPlace } from '../records/place';
import type { StudioView, Wanted } from '../door/view';
import { joinRecord, type Conflict } from '../join/join';
import { byRecord, JOINED_TABLES, placeOf, type Stamp } from '../join/stamp';
import { heldIn, type Held } from '../records/field';
import type { StudioContents } from './contents';

/** What comes of joining a file with what is here. Nothing is written yet. */
export interface Joining {
  readonly wanted: readonly Wanted[];
  readonly stamps: readonly Stamp[];
  readonly conflicts: readonly Conflict[];
}

/** What the studio has to hold once it is joined with what a file holds. Only what the file tells of is looked at. */
export async function joinContents(
  view: Pick<StudioView, 'get'>,
  stampsOf: (ids: readonly string[]) => Promise<ReadonlyMap<string, Stamp>>,
  file: StudioContents,
): Promise<Joining> {
  const [records, theirs] = [recordsIn(file), byRecord(file.stamps)];
  const places = [...records.values(), ...file.stamps.filter(({ id }) => !records.has(id)).map(placeOf)];
  const known = await stampsOf(places.map(recordName));
  const all: Joining[] = [];
  for (const place of places) {
    if (!JOINED_TABLES.some((table) => table === place.table)) continue;
    const id = recordName(place);
    const own = { record: await view.get(place), stamp: known.get(id) ?? null };
    const told = records.get(id);
    const joined = joinRecord(place, own, { record: told?.record, stamp: theirs.get(id) ?? null });
    all.push({ wanted: joined.wanted, stamps: joined.stamp ? [joined.stamp] : [], conflicts: joined.conflicts });
  }
  return {
    wanted: all.flatMap(({ wanted }) => wanted),
    stamps: all.flatMap(({ stamps }) => stamps),
    conflicts: all.flatMap(({ conflicts }) => conflicts),
  };
}

function recordsIn(file: StudioContents): ReadonlyMap<string, RecordPlace & { readonly record: Held }> {
  return new Map(
    JOINED_TABLES.flatMap((table) =>
      file[table].map((record) => {
        const place = { table, id: String(heldIn(record, ['id'])) };
        return [recordName(place), { ...place, record }] as const;
      }),
    ),
  );
}

/** What comes in, in numbers: by table, records that are new here, that are changed here, and that go. */
export interface ComingIn {
  readonly table: (typeof JOINED_TABLES)[number];
  readonly fresh: number;
  readonly changed: number;
  readonly gone: number;
}

export async function comingIn(view: Pick<StudioView, 'get'>, { wanted }: Joining): Promise<readonly ComingIn[]> {
  const byName = [...groupBy(wanted, recordName).values()];
  const kinds = await Promise.all(
    byName.map(async (fields) => {
      const { table, id, field, value } = fields[0] as Wanted;
      const isHere = (await view.get({ table, id })) !== undefined;
      const kind = !isHere ? 'fresh' : field.length === 0 && value === undefined ? 'gone' : 'changed';
      return { table, kind } as const;
    }),
  );
  const count = (table: string, kind: string): number =>
    kinds.filter((one) => one.table === table && one.kind === kind).length;
  return JOINED_TABLES.map((table) => ({
    table,
    fresh: count(table, 'fresh'),
    changed: count(table, 'changed'),
    gone: count(table, 'gone'),
  }));
}
