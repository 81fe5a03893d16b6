/** Where ranges lie, in browsers that do not say it themselves. The same phases as in the core; only the measuring is done here. */
import { phaseSpans } from '@lyvek/core/phases';
import type { Amount, FallbackMotion, FallbackPlan, Inset } from '@lyvek/core';

type Point = FallbackMotion['range'][number];
type Geometry = Parameters<typeof phaseSpans>[0];
interface Span {
  start: number;
  end: number;
}

/** px; `whole` is what 100 % are of, and `e` the element whose font size counts. */
function px(amount: Amount, whole: number, e: Element): number {
  if (amount[0] === 'min' || amount[0] === 'max') {
    const [kind, ...of] = amount as ['min' | 'max', ...Amount[]];
    return Math[kind](...of.map((one) => px(one, whole, e)));
  }
  const [pct, at = 0, vh = 0, vw = 0, em = 0, rem = 0] = amount as number[];
  return (
    (pct! / 100) * whole +
    at +
    (vh / 100) * innerHeight +
    (vw / 100) * innerWidth +
    (em && em * fontSize(e)) +
    (rem && rem * fontSize(document.documentElement))
  );
}
const fontSize = (e: Element): number => parseFloat(getComputedStyle(e).fontSize) || 16;

const scrolls = (css: string) => css !== 'visible' && css !== 'clip';

const root = (): Element => document.scrollingElement ?? document.documentElement;
const isRoot = (scroller: Element): boolean => scroller === root();

export function findScroller(e: Element): Element {
  const whole = root();
  for (let p = e.parentElement; p && p !== document.body && p !== whole; p = p.parentElement) {
    const { overflowX, overflowY } = getComputedStyle(p);
    if (scrolls(overflowX) || scrolls(overflowY)) return p;
  }
  return whole;
}

interface Place {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What is drawn of it, from the scroller’s content edge. Its own animations are off while places are read. */
function findDrawn(e: Element, scroller: Element): Place {
  const { left, top, width, height } = e.getBoundingClientRect();
  if (isRoot(scroller)) return { x: left + scrollX, y: top + scrollY, width, height };
  const port = scroller.getBoundingClientRect();
  return {
    x: left - port.left - scroller.clientLeft + scroller.scrollLeft,
    y: top - port.top - scroller.clientTop + scroller.scrollTop,
    width,
    height,
  };
}

/** By offsets, which are whole px and know no transforms. */
function findOffset(e: HTMLElement, scroller: Element): Place {
  let [x, y] = [0, 0];
  for (let n: HTMLElement | null = e; n && n !== scroller; n = n.offsetParent as HTMLElement | null) {
    x += n.offsetLeft;
    y += n.offsetTop;
    if (n !== e) {
      x += n.clientLeft;
      y += n.clientTop;
    }
    // An offset parent outside of the scroller: counted from there for both.
    if (n.offsetParent && !scroller.contains(n.offsetParent)) {
      x -= (scroller as HTMLElement).offsetLeft + scroller.clientLeft;
      y -= (scroller as HTMLElement).offsetTop + scroller.clientTop;
      break;
    }
  }
  return { x, y, width: e.offsetWidth, height: e.offsetHeight };
}

/** Offsets are rounded at each step: what is drawn within that is more exact. */
const ROUNDED = 1.5;

/** Border box from the scroller’s content edge, without transforms. */
function findPlace(e: Element, scroller: Element): Place {
  const drawn = findDrawn(e, scroller);
  if (!(e instanceof HTMLElement)) {
    // A drawing has no offsets of its own; what it stands in has.
    const holder = e.parentElement!;
    const [at, seen] = [findPlace(holder, scroller), findDrawn(holder, scroller)];
    return { ...drawn, x: at.x + drawn.x - seen.x, y: at.y + drawn.y - seen.y };
  }
  // Offsets are of a page without zoom.
  if (((e as { currentCSSZoom?: number }).currentCSSZoom ?? 1) !== 1) return drawn;
  const offset = findOffset(e, scroller);
  const isNear = (k: keyof Place) => Math.abs(drawn[k] - offset[k]) <= ROUNDED;
  return {
    x: isNear('x') && isNear('width') ? drawn.x : offset.x,
    y: isNear('y') && isNear('height') ? drawn.y : offset.y,
    width: isNear('width') ? drawn.width : offset.width,
    height: isNear('height') ? drawn.height : offset.height,
  };
}

/** What carries an element along: itself or the nearest one around it that sticks. */
function computeSticky(e: Element, scroller: Element): HTMLElement | null {
  for (let p: Element | null = e; p && p !== scroller; p = p.parentElement)
    if (p instanceof HTMLElement && getComputedStyle(p).position === 'sticky') return p;
  return null;
}

/** With everything that sticks put back to its own place for a moment. */
function unstuck<T>(sticky: HTMLElement | null, work: () => T): T {
  if (!sticky) return work();
  const was = sticky.style.cssText;
  sticky.style.setProperty('position', 'relative', 'important');
  sticky.style.setProperty('inset', 'auto', 'important');
  const out = work();
  sticky.style.cssText = was;
  if (!was) sticky.removeAttribute('style');
  return out;
}

/** The size of what is seen of a scroller’s content. */
const findPort = (scroller: Element, block: boolean): number =>
  isRoot(scroller)
    ? block
      ? innerHeight
      : innerWidth
    : block
      ? scroller.clientHeight
      : scroller.clientWidth;

/** An inset in px; `auto` takes the scroller’s scroll padding. */
function findInset(
  inset: Inset,
  side: 'Start' | 'End',
  block: boolean,
  scroller: Element,
  e: Element,
): number {
  const port = findPort(scroller, block);
  if (inset !== 'auto') return px(inset, port, e);
  const padding = getComputedStyle(scroller)[`scrollPadding${block ? 'Block' : 'Inline'}${side}`];
  return ((parseFloat(padding) || 0) * (padding.endsWith('%') ? port : 100)) / 100;
}

function computeGeometry(subject: Element, axis: 'block' | 'inline', insets: [Inset, Inset]): Geometry {
  const scroller = findScroller(subject);
  const sticky = axis === 'block' ? computeSticky(subject, scroller) : null;
  const block = axis === 'block';
  const port = findPort(scroller, block);
  // Counted from where the text begins.
  const mirrored = !block && getComputedStyle(scroller).direction === 'rtl';
  const style = sticky && getComputedStyle(sticky);
  const [top, bottom] = style ? [style.top, style.bottom] : ['auto', 'auto'];
  return unstuck(sticky, () => {
    const at = findPlace(subject, scroller);
    let carried: Geometry['sticky'] = null;
    if (sticky && sticky.parentElement) {
      const own = findPlace(sticky, scroller);
      const holder = findPlace(sticky.parentElement, scroller);
      const room = getComputedStyle(sticky.parentElement);
      const css = getComputedStyle(sticky);
      const lost = (side: 'Top' | 'Bottom') =>
        [room[`border${side}Width`], room[`padding${side}`], css[`margin${side}`]].reduce(
          (sum, width) => sum + (parseFloat(width) || 0),
          0,
        );
      carried =
        top !== 'auto'
          ? {
              edge: 'start',
              at: own.y - parseFloat(top),
              travel: Math.max(0, holder.y + holder.height - lost('Bottom') - own.y - own.height),
            }
          : {
              edge: 'end',
              at: own.y + own.height - port + parseFloat(bottom),
              travel: Math.max(0, own.y - holder.y - lost('Top')),
            };
    }
    return {
      top: block ? at.y : mirrored ? port - at.x - at.width : at.x,
      size: block ? at.height : at.width,
      port,
      max: block ? scroller.scrollHeight - port : scroller.scrollWidth - port,
      insets: [
        findInset(insets[0], 'Start', block, scroller, subject),
        findInset(insets[1], 'End', block, scroller, subject),
      ],
      sticky: carried,
      viewport: { width: innerWidth, height: innerHeight },
      em: 16,
      rem: 16,
    };
  });
}

function onView(p: Point, g: Geometry, e: Element): number {
  if (p[0] === 'meets') {
    const [, edge, line] = p as ['meets', number, number];
    const offset = g.top + edge * g.size - line * g.port;
    const s = g.sticky;
    if (!s) return offset;
    // Where the box is drawn; while it sticks, its points meet no line.
    if (s.edge === 'start') return offset <= s.at ? offset : offset + s.travel;
    return offset <= s.at ? offset - s.travel : offset;
  }
  const [phase, at] = p as [keyof ReturnType<typeof phaseSpans>, Amount];
  const span = phaseSpans(g)[phase];
  return span.start + px(at, span.end - span.start, e);
}

const onExtent = (p: Point, { start, end }: Span, e: Element): number =>
  start + px(p[1] as Amount, end - start, e);

/** Where a motion’s places lie for one target; null where it has none. */
interface Listening {
  scroller: Element;
  inline: boolean;
  /** the offset of a place */
  at(p: Point): number;
}

function listen(m: FallbackMotion, target: Element): Listening | null {
  const { on } = m;
  if (on.kind === 'scroll') {
    const scroller = on.scroller ? document.querySelector(on.scroller) : root();
    if (!scroller) return null;
    const inline = on.axis === 'inline';
    const end = (inline ? scroller.scrollWidth : scroller.scrollHeight) - findPort(scroller, !inline);
    if (end <= 0) return null;
    return { scroller, inline, at: (p) => onExtent(p, { start: 0, end }, target) };
  }
  if (on.kind === 'pin') {
    const track = document.querySelector(on.track);
    if (!(track instanceof HTMLElement)) return null;
    const spacer = parseFloat(getComputedStyle(track, on.by === 'top' ? '::after' : '::before').height) || 0;
    const scroller = findScroller(track);
    const at = findPlace(track, scroller);
    const start =
      on.by === 'top'
        ? at.y - px(on.inset, innerHeight, track)
        : at.y + at.height - spacer - innerHeight + px(on.inset, innerHeight, track);
    return {
      scroller,
      inline: false,
      at: (p) => onExtent(p, { start, end: start + spacer }, target),
    };
  }
  if (on.kind !== 'view') return null;
  const subject =
    on.subject === null ? target : (target.closest(on.subject) ?? document.querySelector(on.subject));
  if (!subject) return null;
  const g = computeGeometry(subject, on.axis, on.insets);
  return {
    scroller: findScroller(subject),
    inline: on.axis === 'inline',
    at: (p) => onView(p, g, target),
  };
}

export interface ReadRange extends Span {
  scroller: Element;
  inline: boolean;
  /** per list of keyframes the places of those that hang on the range, as shares of it */
  places: number[][];
}

/** A motion’s range for one target, with the scroller it listens to; null where it has none. */
export function readRange(m: FallbackMotion, target: Element): ReadRange | null {
  const heard = listen(m, target);
  if (!heard) return null;
  const { scroller, inline, at } = heard;
  const [start, end] = [at(m.range[0]), at(m.range[1])];
  const share = (o: number | Point) => (typeof o === 'number' ? o : (at(o) - start) / (end - start || 1));
  return { scroller, inline, start, end, places: m.frames.map((list) => list.map((f) => share(f.offset))) };
}

const NO_INSETS: [Inset, Inset] = [[0], [0]];

/** A trigger’s lines; the one for the way up never lies below the one for the way down, the one further down never above it. */
export function listLines(
  trigger: FallbackPlan['triggers'][number],
): { down: number; up: number; past: number; scroller: Element } | null {
  const subject = document.querySelector(trigger.subject);
  if (!subject) return null;
  const g = computeGeometry(subject, 'block', trigger.insets ?? NO_INSETS);
  const down = onView(trigger.down, g, subject);
  return {
    down,
    up: Math.min(down, onView(trigger.up, g, subject)),
    past: trigger.past ? Math.max(down, onView(trigger.past, g, subject)) : Infinity,
    scroller: findScroller(subject),
  };
}
