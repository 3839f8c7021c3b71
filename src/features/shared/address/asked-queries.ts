/** What the address of a screen says and what it was asked to say. The router shows an address a moment after it was asked for, and while it does so it may
 * put an older one back into the window: what is asked for next must go on from the newest, not from what the window says. */
export interface AskedQueries {
  /** The query the screen shows. */
  readonly shown: string;
  /** The queries that were asked for and are not shown yet, oldest first. */
  readonly waiting: readonly string[];
}

/** One more query is asked for; the one that is already shown is not waited for. */
export function withAsked({ shown, waiting }: AskedQueries, query: string): AskedQueries {
  return { shown, waiting: waiting.length === 0 && query === shown ? waiting : [...waiting, query] };
}

/**
 * The screen shows a query, and what was asked for before it is settled. A query that was not asked for here, as by a link, settles all. Each part of a
 * screen that reads the address tells of it; the second to tell of the same query changes nothing.
 */
export function withShown(queries: AskedQueries, shown: string): AskedQueries {
  if (shown === queries.shown) return queries;
  const at = queries.waiting.lastIndexOf(shown);
  return { shown, waiting: at < 0 ? [] : queries.waiting.slice(at + 1) };
}

/** Nothing is waited for: back and forward go to what the window says, whatever was asked for. */
export function withoutAsked({ shown }: AskedQueries): AskedQueries {
  return { shown, waiting: [] };
}
