import { ValidationError } from 'yup';
import { heldIn, isPlain, type Held } from './field';

/** What a stored record should be, and what counts in a field that it lacks or that cannot be understood. */
export interface Shape<T> {
  readonly schema: { readonly validateSync: (value: unknown, options: { readonly strict: true }) => T };
  readonly usual: Readonly<Record<string, unknown>>;
}

/** Something in a record that could not be understood: where it stands, what it is, and why it is not. */
export interface Unclear {
  readonly field: readonly string[];
  readonly value: unknown;
  readonly why: string;
}

/** A stored record as it is understood. What is unclear stays in the store as it is; the rest of the record counts. */
export type Understood<T> =
  | { readonly kind: 'record'; readonly record: T; readonly unclear: readonly Unclear[] }
  | { readonly kind: 'unreadable'; readonly why: string };

/** So many things in one record may be unclear before it counts as none. */
const MOST_UNCLEAR = 200;

/** Reads a stored record: as it is, or without what cannot be understood in it. Never takes what is usual for a field that can be read. */
export function understand<T>({ schema, usual }: Shape<T>, stored: unknown): Understood<T> {
  if (!isPlain(stored)) return { kind: 'unreadable', why: 'it is no record' };
  let value: unknown = withUsual(stored, usual);
  const unclear: Unclear[] = [];
  while (unclear.length <= MOST_UNCLEAR) {
    const trouble = troubleIn(schema, value);
    if (!trouble) return { kind: 'record', record: value as T, unclear };
    const place = placeOf(trouble.path);
    const found = valueAt(value, place);
    const without = withoutPlace(value, place, usual);
    if (!without || found === undefined) return { kind: 'unreadable', why: trouble.why };
    unclear.push({ field: place.map(String), value: found, why: trouble.why });
    value = without.value;
  }
  return { kind: 'unreadable', why: 'almost nothing in it can be understood' };
}

/** The record where there is one. */
export function understoodRecord<T>(shape: Shape<T>, stored: unknown): T | null {
  const read = understand(shape, stored);
  return read.kind === 'record' ? read.record : null;
}

function withUsual(stored: Readonly<Record<string, unknown>>, usual: Shape<unknown>['usual']): unknown {
  const missing = Object.keys(usual).filter((name) => stored[name] === undefined);
  return missing.length === 0
    ? stored
    : { ...stored, ...Object.fromEntries(missing.map((name) => [name, usual[name]])) };
}

/** The first thing that is wrong with a value; null where nothing is. */
function troubleIn(
  schema: Shape<unknown>['schema'],
  value: unknown,
): { readonly path: string; readonly why: string } | null {
  try {
    schema.validateSync(value, { strict: true });
    return null;
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    // The schema says “field must be …”: which field it is stands elsewhere.
    const path = error.path ?? '';
    return {
      path,
      why: shortened(
        path === ''
          ? error.message
          : error.message.replace(path, 'it').replace('one of the following values: ', 'one of: '),
      ),
    };
  }
}

/** A message of the schema may hold the whole value. */
function shortened(message: string): string {
  return message.length > 160 ? `${message.slice(0, 159)}…` : message;
}

type Place = readonly (string | number)[];

/** The smallest thing that can be left out for a trouble: one entry of a list, or a field. */
function placeOf(path: string): Place {
  const names = path
    .split(/[.[\]]+/)
    .filter(Boolean)
    .map((name) => (/^\d+$/.test(name) ? Number(name) : name));
  const entry = names.findIndex((name) => typeof name === 'number');
  return entry < 0 ? names : names.slice(0, entry + 1);
}

function valueAt(value: unknown, place: Place): unknown {
  return place.reduce<unknown>((at, name) => {
    if (Array.isArray(at)) return typeof name === 'number' ? at[name] : undefined;
    return isPlain(at) ? at[String(name)] : undefined;
  }, value);
}

/** The value without what stands at a place: an entry goes out of its list, a field becomes what is usual there. Null where that would leave
 * no record: the field is one that it cannot do without. */
function withoutPlace(value: unknown, place: Place, usual: unknown): { readonly value: unknown } | null {
  const [name, ...rest] = place;
  if (name === undefined) return null;
  if (Array.isArray(value))
    return typeof name === 'number' && rest.length === 0 ? { value: value.toSpliced(name, 1) } : null;
  if (!isPlain(value)) return null;
  const usualHere = isPlain(usual) ? usual[String(name)] : undefined;
  if (rest.length === 0) {
    if (usualHere === value[String(name)]) return null;
    return { value: { ...value, [String(name)]: usualHere } };
  }
  const inner = withoutPlace(value[String(name)], rest, usualHere);
  if (inner) return { value: { ...value, [String(name)]: inner.value } };
  return usualHere === undefined ? null : { value: { ...value, [String(name)]: usualHere } };
}

/** What stands in a record of what is kept, the settings for one; where nothing was chosen, what is usual. */
export function understoodKept<T>(shape: Shape<T>, kept: Held): T {
  const value = heldIn(kept, ['value']);
  return understoodRecord(shape, isPlain(value) ? value : {}) ?? (shape.usual as T);
}
