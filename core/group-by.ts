/**
 * Things by a key, those of one key in the order in which they came; groups in the order of the first of each.
 * @example [...groupBy(["fig", "pear", "lime"], (name) => name.length)] // [[3, ["fig"]], [4, ["pear", "lime"]]]
 */
export function groupBy<T, K>(things: Iterable<T>, keyOf: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}
