/** Ends a `switch` over a union: a forgotten case becomes a compile error. */
export function assertNever(value: never): never {
  throw new Error(`unhandled case: ${JSON.stringify(value)}`);
}
