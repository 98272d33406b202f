/** What `known` has under a key, made and kept if it is new; when it holds `most` things all are forgotten first. */
export function remembered<K, V>(known: Map<K, V>, most: number, key: K, make: () => V): V {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make();
  if (known.size >= most) known.clear();
  known.set(key, made);
  return made;
}
