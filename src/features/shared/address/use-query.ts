'use client';

import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo } from 'react';
import { withAsked, withoutAsked, withShown, type AskedQueries } from './asked-queries';

/** Fields of an address with what each may be: a reader gives the value, or what counts where it says nothing it can use. */
export type QueryShape = Readonly<Record<string, (said: string | null) => unknown>>;

export type QueryOf<Shape extends QueryShape> = { readonly [Name in keyof Shape]: ReturnType<Shape[Name]> };

let queries: AskedQueries = { shown: '', waiting: [] };

/** The address of a screen as it is read through its shape. */
export function useQuery<Shape extends QueryShape>(shape: Shape): QueryOf<Shape> {
  const query = useSearchParams().toString();
  useEffect(() => {
    queries = withShown(queries, query);
  }, [query]);
  useEffect(() => {
    const forget = (): void => void (queries = withoutAsked(queries));
    window.addEventListener('popstate', forget);
    return () => {
      window.removeEventListener('popstate', forget);
      forget();
    };
  }, []);
  return useMemo(() => readQuery(shape, new URLSearchParams(query)), [shape, query]);
}

export function readQuery<Shape extends QueryShape>(shape: Shape, query: URLSearchParams): QueryOf<Shape> {
  return Object.fromEntries(
    Object.entries(shape).map(([name, read]) => [name, read(query.get(name))]),
  ) as QueryOf<Shape>;
}

/** The address as it was asked for last: keys pressed in quick succession each go on from the one before, whether or not the screen has caught up. */
export function queryNow(): URLSearchParams {
  return new URLSearchParams(queries.waiting.at(-1) ?? window.location.search);
}

/** Changes fields of the address; null takes one out. `push` makes an entry for the back button. */
export function changeQuery(change: Readonly<Record<string, string | null>>, entry: 'push' | 'replace' = 'push'): void {
  const query = queryNow();
  for (const [name, value] of Object.entries(change)) {
    if (value === null) query.delete(name);
    else query.set(name, value);
  }
  const said = query.toString();
  queries = withAsked(queries, said);
  const address = `${window.location.pathname}${said === '' ? '' : `?${said}`}`;
  if (entry === 'push') window.history.pushState(null, '', address);
  else window.history.replaceState(null, '', address);
}
