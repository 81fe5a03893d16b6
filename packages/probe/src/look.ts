/** Reads what a page shows at a scroll offset, with damped motions at rest or timed ones held at a share of their time where that is wished. */
import type { Look, ScheduledLook, Watched } from '@lyvek/core';
import { findTargets, pageScroller, readStyle } from './dom.ts';

export type Wanted = Pick<Watched, 'selector' | 'index' | 'properties' | 'when'>;

const frames = (n: number) =>
  new Promise<void>((done) => {
    const next = (left: number) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1)));
    next(n);
  });

/** Times that a page is waited for until it stands still. */
const MAX_SETTLES = 4;

interface Looked {
  e: Element;
  /** the pseudo-element of it that is looked at; empty for itself */
  part: string;
}

const findElement = ({ selector, index }: Wanted): Looked | null => {
  try {
    const { hosts, part } = findTargets(selector);
    const e = hosts[index];
    return e ? { e, part } : null;
  } catch {
    return null;
  }
};

/** What plays in time on an element. Nothing else of it sets what is looked at then, so it does not matter whose it is. */
const listTimed = ({ e, part }: Looked): Animation[] =>
  e
    .getAnimations({ subtree: part !== '' })
    .filter(({ timeline }) => timeline === null || timeline === document.timeline)
    .filter(({ effect }) => {
      const { target, pseudoElement } = effect as KeyframeEffect;
      return target === e && (pseudoElement ?? '') === part;
    });

/** Holds what is timed on an element at a share of its duration; false where nothing of it is there. */
function held(e: Looked, share: number): boolean {
  const all = listTimed(e);
  for (const a of all) {
    const { delay = 0, activeDuration } = a.effect!.getComputedTiming();
    a.pause();
    a.currentTime = delay + share * Number(activeDuration);
  }
  return all.length > 0;
}

/** Scrolls, waits until the animations have heard of it, and reads computed values. */
export async function look(at: ScheduledLook, wanted: readonly Wanted[]): Promise<Look> {
  scrollTo({ top: at.y, behavior: 'instant' });
  await frames(2);
  // What moves may push the page along, where the browser keeps its content in place (scroll anchoring).
  let y = at.y;
  for (let tries = 0; scrollY !== y && tries < MAX_SETTLES; tries++) {
    y = scrollY;
    await frames(2);
  }
  const restless = scrollY !== y;
  if (at.rest) {
    await new Promise((done) => setTimeout(done, at.rest));
    await frames(2);
  }
  const found = wanted.map((w) => {
    const e = findElement(w);
    return !e || at.share === undefined || w.when !== 'in-time' || held(e, at.share) ? e : null;
  });
  return {
    y: scrollY,
    height: pageScroller().scrollHeight,
    ...(restless ? { restless } : {}),
    values: wanted.map((w, i) => {
      const e = found[i];
      if (!e) return null;
      const style = readStyle(e.e, e.part);
      return w.properties.map((p) => style.getPropertyValue(p).slice(0, 2000));
    }),
  };
}
