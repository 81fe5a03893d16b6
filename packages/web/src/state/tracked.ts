/** Values that a component works out for many parts below it, each of which is drawn again only when something that it has read has changed. */
import { useLayoutEffect, useMemo, useState, useSyncExternalStore } from 'react';

export interface Source<T extends object> {
  read(): T;
  subscribe(hear: () => void): () => void;
}

/**
 * The source of what was worked out last. Parts that are drawn in the same turn read it already, since they are drawn later; the others are
 * told once it is on the screen.
 */
export function useSource<T extends object>(value: T): Source<T> {
  const [source] = useState(() => {
    const listeners = new Set<() => void>();
    const now = { value };
    return {
      now,
      read: () => now.value,
      subscribe(hear: () => void) {
        listeners.add(hear);
        return () => void listeners.delete(hear);
      },
      tell: () => listeners.forEach((hear) => hear()),
    };
  });
  source.now.value = value;
  useLayoutEffect(() => source.tell(), [source, value]);
  return source;
}

/** All of it, for what passes it on. */
export function useWhole<T extends object>(source: Source<T>): T {
  const [value, set] = useState(source.read);
  useLayoutEffect(() => source.subscribe(() => set(source.read())), [source]);
  return value;
}

/** Its fields for one part. What is read later, in a handler, is what it is then, and is no reason to draw the part again. */
export function useTracked<T extends object>(source: Source<T>): T {
  const tracker = useMemo(() => track(source), [source]);
  useSyncExternalStore(tracker.subscribe, tracker.version);
  tracker.begin();
  useLayoutEffect(() => tracker.end());
  return tracker.fields;
}

function track<T extends object>(source: Source<T>) {
  const seen = new Map<PropertyKey, unknown>();
  let drawing = false;
  let version = 0;
  const get = (key: PropertyKey): unknown => source.read()[key as keyof T];
  const isOutdated = () => [...seen].some(([key, value]) => !Object.is(value, get(key)));
  return {
    fields: new Proxy({} as T, {
      get: (_, key) => {
        const value = get(key);
        if (drawing) seen.set(key, value);
        return value;
      },
    }),
    begin: () => {
      drawing = true;
      seen.clear();
    },
    end: () => {
      drawing = false;
    },
    /** A number that grows when something that was read while drawing is something else now. */
    version: () => {
      if (!isOutdated()) return version;
      for (const key of seen.keys()) seen.set(key, get(key));
      return ++version;
    },
    // Who has been drawn since it changed knows it already.
    subscribe: (hear: () => void) => source.subscribe(() => isOutdated() && hear()),
  };
}
