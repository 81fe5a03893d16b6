/** Stable selectors: an id if it is unique and not machine-made, a class that is unique, else the path from the nearest of these. */
const MACHINE_MADE =
  /\d{3,}|[0-9a-f]{6,}|^[a-z]{1,3}\d|[:_]{1}r?\d|__[A-Za-z0-9]{5}$|--[a-z0-9]{5,}$|^(css|sc|jsx|svelte|emotion)-/i;

export class Selectors {
  private readonly ids = new Map<string, number>();
  private readonly classes = new Map<string, number>();
  private readonly tags = new Map<string, number>();
  private readonly known = new Map<Element, string>();

  private readonly isTrack: (e: Element) => boolean;

  /** `isTrack` tells the wrappers that we put in: the page as it was brought has none of them. */
  constructor(isTrack: (e: Element) => boolean = () => false) {
    this.isTrack = isTrack;
    const count = (map: Map<string, number>, key: string) => map.set(key, (map.get(key) ?? 0) + 1);
    for (const e of document.querySelectorAll('*')) {
      if (isTrack(e)) continue;
      if (e.id) count(this.ids, e.id);
      count(this.tags, e.localName);
      for (const c of e.classList) count(this.classes, c);
    }
  }

  of(e: Element): string {
    const cached = this.known.get(e);
    if (cached) return cached;
    const made = this.own(e) ?? this.path(e);
    this.known.set(e, made);
    return made;
  }

  private own(e: Element): string | null {
    if (e.id && this.ids.get(e.id) === 1 && !MACHINE_MADE.test(e.id)) return `#${CSS.escape(e.id)}`;
    if (
      ['body', 'main', 'header', 'footer', 'nav', 'h1'].includes(e.localName) &&
      this.tags.get(e.localName) === 1
    )
      return e.localName;
    const only = [...e.classList].find((c) => this.classes.get(c) === 1 && !MACHINE_MADE.test(c));
    return only ? `.${CSS.escape(only)}` : null;
  }

  private path(e: Element): string {
    const step = this.step(e);
    const parent = this.findParent(e);
    return parent ? `${this.of(parent)} > ${step}` : step;
  }

  /** Tag, and its number among siblings of the same tag where there are several. */
  private step(e: Element): string {
    const tag = CSS.escape(e.localName);
    const parent = this.findParent(e);
    if (!parent) return tag;
    const { place, count } = this.findPlace(e, parent);
    return count === 1 ? tag : `${tag}:nth-of-type(${place})`;
  }

  private readonly places = new Map<Element, { place: number; count: number }>();

  /** Numbers all children of a parent at once: long lists would otherwise be counted again for each of them. */
  private findPlace(e: Element, parent: Element): { place: number; count: number } {
    const known = this.places.get(e);
    if (known) return known;
    const byTag = new Map<string, Element[]>();
    for (const c of this.listChildren(parent)) {
      const list = byTag.get(c.localName) ?? byTag.set(c.localName, []).get(c.localName)!;
      list.push(c);
    }
    for (const list of byTag.values())
      list.forEach((c, k) => this.places.set(c, { place: k + 1, count: list.length }));
    return this.places.get(e)!;
  }

  private findParent(e: Element): Element | null {
    const parent = e.parentElement;
    return parent && this.isTrack(parent) ? parent.parentElement : parent;
  }

  private listChildren(parent: Element): Element[] {
    return [...parent.children].flatMap((c) => (this.isTrack(c) ? [...c.children] : [c]));
  }
}
