/** Reads what a page shows at a scroll offset. */
import type { Look, Watched } from '@lyvek/core';

export type Wanted = Pick<Watched, 'selector' | 'index' | 'properties'>;

const frames = (n: number) =>
  new Promise<void>((done) => {
    const next = (left: number) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1)));
    next(n);
  });

const elementOf = ({ selector, index }: Wanted): Element | null => {
  try {
    return document.querySelectorAll(selector)[index] ?? null;
  } catch {
    return null;
  }
};

/** Scrolls, waits until the animations have heard of it, and reads computed values. */
export async function look(y: number, wanted: readonly Wanted[]): Promise<Look> {
  scrollTo({ top: y, behavior: 'instant' });
  await frames(2);
  return {
    y: scrollY,
    values: wanted.map((w) => {
      const e = elementOf(w);
      if (!e) return null;
      const style = getComputedStyle(e);
      return w.properties.map((p) => style.getPropertyValue(p).slice(0, 2000));
    }),
  };
}
