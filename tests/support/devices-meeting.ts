import type { ChangedField } from '@/data/door/history-records';
import { recordName } from '@/data/door/history-records';
import { joinRecord, type Sided } from '@/data/join/join';
import { placeOf, stampsAfter, type Stamp } from '@/data/join/stamp';
import { heldIn, withHeld, type Field, type Held } from '@/data/records/field';
import type { Wanted } from '@/data/door/view';

/** What one device holds: records by their names, and what it knows of their writing. */
export interface Device {
  readonly name: string;
  readonly records: ReadonlyMap<string, Held>;
  readonly stamps: ReadonlyMap<string, Stamp>;
}

export function device(name: string, records: Readonly<Record<string, Held>> = {}): Device {
  return { name, records: new Map(Object.entries(records)), stamps: new Map() };
}

/** A device that wrote a field of a record (the whole of it by the field `[]`), as the door does. */
export function writes(at: Device, id: string, field: Field, after: Held): Device {
  const place = placeOf({ id, fields: {} });
  const record = at.records.get(id);
  const before = heldIn(record, field);
  const changed: ChangedField = { ...place, field, before, after };
  const next = put(at.records, [{ ...place, field, value: after }]);
  const stamps = new Map(at.stamps);
  for (const stamp of stampsAfter([changed], at.stamps, at.name)) stamps.set(stamp.id, stamp);
  return { ...at, records: next, stamps };
}

/** A device after it took in what another one holds. */
export function meets(at: Device, other: Device): Device {
  const ids = new Set([...other.records.keys(), ...other.stamps.keys()]);
  let records = at.records;
  const stamps = new Map(at.stamps);
  for (const id of ids) {
    const side = ({ records: has, stamps: knows }: Device): Sided => ({
      record: has.get(id),
      stamp: knows.get(id) ?? null,
    });
    const { wanted, stamp } = joinRecord(placeOf({ id, fields: {} }), side(at), side(other));
    records = put(records, wanted);
    if (stamp) stamps.set(id, stamp);
  }
  return { ...at, records, stamps };
}

function put(records: ReadonlyMap<string, Held>, wanted: readonly Wanted[]): ReadonlyMap<string, Held> {
  const next = new Map(records);
  for (const one of wanted) {
    const id = recordName(one);
    const placed = withHeld(next.get(id), one.field, one.value);
    if (!placed) throw new Error(`nothing can be put into ${one.field.join('/')} of ${id}`);
    if (placed.record === undefined) next.delete(id);
    else next.set(id, placed.record);
  }
  return next;
}
