/** Where a piece is practised in a key; in its own, where none is named. */
export function practiceAddress(piece: string, key: string | null): string {
  return `/practice?piece=${encodeURIComponent(piece)}${key === null ? '' : `&key=${encodeURIComponent(key)}`}`;
}
