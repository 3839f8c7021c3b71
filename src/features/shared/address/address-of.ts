/** The address of a screen, with what is known of these. */
export function addressOf(path: string, query: Readonly<Record<string, string | null>>): string {
  const known = Object.entries(query).filter((entry): entry is [string, string] => entry[1] !== null);
  return `${path}?${new URLSearchParams(known).toString()}`;
}
