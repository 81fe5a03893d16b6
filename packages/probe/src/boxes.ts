/**
 * Border boxes in their scroller's content coordinates, without transforms and without sticky shifts. Rectangles carry transforms,
 * so elements below a transform, and sticky ones, are read from the browser's own view timelines.
 */
import type { Box, Sticky } from '@lyvek/core';
import type { Containers } from './containers.ts';
import { px, readPort, readRect, readStyle } from './dom.ts';
import { flatten, takeTransforms } from './flatten.ts';

declare class ViewTimeline {
  constructor(options: { subject: Element; axis: string; inset: string });
  readonly startOffset: { value: number } | null;
  readonly endOffset: { value: number } | null;
}

/** Creating view timelines grows quadratically with those alive. */
const MAX_TIMELINES = 700;

/** How much larger its px are; 1 where a browser does not say. */
const readZoom = (e: Element): number => (e as { currentCSSZoom?: number }).currentCSSZoom ?? 1;

/** It may lie in several columns. */
function isInPieces(e: Element): boolean {
  for (let p = e.parentElement; p; p = p.parentElement) {
    const { columnCount, columnWidth } = readStyle(p);
    if (columnCount !== 'auto' || columnWidth !== 'auto') return true;
  }
  return false;
}

export class Boxes {
  readonly notes: string[] = [];
  readonly containers: Containers;
  private readonly known = new Map<Element, { box: Box; sticky: Sticky | null }>();
  private readonly moved = new Map<Element, boolean>();
  private readonly carriers = new Map<Element, Element | null>();
  private timelines = 0;

  constructor(containers: Containers) {
    this.containers = containers;
  }

  of(e: Element): { box: Box; sticky: Sticky | null } {
    const cached = this.known.get(e);
    if (cached) return cached;
    const made = this.measure(e);
    this.known.set(e, made);
    return made;
  }

  private measure(e: Element): { box: Box; sticky: Sticky | null } {
    const { isSticky } = this.containers.readPlacing(e);
    const carrier = this.stickyAncestor(e);
    // What is carried has no timeline that tells its own box: its transforms are taken off it for a moment.
    const plain = carrier || isSticky ? this.untransformed(e) : this.rectangle(e);
    // Shapes lie in their drawing, which is laid out; transforms among them are part of the drawing.
    const drawing = e instanceof SVGElement ? e.ownerSVGElement : null;
    if (drawing) return this.carried(plain, drawing);
    if (isSticky) return this.sticky(e, readStyle(e), plain);
    if (carrier) return this.carried(plain, carrier);
    return { box: this.isMoved(e) ? this.unmoved(e, plain) : plain, sticky: null };
  }

  /** Where it lies as its carrier is laid out. */
  private carried(plain: Box, carrier: Element): { box: Box; sticky: Sticky | null } {
    const held = this.of(carrier);
    const outer = this.untransformed(carrier);
    return {
      box: { ...plain, x: held.box.x + plain.x - outer.x, y: held.box.y + plain.y - outer.y },
      sticky: held.sticky,
    };
  }

  private rectangle(e: Element): Box {
    const rect = readRect(e);
    if (this.containers.isFixed(e))
      return { x: rect.left, y: rect.top, width: rect.width, height: rect.height };
    const scroller = this.containers.findElement(this.containers.findScroller(e));
    if (!scroller)
      return { x: rect.left + scrollX, y: rect.top + scrollY, width: rect.width, height: rect.height };
    const frame = readRect(scroller);
    // What is zoomed scrolls by px of its own.
    const zoom = readZoom(scroller);
    return {
      x: (rect.left - frame.left) / zoom - scroller.clientLeft + scroller.scrollLeft,
      y: (rect.top - frame.top) / zoom - scroller.clientTop + scroller.scrollTop,
      width: rect.width / zoom,
      height: rect.height / zoom,
    };
  }

  private untransformed(e: Element): Box {
    if (!this.isMoved(e)) return this.rectangle(e);
    const undo = takeTransforms(e);
    const box = this.rectangle(e);
    undo();
    return box;
  }

  /** True below or on a transform of the page's own. */
  private isMoved(e: Element): boolean {
    const cached = this.moved.get(e);
    if (cached !== undefined) return cached;
    const is =
      this.containers.readPlacing(e).isTransformed ||
      e.tagName === 'foreignObject' ||
      (e.parentElement !== null && this.isMoved(e.parentElement));
    this.moved.set(e, is);
    return is;
  }

  private span(e: Element, axis: 'block' | 'inline'): { start: number; end: number } | null {
    if (this.timelines++ > MAX_TIMELINES) return null;
    if (typeof ViewTimeline === 'undefined') return this.flatSpan(e, axis);
    const t = new ViewTimeline({ subject: e, axis, inset: '0px' });
    return t.startOffset && t.endOffset ? { start: t.startOffset.value, end: t.endOffset.value } : null;
  }

  private flatSpan(e: Element, axis: 'block' | 'inline'): { start: number; end: number } {
    const undo = flatten(e);
    const { x, y, width, height } = this.rectangle(e);
    const port = this.port(e);
    undo();
    return axis === 'block'
      ? { start: y - port.height, end: y + height }
      : { start: x - port.width, end: x + width };
  }

  private unmoved(e: Element, plain: Box): Box {
    const isVertical = !this.writing(e).writingMode.startsWith('horizontal');
    const down = this.span(e, isVertical ? 'inline' : 'block');
    const across = this.span(e, isVertical ? 'block' : 'inline');
    if (!down || !across) {
      if (this.timelines > MAX_TIMELINES && !this.notes.length)
        this.notes.push(
          `More than ${MAX_TIMELINES} elements lie below transforms; the boxes of the rest carry those transforms.`,
        );
      return plain;
    }
    const port = this.port(e);
    return {
      x: across.start + port.width,
      y: down.start + port.height,
      width: across.end - across.start - port.width,
      height: down.end - down.start - port.height,
    };
  }

  /** What its own view timeline takes instead of its box, from the box’s corner on; null where they are the same. */
  asSubject(e: Element): Box | null {
    // Words in a line count from the top of their paragraph, in Chromium and WebKit (measured).
    const isInline = e instanceof HTMLElement && readStyle(e).display === 'inline';
    const isShape = e instanceof SVGElement && e.ownerSVGElement !== null;
    if (!isInline && !isShape && !this.isAgainst(e) && !isInPieces(e)) return null;
    if (!isShape && (this.containers.readPlacing(e).isSticky || this.stickyAncestor(e))) return null;
    const { box } = this.of(e);
    const taken = this.unmoved(e, box);
    const own = { ...taken, x: taken.x - box.x, y: taken.y - box.y };
    const differs = [own.x, own.y, own.width - box.width, own.height - box.height].some(
      (d) => Math.abs(d) > 0.01,
    );
    return differs ? own : null;
  }

  /** Its scroller counts from another side than the left and the top. */
  private isAgainst(e: Element): boolean {
    const { direction, writingMode } = this.writing(e);
    return direction === 'rtl' || writingMode !== 'horizontal-tb';
  }

  /** How its scroller counts. */
  private writing(e: Element): CSSStyleDeclaration {
    return readStyle(
      this.containers.findElement(this.containers.findScroller(e)) ?? document.documentElement,
    );
  }

  private port(e: Element): { width: number; height: number } {
    const scroller = this.containers.findElement(this.containers.findScroller(e));
    return scroller ? readPort(scroller) : { width: innerWidth, height: innerHeight };
  }

  /** What carries it within its own scroller: what carries that one carries all of its content alike. */
  private stickyAncestor(e: Element): Element | null {
    const cached = this.carriers.get(e);
    if (cached !== undefined) return cached;
    const within = this.containers.findScroller(e);
    const scroller = this.containers.findElement(within);
    let found: Element | null = null;
    for (let p = e.parentElement; p && p !== scroller; p = p.parentElement) {
      const { isSticky, position } = this.containers.readPlacing(p);
      if (isSticky) found = p;
      if (isSticky || position === 'fixed') break;
      // From here on it is asked for the same.
      if (this.containers.findScroller(p) === within) {
        found = this.stickyAncestor(p);
        break;
      }
    }
    this.carriers.set(e, found);
    return found;
  }

  /** Where it would lie unstuck, and over which scroll it is carried. The view timeline's outer edges lie outside the carried stretch. */
  private sticky(e: Element, style: CSSStyleDeclaration, plain: Box): { box: Box; sticky: Sticky | null } {
    const port = this.port(e);
    const span = this.span(e, 'block');
    const byStart = style.top !== 'auto';
    const inset = px(byStart ? style.top : style.bottom);
    // Parts of a table stick within all of it.
    const holder = style.display.startsWith('table-') ? e.closest('table') : e.parentElement;
    if (!span || !holder) return { box: plain, sticky: null };
    const y = byStart ? span.start + port.height : span.end - plain.height;
    const parent = this.of(holder).box;
    const frame = readStyle(holder);
    const box = { ...plain, y };
    if (byStart) {
      const bottom =
        parent.y +
        parent.height -
        px(frame.borderBottomWidth) -
        px(frame.paddingBottom) -
        px(style.marginBottom);
      return {
        box,
        sticky: { edge: 'start', at: y - inset, travel: Math.max(0, bottom - y - plain.height) },
      };
    }
    const top = parent.y + px(frame.borderTopWidth) + px(frame.paddingTop) + px(style.marginTop);
    return {
      box,
      sticky: { edge: 'end', at: y + plain.height - port.height + inset, travel: Math.max(0, y - top) },
    };
  }
}
