/** Containing blocks and scroll containers, along the chain that the browser scrolls by. */
import { readStyle } from './dom.ts';

/** By a transform of any kind. */
export const isTransformed = (s: CSSStyleDeclaration): boolean =>
  [s.transform, s.translate, s.rotate, s.scale].some((value) => value !== 'none');

/** A drawing hides its overflow without being a scroll container; what `foreignObject` holds is in one. */
function hides(e: Element): boolean {
  if (e instanceof SVGElement && e.tagName !== 'foreignObject') return false;
  const { overflowX, overflowY } = readStyle(e);
  return [overflowX, overflowY].some((o) => o !== 'visible' && o !== 'clip');
}

/** What of its style decides where an element lies and what lies in it. */
interface Placing {
  position: string;
  isSticky: boolean;
  isTransformed: boolean;
  containsFixed: boolean;
}

const containsFixed = (style: CSSStyleDeclaration): boolean =>
  isTransformed(style) ||
  style.perspective !== 'none' ||
  style.filter !== 'none' ||
  /paint|layout|strict|content/.test(style.contain) ||
  /transform|translate|filter|perspective/.test(style.willChange);

export class Containers {
  /** scroll containers in the order of discovery; null is the page itself */
  readonly list: (Element | null)[] = [null];
  private readonly index = new Map<Element | null, number>([[null, 0]]);
  private readonly known = new Map<Element, number>();
  private readonly fixed = new Map<Element, boolean>();
  private readonly placings = new Map<Element, Placing>();

  /** Read once: browsers work out a value for everyone who asks, and every element asks those around it. */
  readPlacing(e: Element): Placing {
    const cached = this.placings.get(e);
    if (cached) return cached;
    const style = readStyle(e);
    const { position } = style;
    const made = {
      position,
      isSticky: position === 'sticky' && (style.top !== 'auto' || style.bottom !== 'auto'),
      isTransformed: isTransformed(style),
      containsFixed: containsFixed(style),
    };
    this.placings.set(e, made);
    return made;
  }

  /** Nearest scroll container of an element, as an index into `list`. */
  findScroller(e: Element): number {
    const cached = this.known.get(e);
    if (cached !== undefined) return cached;
    const holder = this.findHolder(e);
    let found: number;
    if (!holder || holder === document.documentElement) found = 0;
    else if (this.scrolls(holder)) {
      found = this.index.get(holder) ?? this.list.push(holder) - 1;
      this.index.set(holder, found);
    } else found = this.findScroller(holder);
    this.known.set(e, found);
    return found;
  }

  findElement(scroller: number): Element | null {
    return this.list[scroller] ?? null;
  }

  isFixed(e: Element): boolean {
    const cached = this.fixed.get(e);
    if (cached !== undefined) return cached;
    const holder = this.findHolder(e);
    const is =
      this.readPlacing(e).position === 'fixed' ? holder === null : holder ? this.isFixed(holder) : false;
    this.fixed.set(e, is);
    return is;
  }

  /** The element whose box an element is laid out in: by position, not merely the parent. Null is the viewport. */
  private findHolder(e: Element): Element | null {
    const { position } = this.readPlacing(e);
    if (position !== 'fixed' && position !== 'absolute') return e.parentElement;
    for (let p = e.parentElement; p; p = p.parentElement) {
      const outer = this.readPlacing(p);
      if (outer.containsFixed || (position === 'absolute' && outer.position !== 'static')) return p;
    }
    return null;
  }

  /** overflow: clip does not make a scroll container; body's overflow goes to the viewport while html has none. */
  private scrolls(e: Element): boolean {
    return hides(e) && (e !== document.body || hides(document.documentElement));
  }
}
