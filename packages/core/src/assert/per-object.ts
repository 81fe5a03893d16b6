/** What is computed once per object. Documents, layouts and their parts never change: an edit makes new ones and keeps the rest. */

/** The same function, which remembers its answer for as long as its argument lives. The argument must not be changed. */
export function perObject<K extends object, V>(compute: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (of) => {
    const hit = known.get(of);
    if (hit) return hit.value;
    const value = compute(of);
    known.set(of, { value });
    return value;
  };
}

/** The value under a key, made where there is none. A map of `most` values is emptied first: few of them are asked for again. */
export function findOrMake<V>(known: Map<string, V>, key: string, most: number, make: () => V): V {
  const hit = known.get(key);
  if (hit !== undefined) return hit;
  const value = make();
  if (known.size >= most) known.clear();
  known.set(key, value);
  return value;
}
