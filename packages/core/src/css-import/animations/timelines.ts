/** What a scrubbed animation's timeline is: the view progress of an element, or the scroll of a scroller (Scroll-driven Animations 1, §2 and 3). */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Cascade, Environment } from '../cascade/cascade.ts';
import { findParent } from '../source/elements.ts';
import type { PageElements } from '../source/elements.ts';
import { carries } from '../cascade/rules.ts';
import type { ReadRule } from '../cascade/rules.ts';
import { splitTop } from '../../text/index.ts';

export type ReadTimeline =
  | { kind: 'auto' }
  | { kind: 'none' }
  | {
      kind: 'view';
      owner: Element | null;
      /** selectors by which rules make the owner carry it */
      selectors: readonly string[];
      axis: 'block' | 'inline';
      insets: [string, string];
    }
  | { kind: 'scroll'; owner: Element | null; selectors: readonly string[]; axis: 'block' | 'inline' }
  | { obstacle: string };

const AXES: Record<string, 'block' | 'inline'> = {
  block: 'block',
  y: 'block',
  inline: 'inline',
  x: 'inline',
};

export class Timelines {
  private readonly owners = new Map<string, { element: Element; rules: ReadRule[] }[]>();
  private readonly scopes = new Set<Element>();
  /** whether `auto` insets could be anything but 0 */
  private readonly padded: boolean;

  constructor(
    private readonly cascade: Cascade,
    rules: readonly ReadRule[],
    private readonly elements: PageElements,
  ) {
    this.padded = rules.some((r) => r.declarations.some((d) => d.property.startsWith('scroll-padding')));
    for (const rule of rules)
      for (const d of rule.declarations) {
        if (!carries(d.property)) continue;
        for (const e of cascade.findElements.get(rule) ?? []) {
          if (d.property === 'timeline-scope') this.scopes.add(e);
          for (const name of d.value.match(/--[\w-]+/g) ?? []) {
            const list = this.owners.get(name) ?? [];
            const known = list.find((o) => o.element === e);
            known ? known.rules.push(rule) : list.push({ element: e, rules: [rule] });
            this.owners.set(name, list);
          }
        }
      }
  }

  of(css: string, element: Element, env: Environment): ReadTimeline {
    const text = css.trim();
    if (text === 'auto') return { kind: 'auto' };
    if (text === 'none') return { kind: 'none' };
    const call = /^(view|scroll)\((.*)\)$/is.exec(text);
    if (call) {
      const words = splitTop(itemAt(call, 2), ' ');
      const axis = present(AXES[words.find((w) => w.toLowerCase() in AXES)?.toLowerCase() ?? 'block']);
      const rest = words.filter((w) => !(w.toLowerCase() in AXES));
      if (itemAt(call, 1).toLowerCase() === 'view')
        return { kind: 'view', owner: null, selectors: [], axis, insets: this.insets(rest) };
      const which = rest[0]?.toLowerCase() ?? 'nearest';
      if (which === 'root') return { kind: 'scroll', owner: null, selectors: [], axis };
      return {
        kind: 'scroll',
        owner: which === 'self' ? element : this.findScroller(element, env),
        selectors: [],
        axis,
      };
    }
    if (text.startsWith('--')) return this.named(text, element, env);
    return { obstacle: `“${text}” is not a timeline known here` };
  }

  /** The nearest ancestor that scrolls; null for the page itself. */
  findScroller(element: Element, env: Environment): Element | null {
    for (let e = findParent(element); e && e.name !== 'body' && e.name !== 'html'; e = findParent(e)) {
      const won = this.cascade.declared(e, env, (p) => p.startsWith('overflow'));
      const scrolls = [won.get('overflow-x')?.value, won.get('overflow-y')?.value].some((v) =>
        /^(auto|scroll|hidden)$/i.test(v ?? ''),
      );
      if (scrolls) return e;
    }
    return null;
  }

  private insets(words: readonly string[]): [string, string] {
    const plain = (css: string) =>
      css === 'auto' ? (this.padded ? 'auto' : '0px') : css === '0' ? '0px' : css;
    const [start = 'auto', end = start] = words;
    return [plain(start), plain(end)];
  }

  private named(name: string, element: Element, env: Environment): ReadTimeline {
    const own = (e: Element) => this.carried(e, name, env);
    for (let e: Element | null = element; e; e = findParent(e)) {
      const found = own(e);
      if (found) return found;
      if (!this.scopes.has(e)) continue;
      const scope =
        this.cascade.declared(e, env, (p) => p === 'timeline-scope').get('timeline-scope')?.value ?? '';
      if (!scope.split(/\s*,\s*/).includes(name) && scope !== 'all') continue;
      const inside = (this.owners.get(name) ?? []).filter((o) => isInside(o.element, e));
      const carriers = inside.flatMap((o) => own(o.element) ?? []);
      if (carriers.length === 1) return itemAt(carriers, 0);
      return {
        obstacle: carriers.length
          ? `${carriers.length} elements carry the timeline ${name} in one scope, so none of them counts`
          : `no element carries the timeline ${name}`,
      };
    }
    return { obstacle: `no element around it carries the timeline ${name}` };
  }

  /** The timeline of this name that an element carries itself. */
  private carried(owner: Element, name: string, env: Environment): ReadTimeline | null {
    const carrier = this.owners.get(name)?.find((o) => o.element === owner);
    if (!carrier) return null;
    const won = this.cascade.declared(owner, env, carries);
    for (const kind of ['view', 'scroll'] as const) {
      const names = splitTop(won.get(`${kind}-timeline-name`)?.value ?? '');
      const at = names.lastIndexOf(name);
      if (at < 0) continue;
      const nth = (property: string, initial: string) => {
        const list = splitTop(won.get(property)?.value ?? initial);
        return itemAt(list, at % list.length);
      };
      const axis = AXES[nth(`${kind}-timeline-axis`, 'block').toLowerCase()] ?? 'block';
      // The shortest first: rules for several owners at once say more than is needed.
      const selectors = carrier.rules
        .flatMap((r) => [r.selectors.map((x) => x.text).join(', '), ...r.selectors.map((x) => x.text)])
        .sort((a, b) => a.length - b.length);
      if (kind === 'scroll') return { kind: 'scroll', owner, selectors, axis };
      return {
        kind: 'view',
        owner,
        selectors,
        axis,
        insets: this.insets(splitTop(nth('view-timeline-inset', 'auto'), ' ')),
      };
    }
    return null;
  }

  /** How the document names the owner, or the owners of several targets: the nearest one around each. */
  subjectFor(
    pairs: readonly { target: Element; owner: Element }[],
    selectors: readonly string[],
  ): string | null {
    const owners = [...new Set(pairs.map((p) => p.owner))];
    const named = this.elements.naming(this.elements.inOrder(owners), selectors);
    if (owners.length === 1) return named;
    const isNearest = (selector: string) =>
      pairs.every(({ target, owner }) => {
        for (let e: Element | null = target; e; e = findParent(e))
          if (this.elements.matches(e, selector)) return e === owner;
        return false;
      });
    // A rule's own selector may find more than the owners: what counts is what is around each target.
    return [...selectors, named].find(isNearest) ?? null;
  }
}

const isInside = (e: Element, scope: Element): boolean => {
  for (let at: Element | null = e; at; at = findParent(at)) if (at === scope) return true;
  return false;
};
