/** Sees what the page moves by itself: animations of its rules and scripts, and styles that its scripts write while it is scrolled. */
import type { OwnMotion } from '@lyvek/core';
import { pageScroller, readRect } from './dom.ts';

/** So long after it was scrolled a script may still be answering, ms. */
const ANSWERS = 250;
/** New finds are told of once no more come for so long, ms. */
const REST = 600;
const MAX_WRITTEN = 200;
/** Once so many are known of an element it is not compared again. */
const MAX_PROPERTIES = 12;

interface Written {
  properties: Set<string>;
  /** stretch of scroll over which it was written */
  from: number;
  to: number;
  /** how much of it has been told */
  told: number;
}

const compared = document.createElement('i');

/** Properties that differ between two style attributes. */
function changedProperties(before: string | null, now: CSSStyleDeclaration): string[] {
  compared.style.cssText = before ?? '';
  const old = compared.style;
  const names = new Set([...old, ...now]);
  return [...names].filter(
    // `animation` is what we take scripts’ animations back by.
    (name) => !/^(--lv-|animation)/.test(name) && old.getPropertyValue(name) !== now.getPropertyValue(name),
  );
}

/** Listens from the beginning on, since scripts write when they like. */
export class OwnMotions {
  private readonly written = new Map<Element, Written>();
  private observer: MutationObserver | null = null;
  private scrolledAt = -Infinity;
  private timer = 0;

  /** `onFound`: something is moved that was not known to be. */
  constructor(private readonly onFound: () => void) {}

  watch(): void {
    addEventListener('scroll', () => (this.scrolledAt = performance.now()), { passive: true, capture: true });
    this.observer = new MutationObserver((records) => this.hear(records));
    this.observer.observe(document, {
      attributes: true,
      attributeFilter: ['style'],
      attributeOldValue: true,
      subtree: true,
    });
  }

  private hear(records: readonly MutationRecord[]): void {
    if (performance.now() - this.scrolledAt > ANSWERS) return;
    for (const { target, oldValue } of records) {
      const e = target as HTMLElement;
      if (!e.style || e === document.documentElement) continue;
      const known = this.written.get(e);
      if (!known && this.written.size >= MAX_WRITTEN) continue;
      const { properties, from, to, told } = known ?? {
        properties: new Set(),
        from: scrollY,
        to: scrollY,
        told: 0,
      };
      const before = properties.size;
      if (before < MAX_PROPERTIES) for (const p of changedProperties(oldValue, e.style)) properties.add(p);
      if (properties.size === 0) continue;
      const now = { properties, from: Math.min(from, scrollY), to: Math.max(to, scrollY), told };
      if (properties.size > before || now.to - now.from > told + innerHeight / 2) {
        now.told = now.to - now.from;
        this.tell();
      }
      this.written.set(e, now);
    }
  }

  /** What was just written was written by us. */
  forget(): void {
    this.observer?.takeRecords();
  }

  private tell(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(this.onFound, REST) as unknown as number;
  }

  /** `indexOf`: measured elements. With our own motions off. */
  list(indexOf: ReadonlyMap<Element, number>): OwnMotion[] {
    this.forget();
    const writes = [...this.written].flatMap(([e, { properties, from, to }]): OwnMotion[] => {
      const element = indexOf.get(e);
      return element === undefined || !e.isConnected
        ? []
        : [
            {
              element,
              properties: [...properties].slice(0, 40),
              by: 'writes',
              drives: 'scroll',
              start: from,
              end: to,
            },
          ];
    });
    return [...listAnimated(indexOf), ...writes].slice(0, 400);
  }
}

const NOT_PROPERTIES = new Set(['offset', 'computedOffset', 'easing', 'composite']);
const toCss = (name: string): string =>
  name.startsWith('--')
    ? name
    : name === 'cssOffset'
      ? 'offset'
      : name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

type Timeline = AnimationTimeline & {
  source?: Element;
  axis?: string;
  startOffset?: { value: number } | null;
  endOffset?: { value: number } | null;
};

/** What one running animation moves; null where it is ours, over, or on nothing that was measured. */
function readAnimation(animation: Animation, indexOf: ReadonlyMap<Element, number>): OwnMotion | null {
  const { effect, timeline, id, playState } = animation;
  const name = animation instanceof CSSAnimation ? animation.animationName : id;
  if (!(effect instanceof KeyframeEffect) || animation instanceof CSSTransition || name.startsWith('lv-'))
    return null;
  const element = effect.target && !effect.pseudoElement ? indexOf.get(effect.target) : undefined;
  if (element === undefined) return null;
  const properties = [
    ...new Set(effect.getKeyframes().flatMap((k) => Object.keys(k).filter((p) => !NOT_PROPERTIES.has(p)))),
  ].map(toCss);
  const { source, startOffset, endOffset } = (timeline ?? {}) as Timeline;
  const drives = source ? 'scroll' : 'time';
  // What is over, and what an inner scroller drives, has no place along the page.
  if (properties.length === 0 || (drives === 'time' && playState === 'finished')) return null;
  const rect = readRect(effect.target!);
  const seen = { start: rect.top + scrollY - innerHeight, end: rect.bottom + scrollY };
  const ofPage = source === pageScroller();
  return {
    element,
    properties: properties.slice(0, 40),
    by: animation instanceof CSSAnimation ? 'rules' : 'script',
    drives,
    ...(effect.composite === 'replace' ? {} : { adds: true }),
    ...(ofPage && startOffset && endOffset
      ? { start: startOffset.value, end: endOffset.value }
      : ofPage
        ? { start: 0, end: pageScroller().scrollHeight - innerHeight }
        : seen),
  };
}

const listAnimated = (indexOf: ReadonlyMap<Element, number>): OwnMotion[] =>
  document.getAnimations().flatMap((a) => readAnimation(a, indexOf) ?? []);
