'use client';

import { useSearchParams } from 'next/navigation';
import { useMemo } from 'react';

/** Fields of an address with what each may be: a reader gives the value, or what counts where it says nothing it can use. */
export type QueryShape = Readonly<Record<string, (said: string | null) => unknown>>;

export type QueryOf<Shape extends QueryShape> = { readonly [Name in keyof Shape]: ReturnType<Shape[Name]> };

/** The address of a screen as it is read through its shape. */
export function useQuery<Shape extends QueryShape>(shape: Shape): QueryOf<Shape> {
  const query = useSearchParams();
  return useMemo(() => readQuery(shape, new URLSearchParams(query)), [shape, query]);
}

export function readQuery<Shape extends QueryShape>(shape: Shape, query: URLSearchParams): QueryOf<Shape> {
  return Object.fromEntries(Object.entries(shape).map(([name, read]) => [name, read(query.get(name))])) as QueryOf<Shape>;
}

/** Changes fields of the address that is shown; null takes one out. `push` makes an entry for the back button. */
export function changeQuery(change: Readonly<Record<string, string | null>>, entry: 'push' | 'replace' = 'push'): void {
  const query = new URLSearchParams(window.location.search);
  for (const [name, value] of Object.entries(change)) {
    if (value === null) query.delete(name);
    else query.set(name, value);
  }
  const said = query.toString();
  const address = `${window.location.pathname}${said === '' ? '' : `?${said}`}`;
  if (entry === 'push') window.history.pushState(null, '', address);
  else window.history.replaceState(null, '', address);
}
