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
