/** Groups items by a key, keeping their order; groups come in the order of their first items.
 * (Node.js 20 does not have `Map.groupBy` yet.) */
export function groupBy<T, K>(items: readonly T[], keyOf: (item: T) => K): ReadonlyMap<K, readonly T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
