/** The path below which the application is served, without a slash at its end; empty where it has a machine’s address to itself. Next puts it in front of the
 * places of links by itself, not in front of what is fetched. */
export const BASE_PATH = process.env['NEXT_PUBLIC_BASE_PATH'] ?? '';

/** The address of a file that comes with the application: `path` begins with a slash. */
export function ownAddress(path: string): string {
  return `${BASE_PATH}${path}`;
}

/** The shelf stands at the base path itself, without a slash. */
export const SHELF = BASE_PATH === '' ? '/' : BASE_PATH;
