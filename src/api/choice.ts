/** Reads a value of the query that is one of some; the usual one where nothing is said. */
export type Choice = <T extends string>(name: string, values: readonly T[], usual: T) => T;
