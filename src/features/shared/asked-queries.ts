/** The queries that were asked for and that the screen has not shown yet, oldest first. The router shows an address a moment after it was asked for, and
 * while it does so it may put an older one back into the window: what is asked for next must go on from the newest, not from what the window says. */
export type AskedQueries = readonly string[];

/** The queue with one more query at its end; the one that is already shown is not waited for. */
export function withAsked(asked: AskedQueries, query: string, shown: string): AskedQueries {
  return asked.length === 0 && query === shown ? asked : [...asked, query];
}

/** What is still waited for once the screen shows a query. One that was not asked for here, as by a link, settles them all. */
export function withShown(asked: AskedQueries, shown: string): AskedQueries {
  const at = asked.lastIndexOf(shown);
  return at < 0 ? [] : asked.slice(at + 1);
}
