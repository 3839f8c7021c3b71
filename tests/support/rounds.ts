/** How often a test lives through chance: a part in every check, all of it in `npm run endure`. The seeds of the part are the first of all. */
export function rounds(part: number, all: number): number {
  return process.env['NEW_THUMB_ROUNDS'] === 'all' ? all : part;
}
