/** A marquee’s strip: enough copies of what is in it that no hole can be seen, wherever it stands and however wide the screen is. */

/** Marks what the script has put in. */
export const COPY = 'data-lv-copy';
/** Periods shorter than this, or more copies than this, are a page that went wrong. */
const MIN = 8;
const MAX = 200;

export interface Laid {
  /** px from a thing to its copy, in the strip’s own coordinates; negative where lines run from right to left */
  period: number;
  /** whole periods by which the strip is pulled back, so that it covers what lies before it */
  lead: number;
}

/** Copies needed at a displacement between `−lead` and `−(lead + 1)` periods, to cover from `before` px ahead of the strip to `after` px along it. */
export function copiesFor(period: number, before: number, after: number): { lead: number; copies: number } {
  const lead = Math.max(0, Math.ceil(before / period));
  return { lead, copies: lead + Math.max(1, Math.ceil(after / period)) };
}

const computeSize = (strip: Element, axis: 'block' | 'inline') =>
  parseFloat(getComputedStyle(strip)[axis === 'inline' ? 'width' : 'height']);

const middle = (e: Element) => {
  const { left, top, width, height } = e.getBoundingClientRect();
  return { x: left + width / 2, y: top + height / 2, width, height };
};

export const cleared = (strip: Element): void =>
  strip.querySelectorAll(`:scope > [${COPY}]`).forEach((e) => e.remove());

/** Bare text has no box of its own that could be copied. */
export function boxed(strip: Element): () => void {
  if (![...strip.childNodes].some((n) => n.nodeType === 3 && n.nodeValue!.trim())) return () => undefined;
  const run = strip.ownerDocument.createElement('span');
  run.style.cssText = 'display: inline-block; white-space: pre; padding-inline-end: 1em';
  run.append(...strip.childNodes);
  strip.append(run);
  return () => run.replaceWith(...run.childNodes);
}

/** Lays copies; null where the strip cannot be a marquee. Nothing may move it meanwhile. */
export function lay(strip: Element, axis: 'block' | 'inline'): Laid | null {
  cleared(strip);
  const own = [...strip.children];
  const first = own[0];
  if (!first) return null;
  const before = computeSize(strip, axis);
  const copy = () => {
    const copies = own.map((e) => makeCopy(e));
    strip.append(...copies);
    return copies;
  };
  const copied = copy();
  own.forEach((e, i) => dress(e, copied[i]!));
  const [a, b] = [middle(first), middle(copied[0]!)];
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const seen = Math.hypot(dx, dy);
  // What the strip has grown by is exact and knows nothing of transforms; a strip of fixed size does not grow.
  const grown = computeSize(strip, axis) - before;
  const rtl = axis === 'inline' && getComputedStyle(strip).direction === 'rtl';
  const period = grown > MIN ? grown : seen;
  const turned = axis === 'inline' ? Math.abs(dx) < seen * 0.1 : Math.abs(dy) < seen * 0.1;
  if (!(period > MIN) || (turned && grown <= MIN)) {
    cleared(strip);
    return null;
  }
  const scale = seen / period;
  const [ux, uy] = [dx / seen, dy / seen];
  const edge =
    a.x * ux +
    a.y * uy -
    (Math.abs(ux) * a.width + Math.abs(uy) * a.height) / 2 +
    Math.abs(ux * uy) * (a.width + a.height);
  const corners = toFrame(strip, axis).map(([x, y]) => (x * ux + y * uy - edge) / scale);
  const { lead, copies } = copiesFor(period, -Math.min(...corners), Math.max(...corners));
  for (let i = 1; i < Math.min(copies, MAX); i++) copy().forEach((e, k) => dress(own[k]!, e));
  return { period: rtl ? -period : period, lead };
}

/** Seen and heard once only, and found by no link. */
function makeCopy(e: Element): Element {
  const copy = e.cloneNode(true) as HTMLElement;
  for (const n of [copy, ...copy.querySelectorAll('[id]')]) n.removeAttribute('id');
  copy.setAttribute(COPY, '');
  copy.setAttribute('aria-hidden', 'true');
  copy.inert = true;
  return copy;
}

/** Rules that count places among siblings, or name an id, miss a copy: it gets what they gave the original. */
function dress(original: Element, copy: Element): void {
  const pairs = [[original, copy] as const];
  const [from, to] = [original.querySelectorAll('*'), copy.querySelectorAll('*')];
  from.forEach((e, i) => pairs.push([e, to[i]!]));
  for (const [a, b] of pairs) {
    const [was, is] = [getComputedStyle(a), getComputedStyle(b)];
    for (const p of was)
      if (
        !/^(animation|transition|view-|scroll-|-webkit-locale)/.test(p) &&
        was.getPropertyValue(p) !== is.getPropertyValue(p)
      )
        (b as HTMLElement).style.setProperty(p, was.getPropertyValue(p));
  }
}

/** Corners of what the strip is seen through: the nearest box that clips it, else its parent, as wide as the screen. */
function toFrame(strip: Element, axis: 'block' | 'inline'): [number, number][] {
  let clip = strip.parentElement;
  while (clip && clip !== strip.ownerDocument.body && getComputedStyle(clip).overflow === 'visible')
    clip = clip.parentElement;
  const clips = clip && clip !== strip.ownerDocument.body && clip !== strip.ownerDocument.documentElement;
  const box = (clips ? clip! : strip.parentElement!).getBoundingClientRect();
  const { top, bottom } = box;
  let { left, right } = box;
  if (!clips && axis === 'inline') [left, right] = [Math.min(left, 0), Math.max(right, innerWidth)];
  return [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ];
}
