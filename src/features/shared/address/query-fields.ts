import { mixed, string, type Schema } from 'yup';

/** Reads one field of an address: what was said of it, or null where it is not there. */
export type FieldReader<T> = (said: string | null) => T;

/** A field of a schema; what it cannot be counts as not said. */
export function field<T, U>(schema: Schema<T>, otherwise: U): FieldReader<T | U> {
  return (said) => (schema.isValidSync(said) ? schema.cast(said) : otherwise);
}

/** A field that is one of these words. */
export function oneOf<T extends string, U>(values: readonly T[], otherwise: U): FieldReader<T | U> {
  return field(
    mixed<T>()
      .oneOf([...values])
      .required() as Schema<T>,
    otherwise,
  );
}

/** A field of several words with commas between; all of them are as the schema wants, or none counts. */
export function listOf<T extends string>(schema: Schema<readonly T[]>): FieldReader<readonly T[]> {
  return (said) => {
    const list = (said ?? '').split(',').filter(Boolean);
    return schema.isValidSync(list) ? [...new Set(list as unknown as readonly T[])] : [];
  };
}

/** A field of any words that are not empty. */
export const text: FieldReader<string | null> = field(string().required(), null);
