/** Stands for a function that is called back: there is nothing in it to check. */
export const CALLED_BACK = 'called-back';

/** Reads a value of a question. Throws a `ValidationError` for what no screen of ours sends. */
interface Check<T> {
  readonly validateSync: (value: unknown, options?: { readonly strict: boolean }) => T;
}

/**
 * What may be said in each question of a service, value by value. The compiler says where a question or a value is not checked, or is checked for
 * something else than what the service takes.
 */
export type Checks<S> = {
  readonly [Name in keyof S]: S[Name] extends (...asked: infer Asked) => unknown
    ? {
        readonly [I in keyof Required<Asked>]: NonNullable<Asked[I]> extends (...told: never[]) => unknown
          ? typeof CALLED_BACK
          : Check<Asked[I]>;
      }
    : never;
};
