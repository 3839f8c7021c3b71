/** What was worked out before, kept so that it is not worked out again. None of it changes an answer: the same comes out each time. Everything that the
 * core keeps is kept by one of these three, so that it is bounded and can be dropped in one place (`forgetAll`). */

/** A function of one object that remembers its result for as long as the object lives. */
export function memoOf<K extends object, V>(make: (of: K) => V): (of: K) => V {
  let known = new WeakMap<K, { readonly value: V }>();
  drops.add(() => (known = new WeakMap()));
  return (of) => {
    const found = known.get(of);
    if (found) return found.value;
    const value = make(of);
    known.set(of, { value });
    return value;
  };
}

/** A function of an object and more that remembers its last result for each object: it is given again while the rest is the same too, value by value. */
export function memoLast<K extends object, A extends readonly unknown[], V>(
  make: (of: K, ...more: A) => V,
): (of: K, ...more: A) => V {
  let known = new WeakMap<K, { readonly more: A; readonly value: V }>();
  drops.add(() => (known = new WeakMap()));
  return (of, ...more) => {
    const last = known.get(of);
    if (last && last.more.length === more.length && last.more.every((one, i) => one === more[i])) return last.value;
    const value = make(of, ...more);
    known.set(of, { more, value });
    return value;
  };
}

/** Results by name. */
export interface Memo<V> {
  readonly get: (name: string, make: () => V) => V;
  readonly size: () => number;
}

/** Keeps so many results by name; then the oldest is forgotten. */
export function memo<V>(most: number): Memo<V> {
  const known = new Map<string, V>();
  return {
    get: (name, make) => {
      const found = known.get(name);
      if (found !== undefined) return found;
      const value = make();
      known.set(name, value);
      if (known.size > most) known.delete(known.keys().next().value as string);
      return value;
    },
    size: () => known.size,
  };
}

/** One that lives as long as the program: it is emptied by `forgetAll` too. */
export function lastingMemo<V>(most: number): Memo<V> {
  let own = memo<V>(most);
  drops.add(() => (own = memo(most)));
  return { get: (name, make) => own.get(name, make), size: () => own.size() };
}

const drops = new Set<() => void>();

/** Drops everything that was kept, for a caller who needs the memory more than the time: a worker whose work is done. */
export function forgetAll(): void {
  for (const drop of drops) drop();
}
