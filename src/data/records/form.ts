/** The newest form of stored records: the version of the database in which the form of any of them changed last. Every record carries the form
 * it was written in; migrations.ts brings older ones up. */
export const FORM = 5;
