import type { StudioView, Wanted } from '../door/view';
import { joinRecord, type Conflict } from '../join/join';
import { byRecord, JOINED_TABLES, placeOf, THERE, type Stamp } from '../join/stamp';
import { heldIn, isPlain, sameHeld, type Field, type Held } from '../records/field';
import { recordName, type RecordPlace } from '../records/place';
import { isFieldOf } from '../records/whose';
import type { StudioContents } from './contents';
import { pupilIn } from './hand-over';
import { grantedTo, isHandedTo, type FileKind, type Refused } from './rights';
import { isTold, ownerOf, toldOf } from './told';

/** What comes of joining a file with what is here. Nothing is written yet. */
export interface Joining {
  readonly wanted: readonly Wanted[];
  readonly stamps: readonly Stamp[];
  readonly conflicts: readonly Conflict[];
  /** What the file would do beyond its rights. It is not done. */
  readonly refused: readonly Refused[];
}

type Joined = Omit<Joining, 'refused'>;

/** What the studio has to hold once it is joined with what a file holds. Only what the file tells of is looked at, and only what it may do is wanted. */
export async function joinContents(
  view: Pick<StudioView, 'get'>,
  stampsOf: (ids: readonly string[]) => Promise<ReadonlyMap<string, Stamp>>,
  file: StudioContents,
  kind: FileKind,
): Promise<Joining> {
  const pupil = pupilIn(file);
  const joined = await joinAll(view, stampsOf, kind === 'studio' ? file : withinTold(file, pupil));
  const { wanted, refused } = await grantedTo({ kind, pupil }, view, joined.wanted);
  if (kind === 'studio') return { ...joined, refused };
  const added = new Set(wanted.filter(({ field }) => field.length === 0).map(recordName));
  const own = pupil === null ? NOTHING : await ofPupil(view, stampsOf, { joined, pupil, added });
  return {
    ...own,
    wanted: wanted.map((one) => handedTo(one, pupil)),
    refused: [...refused, ...beyondTold(file, pupil)],
  };
}

const NOTHING: Joined = { wanted: [], stamps: [], conflicts: [] };

async function joinAll(
  view: Pick<StudioView, 'get'>,
  stampsOf: (ids: readonly string[]) => Promise<ReadonlyMap<string, Stamp>>,
  file: StudioContents,
): Promise<Joined> {
  const [records, theirs] = [recordsIn(file), byRecord(file.stamps)];
  const places = [...records.values(), ...[...theirs.values()].filter(({ id }) => !records.has(id)).map(placeOf)];
  const known = await stampsOf(places.map(recordName));
  const all: Joined[] = [];
  for (const place of places) {
    if (!JOINED_TABLES.some((table) => table === place.table)) continue;
    const id = recordName(place);
    const own = { record: await view.get(place), stamp: known.get(id) ?? null };
    const joined = joinRecord(place, own, { record: records.get(id)?.record, stamp: theirs.get(id) ?? null });
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

/** A file that was handed over, without what no hand-over of this pupil tells. */
function withinTold(file: StudioContents, pupil: string | null): StudioContents {
  if (pupil === null) return { ...file, stamps: [] };
  const pieces = file.pieces.map((record) => toldOf('pieces', record, pupil));
  const pupils = file.pupils.map((record) => toldOf('pupils', record, pupil));
  const stamps = file.stamps.map((stamp) => {
    const { table } = placeOf(stamp);
    const told = Object.entries(stamp.fields).filter(([name]) => isTold(table, JSON.parse(name) as Field, pupil));
    return { ...stamp, fields: Object.fromEntries(told) };
  });
  return { ...file, pieces, pupils, stamps };
}

/** Records of the file that hold more than a hand-over of this pupil tells: decisions for others, or what the teacher keeps. */
function beyondTold(file: StudioContents, pupil: string | null): readonly Refused[] {
  if (pupil === null) return [];
  return (['pieces', 'pupils'] as const).flatMap((table) =>
    file[table]
      .filter((record) => !sameHeld(onlyOurs(table, record), toldOf(table, record, pupil)))
      .map((record) => ({ table, id: String(heldIn(record, ['id'])), deed: 'change', why: 'others' }) as const),
  );
}

/** Fields of pieces that are each device’s own, and never told: nobody would miss them. */
const PASSED_OVER: readonly string[] = ['lastKey', 'usedAt', 'place', 'handedTo'];

function onlyOurs(table: 'pieces' | 'pupils', record: Held): Held {
  if (table === 'pupils' || !isPlain(record)) return record;
  return Object.fromEntries(Object.entries(record).filter(([name]) => !PASSED_OVER.includes(name)));
}

/** A piece that comes in by a hand-over is known as the pupil’s: what else comes with it later may change it. */
function handedTo(one: Wanted, pupil: string | null): Wanted {
  const isNewPiece = one.table === 'pieces' && one.field.length === 0 && isPlain(one.value);
  return isNewPiece ? { ...one, value: { ...(one.value as object), handedTo: pupil } } : one;
}

/** What is known of who wrote what, and what both sides wrote, as far as it is this pupil’s. */
async function ofPupil(
  view: Pick<StudioView, 'get'>,
  stampsOf: (ids: readonly string[]) => Promise<ReadonlyMap<string, Stamp>>,
  { joined, pupil, added }: { readonly joined: Joined; readonly pupil: string; readonly added: ReadonlySet<string> },
): Promise<Joined> {
  const known = await stampsOf(joined.stamps.map(({ id }) => id));
  const stamps: Stamp[] = [];
  for (const stamp of joined.stamps) {
    const place = placeOf(stamp);
    const here = await view.get(place);
    const own = known.get(stamp.id) ?? null;
    const isAdded = here === undefined && added.has(stamp.id);
    const fields = ownFields({ stamp, own, place, here, isAdded }, pupil);
    if (Object.keys(fields).length > 0) stamps.push({ ...stamp, fields });
  }
  const granted = new Map(stamps.map((stamp) => [stamp.id, stamp]));
  const conflicts = joined.conflicts.filter(
    (conflict) => (granted.get(recordName(conflict))?.fields[JSON.stringify(conflict.field)]?.others.length ?? 0) > 0,
  );
  return { wanted: [], stamps, conflicts };
}

interface Stamped {
  readonly stamp: Stamp;
  readonly own: Stamp | null;
  readonly place: RecordPlace;
  readonly here: Held;
  /** Whether the file brings the record. */
  readonly isAdded: boolean;
}

/** What is known from now on of the fields of a record: of the pupil’s own what the file says as well, of all others what was known here. */
function ownFields({ stamp, own, place, here, isAdded }: Stamped, pupil: string): Stamp['fields'] {
  const { table, id } = place;
  const isOwn = (name: string): boolean => {
    const field = JSON.parse(name) as Field;
    if (isAdded) return true;
    if (table === 'pupils') return id === pupil && name !== THERE && isTold(table, field, pupil);
    if (table !== 'pieces') return (here === undefined ? (own ?? stamp).pupil : ownerOf(here)) === pupil;
    return (isHandedTo(here, pupil) && name !== THERE) || isFieldOf({ ...place, field }, pupil);
  };
  const others = Object.entries(own?.fields ?? {}).filter(([name]) => !isOwn(name));
  return Object.fromEntries([...others, ...Object.entries(stamp.fields).filter(([name]) => isOwn(name))]);
}
