/** The outcome of work that may be refused for reasons a teacher should hear about.
 * A refusal is a value, never thrown: it crosses workers and route handlers whole. */
export type Result<T, E> = Ok<T> | Err<E>;

export interface Ok<T> {
  readonly ok: true;
  readonly value: T;
}

export interface Err<E> {
  readonly ok: false;
  readonly error: E;
}

/** Wraps a value that was reached.
 * @example ok(3) //=> { ok: true, value: 3 } */
export function ok<T>(value: T): Ok<T> {
  return { ok: true, value };
}

/** Wraps the reason why no value was reached.
 * @example err('no key') //=> { ok: false, error: 'no key' } */
export function err<E>(error: E): Err<E> {
  return { ok: false, error };
}

/** Takes the value out where a refusal would be a mistake of ours, and throws then. */
export function unwrap<T, E>(result: Result<T, E>): T {
  if (result.ok) return result.value;
  throw new Error(`unexpected refusal: ${JSON.stringify(result.error)}`);
}
