import type { StudioView, Wanted } from '../door/view';
import { pupilIn } from './hand-over';
import { grantedTo, type FileKind, type Granted } from './rights';
import { heldIn, isPlain, leavesIn, pupilOf, sameHeld, type Field, type Held } from '../records/field';
import { FORM } from '../records/records';
import { recordName } from '../records/place';
import { understandIn, type AsideRecord } from '../records/tables';
import { contentsOf, LISTS, type StudioContents, type TakingIn } from './contents';

/** What a file and the studio have in common, and what not: by table, the names of the records. */
export interface Comparison {
  readonly table: (typeof LISTS)[number];
  /** In the file only, in the studio only, in both but with other contents. */
  readonly fresh: readonly string[];
  readonly missing: readonly string[];
  readonly differing: readonly string[];
  readonly same: number;
}

export async function compareWith(view: StudioView, file: StudioContents): Promise<readonly Comparison[]> {
  const here = await contentsOf(view);
  return LISTS.map((table) => {
    const [own, theirs] = [byId(here[table]), byId(file[table])];
    const both = [...theirs.keys()].filter((id) => own.has(id));
    const differing = both.filter((id) => !sameHeld(own.get(id), theirs.get(id)));
    return {
      table,
      fresh: [...theirs.keys()].filter((id) => !own.has(id)),
      missing: [...own.keys()].filter((id) => !theirs.has(id)),
      differing,
      same: both.length - differing.length,
    };
  });
}

function byId(records: readonly unknown[]): ReadonlyMap<string, Held> {
  return new Map(records.map((record) => [String(heldIn(record, ['id'])), record]));
}

/** What the studio has to hold once a file is taken in, as far as a file of this kind may do that. Only fields that differ are wanted, so that the rest is not
 * touched. */
export async function wantedByTakingIn(
  view: StudioView,
  file: StudioContents,
  how: TakingIn,
  kind: FileKind,
): Promise<Granted> {
  return grantedTo({ kind, pupil: pupilIn(file) }, view, await wishesOf(view, file, how));
}

async function wishesOf(view: StudioView, file: StudioContents, how: TakingIn): Promise<readonly Wanted[]> {
  const here = await contentsOf(view);
  const coming = pupilsComing(here, file);
  const lists = LISTS.flatMap((table) => {
    const [own, theirs] = [byId(here[table]), byId(file[table])];
    const put = [...theirs].flatMap(([id, record]) => {
      const there = own.get(id);
      if (there === undefined) return [{ table, id, field: [], value: record }];
      const place = { table, id, field: [] };
      return how === 'keep' ? decidedFor(coming, place, there, record) : fieldsOf(place, there, record);
    });
    const gone = how === 'replace' ? [...own.keys()].filter((id) => !theirs.has(id)) : [];
    return [...put, ...gone.map((id) => ({ table, id, field: [], value: undefined }))];
  });
  return [...lists, ...(await wantedKept(view, here, file, how)), ...wantedAside(here, file)];
}

function pupilsComing(here: StudioContents, file: StudioContents): ReadonlySet<string> {
  const known = byId(here.pupils);
  return new Set([...byId(file.pupils).keys()].filter((id) => !known.has(id)));
}

/** A piece that is here stays as it is; what was decided in it for pupils who come in comes with them. */
function decidedFor(
  pupils: ReadonlySet<string>,
  place: Omit<Wanted, 'value'>,
  here: Held,
  theirs: Held,
): readonly Wanted[] {
  const own = leavesIn(here);
  return [...leavesIn(theirs)].flatMap(([name, value]) => {
    const field = JSON.parse(name) as Field;
    return own.has(name) || !pupils.has(pupilOf(field) ?? '') ? [] : [{ ...place, field, value }];
  });
}

/** The top fields in which a record of the file differs from the one that is here. */
function fieldsOf(place: Omit<Wanted, 'value'>, here: Held, theirs: Held): readonly Wanted[] {
  if (!isPlain(here) || !isPlain(theirs)) return [{ ...place, value: theirs }];
  const names = [...new Set([...Object.keys(here), ...Object.keys(theirs)])].filter(
    (name) => !sameHeld(here[name], theirs[name]),
  );
  return names.map((name) => ({ ...place, field: [...place.field, name], value: theirs[name] }));
}

/** Settings and the desk are the studio's own: they stay unless the file's take their place. What was carried along comes from both. */
async function wantedKept(
  view: StudioView,
  here: StudioContents,
  file: StudioContents,
  how: TakingIn,
): Promise<readonly Wanted[]> {
  const put = async (
    id: 'settings' | 'desk' | 'carried',
    own: unknown,
    theirs: unknown,
  ): Promise<readonly Wanted[]> => {
    if (sameHeld(own, theirs)) return [];
    const isThere = id !== 'carried' || (await view.get({ table: 'kept', id })) !== undefined;
    if (!isThere) return [{ table: 'kept', id, field: [], value: { id, form: FORM, value: theirs } }];
    return fieldsOf({ table: 'kept', id, field: ['value'] }, own, theirs);
  };
  const carried =
    how === 'replace'
      ? file.carried
      : how === 'renew'
        ? { ...here.carried, ...file.carried }
        : { ...file.carried, ...here.carried };
  const own =
    how === 'keep'
      ? []
      : [...(await put('settings', here.settings, file.settings)), ...(await put('desk', here.desk, file.desk))];
  return [...own, ...(await put('carried', here.carried, carried))];
}

/** What could not be understood in the file is set aside here; what can be understood by now comes to its place. */
function wantedAside(here: StudioContents, file: StudioContents): readonly Wanted[] {
  const all: AsideRecord[] = [...here.aside];
  /** Records that are in their places already, or come there: their names are taken. */
  const placed = new Map<string, Held>(
    [here, file].flatMap((side) =>
      LISTS.flatMap((table) =>
        side[table].map((record) => [recordName({ table, id: String(heldIn(record, ['id'])) }), record] as const),
      ),
    ),
  );
  return file.aside.flatMap((one): readonly Wanted[] => {
    const table = LISTS.find((name) => name === one.table);
    const id = heldIn(one.value, ['id']);
    const isClear = table !== undefined && typeof id === 'string' && understandIn(table, one.value).kind === 'record';
    if (isClear) {
      const name = recordName({ table, id });
      if (sameHeld(placed.get(name), one.value)) return [];
      if (!placed.has(name)) {
        placed.set(name, one.value);
        return [{ table, id, field: [], value: one.value }];
      }
    }
    // The same thing set aside before, from wherever, is not set aside twice; other things that bear its name are.
    if (all.some((other) => other.table === one.table && sameHeld(other.value, one.value))) return [];
    const own = { ...one, id: freeName(one.id, all) };
    all.push(own);
    return [{ table: 'aside', id: own.id, field: [], value: own }];
  });
}

/** A name that nothing that was set aside bears yet. */
function freeName(name: string, taken: readonly AsideRecord[]): string {
  const names = new Set(taken.map(({ id }) => id));
  if (!names.has(name)) return name;
  let count = 2;
  while (names.has(`${name} (${count})`)) count += 1;
  return `${name} (${count})`;
}
