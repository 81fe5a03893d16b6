/** Where ranges lie, in browsers that do not say it themselves. The same phases as in the core; only the measuring is done here. */
import { phaseSpans } from '@lyvek/core/phases';
import type { FallbackMotion, FallbackPlan } from '@lyvek/core';

type Point = FallbackMotion['range'][number];
type Linear = [number, number, number, number];
type Geometry = Parameters<typeof phaseSpans>[0];
interface Span {
  start: number;
  end: number;
}

const px = ([pct, px, vh, vw]: Linear, whole: number): number =>
  (pct / 100) * whole + px + (vh / 100) * innerHeight + (vw / 100) * innerWidth;

const scrolls = (css: string) => css !== 'visible' && css !== 'clip';

export function findScroller(e: Element): Element {
  const root = document.scrollingElement ?? document.documentElement;
  for (let p = e.parentElement; p && p !== document.body && p !== root; p = p.parentElement) {
    const { overflowX, overflowY } = getComputedStyle(p);
    if (scrolls(overflowX) || scrolls(overflowY)) return p;
  }
  return root;
}

/** Border box from the scroller’s content edge, without transforms. */
function findPlace(e: Element, scroller: Element): { x: number; y: number; width: number; height: number } {
  if (!(e instanceof HTMLElement)) {
    // A drawing has no offsets of its own; what it stands in has.
    const [own, holder] = [e.getBoundingClientRect(), e.parentElement!.getBoundingClientRect()];
    const at = findPlace(e.parentElement!, scroller);
    return {
      x: at.x + own.left - holder.left,
      y: at.y + own.top - holder.top,
      width: own.width,
      height: own.height,
    };
  }
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

function computeGeometry(subject: Element, axis: 'block' | 'inline', insets: [Linear, Linear]): Geometry {
  const scroller = findScroller(subject);
  const sticky = axis === 'block' ? computeSticky(subject, scroller) : null;
  const block = axis === 'block';
  const root = scroller === (document.scrollingElement ?? document.documentElement);
  const port = block
    ? root
      ? innerHeight
      : scroller.clientHeight
    : root
      ? innerWidth
      : scroller.clientWidth;
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
      top: block ? at.y : at.x,
      size: block ? at.height : at.width,
      port,
      max: block ? scroller.scrollHeight - port : scroller.scrollWidth - port,
      insets: [px(insets[0], port), px(insets[1], port)],
      sticky: carried,
      viewport: { width: innerWidth, height: innerHeight },
      em: 16,
      rem: 16,
    };
  });
}

function onView(p: Point, g: Geometry): number {
  if (p[0] === 'meets') {
    const [, edge, line] = p as ['meets', number, number];
    const offset = g.top + edge * g.size - line * g.port;
    const s = g.sticky;
    if (!s) return offset;
    // Where the box is drawn; while it sticks, its points meet no line.
    if (s.edge === 'start') return offset <= s.at ? offset : offset + s.travel;
    return offset <= s.at ? offset - s.travel : offset;
  }
  const [phase, ...at] = p as [keyof ReturnType<typeof phaseSpans>, ...Linear];
  const span = phaseSpans(g)[phase];
  return span.start + px(at, span.end - span.start);
}

const onExtent = (p: Point, { start, end }: Span): number =>
  start + px((p as [string, ...Linear]).slice(1) as Linear, end - start);

/** A motion’s range for one target, with the scroller it listens to; null where it has none. */
export function readRange(
  m: FallbackMotion,
  target: Element,
): (Span & { scroller: Element; inline: boolean }) | null {
  const { on } = m;
  const root = document.scrollingElement ?? document.documentElement;
  if (on.kind === 'scroll') {
    const scroller = on.scroller ? document.querySelector(on.scroller) : root;
    if (!scroller) return null;
    const inline = on.axis === 'inline';
    const port =
      scroller === root
        ? inline
          ? innerWidth
          : innerHeight
        : inline
          ? scroller.clientWidth
          : scroller.clientHeight;
    const end = (inline ? scroller.scrollWidth : scroller.scrollHeight) - port;
    if (end <= 0) return null;
    const whole = { start: 0, end };
    return { start: onExtent(m.range[0], whole), end: onExtent(m.range[1], whole), scroller, inline };
  }
  if (on.kind === 'pin') {
    const track = document.querySelector(on.track);
    if (!(track instanceof HTMLElement)) return null;
    const spacer = parseFloat(getComputedStyle(track, on.by === 'top' ? '::after' : '::before').height) || 0;
    const scroller = findScroller(track);
    const at = findPlace(track, scroller);
    const start =
      on.by === 'top'
        ? at.y - px(on.inset, innerHeight)
        : at.y + at.height - spacer - innerHeight + px(on.inset, innerHeight);
    const whole = { start, end: start + spacer };
    return { start: onExtent(m.range[0], whole), end: onExtent(m.range[1], whole), scroller, inline: false };
  }
  if (on.kind !== 'view') return null;
  const subject =
    on.subject === null ? target : (target.closest(on.subject) ?? document.querySelector(on.subject));
  if (!subject) return null;
  const g = computeGeometry(subject, on.axis, on.insets);
  return {
    start: onView(m.range[0], g),
    end: onView(m.range[1], g),
    scroller: findScroller(subject),
    inline: on.axis === 'inline',
  };
}

const NO_INSETS: [Linear, Linear] = [
  [0, 0, 0, 0],
  [0, 0, 0, 0],
];

/** A trigger’s lines; the one for the way up never lies below the one for the way down, the one further down never above it. */
export function listLines(
  trigger: FallbackPlan['triggers'][number],
): { down: number; up: number; past: number; scroller: Element } | null {
  const subject = document.querySelector(trigger.subject);
  if (!subject) return null;
  const g = computeGeometry(subject, 'block', trigger.insets ?? NO_INSETS);
  const down = onView(trigger.down, g);
  return {
    down,
    up: Math.min(down, onView(trigger.up, g)),
    past: trigger.past ? Math.max(down, onView(trigger.past, g)) : Infinity,
    scroller: findScroller(subject),
  };
}
