import { err, ok, type Result, groupBy } from '@/core/base';
import { heldIn, sameHeld, withHeld, type Held } from '../records/field';
import { FORM } from '../records/records';
import { understandIn } from '../records/tables';
import type { Unclear } from '../records/understand';
import type { StoreFault } from './commands';
import { recordName, type ChangedField, type RecordPlace } from './history-records';
import type { StudioView, Wanted } from './view';

/** A record as it becomes; `undefined`: it goes. */
export interface Becoming extends RecordPlace {
  readonly record: Held;
}

/** What a change comes to: the records as they become, and each field with what it held. Fields that hold already what is wanted are not among them. */
export interface Applied {
  readonly records: readonly Becoming[];
  readonly changed: readonly ChangedField[];
}

/** Whether a record may hold what is not understood. What is read from a file may: it is kept as it is. What a screen asks for may not. */
export type Strictness = 'understood' | 'as it is';

/** Works out what a change comes to. Every record is checked against its schema as it becomes, so that no command can leave one behind that is
 * not understood. Errors: `store.gone`, `store.unclear`, `store.invalid`. */
export async function applied(
  view: StudioView,
  wanted: readonly Wanted[],
  strictness: Strictness,
): Promise<Result<Applied, StoreFault>> {
  const records: Becoming[] = [];
  const changed: ChangedField[] = [];
  for (const fields of groupBy(wanted, recordName).values()) {
    const { table, id } = fields[0] as Wanted;
    const place = { table, id };
    const before = await view.get(place);
    let record = before ?? blank(place);
    for (const { field, value } of fields) {
      const held = heldIn(record, field);
      if (sameHeld(held, value)) continue;
      if (record === undefined && field.length > 0) return err({ code: 'store.gone', place });
      const next = withHeld(record, field, value);
      if (!next) return err({ code: 'store.unclear', place, field });
      record = next.record;
      changed.push({ ...place, field, before: held, after: value });
    }
    if (sameHeld(before, record)) continue;
    const fault = record === undefined ? null : faultIn(place, before, record, strictness);
    if (fault) return err(fault);
    records.push({ ...place, record });
  }
  return ok({ records, changed });
}

/** Settings and desk are there as soon as one of their fields is: each field is an edit of its own from the first on. */
function blank({ table, id }: RecordPlace): Held {
  return table === 'kept' && (id === 'settings' || id === 'desk') ? { id, form: FORM, value: {} } : undefined;
}

/** What is newly not understood in a record. */
function faultIn(place: RecordPlace, before: Held, after: Held, strictness: Strictness): StoreFault | null {
  const read = understandIn(place.table, after);
  if (read.kind === 'unreadable') {
    // A record that was none before is not made worse.
    const wasNone = before !== undefined && understandIn(place.table, before).kind === 'unreadable';
    return wasNone ? null : { code: 'store.invalid', place, field: [], why: read.why };
  }
  if (read.unclear.length === 0 || strictness === 'as it is') return null;
  const old = before === undefined ? null : understandIn(place.table, before);
  const known: readonly Unclear[] = old?.kind === 'record' ? old.unclear : [];
  const fresh = read.unclear.find(
    (one) => !known.some((other) => other.field[0] === one.field[0] && sameHeld(other.value, one.value)),
  );
  return fresh ? { code: 'store.invalid', place, field: fresh.field, why: fresh.why } : null;
}
