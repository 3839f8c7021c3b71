/** A function that wants the words of a language first. */
type Wants<Terms> = (t: Terms, ...rest: never[]) => unknown;

/** The same without them. */
type Given<Terms, F extends Wants<Terms>> = F extends (t: Terms, ...rest: infer Rest) => infer Said
  ? (...rest: Rest) => Said
  : never;

/** Gives functions their first argument, each by its name. */
export function withTerms<Terms, All extends Readonly<Record<string, Wants<Terms>>>>(
  t: Terms,
  functions: All,
): { readonly [Name in keyof All]: Given<Terms, All[Name]> } {
  return Object.fromEntries(
    Object.entries(functions).map(([name, said]) => [name, (...rest: never[]) => said(t, ...rest)]),
  ) as { readonly [Name in keyof All]: Given<Terms, All[Name]> };
}
