/** A field of a stored record: the names that lead to it, the whole record where there are none. Inside a keyed list the name is the key of
 * one entry, so that two edits of one list change two fields: `['decided', 'fingers', '…']` is the finger of one note. */
export type Field = readonly string[];

/** What a field holds. `undefined`: there is no such field. */
export type Held = unknown;

type Plain = Readonly<Record<string, unknown>>;

/** Lists whose entries are fields of their own, by the place of the list: the names by which an entry is known, or that it is a text. They are kept in
 * the order of their keys, so that taking an entry out and putting it back gives the same list. */
const KEYED_BY: Readonly<Record<string, readonly string[] | 'text'>> = {
  respelled: 'text',
  tags: 'text',
  'decided/fingers': ['pupil', 'key', 'note'],
  'decided/aside': ['pupil', 'key', 'flag'],
  'decided/marks': ['pupil', 'key', 'kind', 'note'],
  homework: ['pupil', 'key'],
  keysKnown: 'text',
  groups: 'text',
  spans: ['day'],
  judged: ['key'],
  ownStages: ['id'],
  stageFingers: ['stage', 'pupil', 'key', 'note'],
};

/** How the key of an entry is made. */
const KEYED_LISTS: Readonly<Record<string, (entry: unknown) => string | null>> = Object.fromEntries(
  Object.entries(KEYED_BY).map(([list, names]) => [
    list,
    (entry: unknown) => (names === 'text' ? (typeof entry === 'string' ? entry : null) : keyFrom(entry, names)),
  ]),
);

function keyFrom(entry: unknown, names: readonly string[]): string | null {
  if (!isPlain(entry)) return null;
  const parts = names.map((name) => entry[name] ?? null);
  return parts.every((part) => part === null || typeof part === 'string') ? JSON.stringify(parts) : null;
}

/** For whom something in a field is: a pupil by id, or anybody (null). A respelling names a pupil behind the key and the note. */
export function pupilOf(field: Field): string | null {
  const key = field.at(-1) ?? '';
  const list = field.slice(0, -1).join('/');
  if (list === 'respelled') return key.split('|')[2] ?? null;
  const names = KEYED_BY[list];
  const at = Array.isArray(names) ? names.indexOf('pupil') : -1;
  const pupil = at < 0 ? null : partsOf(key)[at];
  return typeof pupil === 'string' ? pupil : null;
}

/** What the key of an entry was made from. Keys come out of files too: nothing of one that is none. */
function partsOf(key: string): readonly unknown[] {
  try {
    const parts: unknown = JSON.parse(key);
    return Array.isArray(parts) ? parts : [];
  } catch {
    return [];
  }
}

/** The key of an entry of a keyed list, for commands that change it. Throws where the list has no such entries: a fault of ours. */
export function entryKey(list: Field, entry: unknown): string {
  const key = KEYED_LISTS[list.join('/')]?.(entry) ?? null;
  if (key === null) throw new TypeError(`no entry of ${list.join('/')}: ${JSON.stringify(entry)}`);
  return key;
}

/** What stands in a field of a record. */
export function heldIn(record: Held, field: Field): Held {
  let value = record;
  for (const [i, name] of field.entries()) {
    const keyOf = KEYED_LISTS[field.slice(0, i).join('/')];
    if (keyOf && Array.isArray(value)) value = value.find((entry) => keyOf(entry) === name);
    else if (isPlain(value)) value = value[name];
    else return undefined;
  }
  return value;
}

/** A record with another value in one field; everything else is the same object as before. Null where the way to the field is blocked by
 * something that is no record and no list: what is not understood is never written over. */
export function withHeld(record: Held, field: Field, value: Held): { readonly record: Held } | null {
  return placed(record, field, value, []);
}

function placed(at: Held, field: Field, value: Held, path: Field): { readonly record: Held } | null {
  const [name, ...rest] = field;
  if (name === undefined) return { record: value };
  const keyOf = KEYED_LISTS[path.join('/')];
  // A list that a record was written before is empty.
  const list = at === undefined ? [] : at;
  if (keyOf) return Array.isArray(list) && rest.length === 0 ? { record: withEntry(list, name, value, keyOf) } : null;
  if (!isPlain(at)) return null;
  const inner = placed(at[name], rest, value, [...path, name]);
  if (!inner) return null;
  if (inner.record !== undefined) return { record: { ...at, [name]: inner.record } };
  return { record: Object.fromEntries(Object.entries(at).filter(([other]) => other !== name)) };
}

function withEntry(
  list: readonly unknown[],
  key: string,
  entry: Held,
  keyOf: (entry: unknown) => string | null,
): readonly unknown[] {
  const others = list.filter((other) => keyOf(other) !== key);
  if (entry === undefined) return others;
  const next = others.findIndex((other) => {
    const otherKey = keyOf(other);
    return otherKey === null || otherKey > key;
  });
  return others.toSpliced(next < 0 ? others.length : next, 0, entry);
}

/** A keyed list in the order of its keys. Of two entries with one key the later counts, as it always has; what has no key stands behind. */
export function inKeyOrder(list: Field, entries: readonly unknown[]): readonly unknown[] {
  const keyOf = KEYED_LISTS[list.join('/')];
  if (!keyOf) return entries;
  const byKey = new Map(
    entries.flatMap((entry) => {
      const key = keyOf(entry);
      return key === null ? [] : [[key, entry] as const];
    }),
  );
  const keyed = [...byKey].toSorted(([a], [b]) => (a < b ? -1 : 1)).map(([, entry]) => entry);
  return [...keyed, ...entries.filter((entry) => keyOf(entry) === null)];
}

/** Whether two fields of one record have something in common: one of them leads to the other. */
export function overlap(a: Field, b: Field): boolean {
  return a.slice(0, b.length).every((name, i) => name === b[i]);
}

/** Whether two stored values say the same. Fields that are not there and fields that hold `undefined` are alike. */
export function sameHeld(a: Held, b: Held): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((entry, i) => sameHeld(entry, b[i]))
    );
  if (!isPlain(a) || !isPlain(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((name) => sameHeld(a[name], b[name]));
}

/** Whether a value is a plain object: a record, or a part of one. */
export function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !ArrayBuffer.isView(value);
}

/** The field that two devices are compared by: an entry of a keyed list, or a field of the record with all that is in it. */
export function leafOf(field: Field): Field {
  const list = field.findIndex((_, i) => `${field.slice(0, i + 1).join('/')}` in KEYED_LISTS);
  return list < 0 ? field.slice(0, 1) : field.slice(0, list + 2);
}

/** Everything that a record says, leaf by leaf, by the text of its field. */
export function leavesIn(record: Held): ReadonlyMap<string, Held> {
  return new Map(isPlain(record) ? leavesAt(record, []) : []);
}

/** Fields that have keyed lists in them. */
const HOLDS_LISTS: ReadonlySet<string> = new Set(
  Object.keys(KEYED_LISTS).flatMap((list) => (list.includes('/') ? [list.slice(0, list.lastIndexOf('/'))] : [])),
);

/** Whether a field is no leaf, but a list of entries, or has such lists in it. */
export function holdsEntries(field: Field): boolean {
  const name = field.join('/');
  return name in KEYED_LISTS || HOLDS_LISTS.has(name);
}

function leavesAt(at: Plain, path: Field): readonly (readonly [string, Held])[] {
  return Object.entries(at).flatMap(([name, value]): readonly (readonly [string, Held])[] => {
    const field = [...path, name];
    const keyOf = KEYED_LISTS[field.join('/')];
    if (keyOf && Array.isArray(value))
      return value.flatMap((entry) => {
        const key = keyOf(entry);
        return key === null ? [] : [[JSON.stringify([...field, key]), entry] as const];
      });
    return HOLDS_LISTS.has(field.join('/')) && isPlain(value)
      ? leavesAt(value, field)
      : [[JSON.stringify(field), value]];
  });
}
