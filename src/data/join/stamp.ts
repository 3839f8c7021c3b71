import { mixed, object, string } from 'yup';
import { heldIn, holdsEntries, leafOf, isPlain, leavesIn, sameHeld, type Field, type Held } from '../records/field';
import { recordName, type ChangedField, type RecordPlace } from '../records/place';
import type { TableName } from '../records/tables';
import { unchanged, written, type Register, type Written } from './register';

/** What devices wrote into one record: by field, how many writings of each are known of, which one stands here, and what else stands. The value that
 * stands here is in the record itself; of a record that is not there any more it is here. A field that is not among them was never changed. */
export interface Stamp {
  /** As `plan/p1`. */
  readonly id: string;
  readonly fields: Readonly<Record<string, StampedField>>;
  /** Whose it was, of a record of one pupil that is not there any more. */
  readonly pupil?: string | undefined;
}

/** What was known of records before something came in from another device, and after. */
export type StampsTurned = readonly { readonly id: string; readonly before: Stamp | null; readonly after: Stamp }[];

export interface StampedField {
  readonly seen: Register['seen'];
  readonly dot: Written['dot'];
  /** The same value from other devices, or other values that nobody chose between yet. */
  readonly others: readonly Written[];
  /** Only where the record is not there. */
  readonly value?: Held;
}

function isDot(value: unknown): boolean {
  return (
    value === null ||
    (Array.isArray(value) && value.length === 2 && typeof value[0] === 'string' && Number.isInteger(value[1]))
  );
}

function isField(value: unknown): boolean {
  return (
    isPlain(value) &&
    isPlain(value['seen']) &&
    Object.values(value['seen']).every((count) => Number.isInteger(count) && (count as number) > 0) &&
    isDot(value['dot']) &&
    Array.isArray(value['others']) &&
    value['others'].every((other) => isPlain(other) && isDot(other['dot']))
  );
}

/** A field is named by the text of its path; lists are known by their entries. */
function isFieldName(name: string): boolean {
  try {
    const path: unknown = JSON.parse(name);
    return Array.isArray(path) && path.every((part) => typeof part === 'string') && !holdsEntries(path);
  } catch {
    return false;
  }
}

/** Fields have names that are not known ahead, so each is looked at by itself. */
export const stampSchema = object({
  id: string().required(),
  pupil: string().optional(),
  fields: mixed<Stamp['fields']>(
    (value): value is Stamp['fields'] =>
      isPlain(value) && Object.keys(value).every(isFieldName) && Object.values(value).every(isField),
  ).required(),
});

/** The tables that several devices write into. */
export const JOINED_TABLES = [
  'pieces',
  'pupils',
  'plan',
  'lessons',
  'answers',
  'runs',
] as const satisfies readonly TableName[];

/** Fields that are each device’s own: what a record is called, and what is noted without being an edit. */
const OWN_FIELDS: readonly string[] = ['id', 'form', 'lastKey', 'usedAt', 'handedTo'];

export function isJoined(table: TableName, field: Field): boolean {
  return JOINED_TABLES.some((name) => name === table) && !OWN_FIELDS.includes(field[0] ?? '');
}

/** Whether the record is there at all: a field like others. Every change of the record writes it, so that what one side takes out while the other
 * goes on with it is not lost. */
export const THERE = '[]';

/** What a record says of all its fields, with what is known of them. */
export function registersOf(record: Held, stamp: Stamp | null): ReadonlyMap<string, Register> {
  const isThere = record !== undefined;
  const found = new Map<string, Register>();
  if (isThere || stamp?.fields[THERE]) found.set(THERE, registerOf(stamp?.fields[THERE], isThere));
  for (const [name, value] of leavesIn(record))
    if (!OWN_FIELDS.includes((JSON.parse(name) as string[])[0] ?? ''))
      found.set(name, registerOf(stamp?.fields[name], value));
  for (const [name, field] of Object.entries(stamp?.fields ?? {}))
    if (!found.has(name)) found.set(name, registerOf(field, isThere ? undefined : field.value));
  return found;
}

function registerOf(field: StampedField | undefined, value: Held): Register {
  return field ? { seen: field.seen, stands: [{ dot: field.dot, value }, ...field.others] } : unchanged(value);
}

/** What is to be kept of registers beside the record; nothing of fields that nobody changed. */
export function stampOf(id: string, registers: ReadonlyMap<string, Register>, pupil?: string): Stamp | null {
  const isThere = registers.get(THERE)?.stands[0]?.value === true;
  const fields = [...registers].flatMap(([name, { seen, stands }]) => {
    const [first, ...others] = stands as readonly [Written, ...Written[]];
    const isUnchanged = others.length === 0 && first.dot === null;
    const value = isThere || name === THERE ? {} : { value: first.value };
    return isUnchanged ? [] : [[name, { seen, dot: first.dot, others, ...value }] as const];
  });
  const whose = isThere || pupil === undefined ? {} : { pupil };
  return fields.length === 0 ? null : { id, fields: Object.fromEntries(fields), ...whose };
}

/** The stamps of the records that an edit of this device changed. `known` are their stamps before. A record that is new has none. */
export function stampsAfter(
  changed: readonly ChangedField[],
  known: ReadonlyMap<string, Stamp>,
  device: string,
): readonly Stamp[] {
  const after = new Map<string, Stamp>();
  for (const one of changed) {
    if (!isJoined(one.table, one.field)) continue;
    const id = recordName(one);
    const stamp = after.get(id) ?? known.get(id) ?? { id, fields: {} };
    const isNew = one.field.length === 0 && one.before === undefined;
    if (isNew && !known.has(id)) continue;
    const names = [THERE, ...leavesOfChange(one, stamp)];
    const fields = Object.fromEntries(names.map((name) => [name, stampedNow(stamp.fields[name], device)]));
    after.set(id, { id, fields: { ...keptFields(stamp, one), ...fields }, ...whoseIt(one) });
  }
  return [...after.values()];
}

function stampedNow(field: StampedField | undefined, device: string): StampedField {
  const { seen, stands } = written(field ? { seen: field.seen, stands: [] } : null, device, null);
  return { seen, dot: (stands[0] as Written).dot, others: [] };
}

/** Whose a record was that goes. */
function whoseIt({ field, before, after }: ChangedField): { readonly pupil?: string } {
  const pupil = field.length === 0 && after === undefined ? heldIn(before, ['pupil']) : undefined;
  return typeof pupil === 'string' ? { pupil } : {};
}

/** What is known of the fields: where the record goes, with what stood in them; where it comes back, that is in it again. */
function keptFields({ fields }: Stamp, { field, before, after }: ChangedField): Stamp['fields'] {
  if (field.length > 0 || (before === undefined) === (after === undefined)) return fields;
  return Object.fromEntries(
    Object.entries(fields).map(([name, { value: _gone, ...known }]) =>
      after === undefined ? [name, { ...known, value: valueAt(before, name) }] : [name, known],
    ),
  );
}

/** The fields that a change wrote. A record that comes back says what it said, unless a field of it is another one now. */
function leavesOfChange({ field, before, after }: ChangedField, { fields }: Stamp): readonly string[] {
  if (field.length > 0) {
    if (!holdsEntries(field)) return [JSON.stringify(leafOf(field))];
    // Each entry that differs.
    return differingLeaves(inside(field, before), inside(field, after));
  }
  if (after === undefined) return [];
  if (before !== undefined) return differingLeaves(before, after);
  return Object.keys(fields).filter((name) => name !== THERE && !sameHeld(fields[name]?.value, valueAt(after, name)));
}

/** A record that holds nothing but this field. */
function inside(field: Field, value: Held): Held {
  return field.toReversed().reduce<Held>((held, name) => ({ [name]: held }), value);
}

function differingLeaves(before: Held, after: Held): readonly string[] {
  const [old, fresh] = [leavesIn(before), leavesIn(after)];
  const names = [...new Set([...old.keys(), ...fresh.keys()])];
  return names.filter((name) => JSON.stringify(old.get(name)) !== JSON.stringify(fresh.get(name)));
}

/** What stands in a field of a record, by the text of the field. */
export function valueAt(record: Held, name: string): Held {
  return name === THERE ? record !== undefined : heldIn(record, JSON.parse(name) as string[]);
}

/** The stamps of some records, by their names. */
export function byRecord(stamps: readonly Stamp[]): ReadonlyMap<string, Stamp> {
  return new Map(stamps.map((stamp) => [stamp.id, stamp]));
}

export function placeOf({ id }: Stamp): RecordPlace {
  const [table, ...rest] = id.split('/');
  return { table: table as TableName, id: rest.join('/') };
}
